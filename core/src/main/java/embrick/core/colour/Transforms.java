package embrick.core.colour;

/** Where the printer gets its conversions. */
public interface Transforms {
    /**
     * @throws IllegalArgumentException if a profile is not known or cannot be used that way
     */
    Transform along(ColourPath path);

    /** The tone curve and luminance of a profile. */
    Encoding encoding(ProfileRef profile);
}
