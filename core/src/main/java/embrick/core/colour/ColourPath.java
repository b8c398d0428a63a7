package embrick.core.colour;

import java.util.Objects;

/** From which profile to which. Relative colorimetric intent with black point compensation (ISO 18619). */
public record ColourPath(ProfileRef from, ProfileRef to) {
    public ColourPath {
        Objects.requireNonNull(from);
        Objects.requireNonNull(to);
    }
}
