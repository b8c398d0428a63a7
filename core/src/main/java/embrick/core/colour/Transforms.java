package embrick.core.colour;

/** Where the printer gets its conversions. */
public interface Transforms {
    /**
     * @throws IllegalArgumentException if a profile is not known or cannot be used that way
     */
    Transform along(ColourPath path);

    /**
     * From a profile's numbers to L*a*b* under D50, relative to its medium's white, as it is and not scaled.
     *
     * @throws IllegalArgumentException as {@link #along}
     */
    Transform toLab(ProfileRef profile);

    /** The tone curve and luminance of a profile. */
    Encoding encoding(ProfileRef profile);
}
