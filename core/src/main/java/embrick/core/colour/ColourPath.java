package embrick.core.colour;

import java.util.Objects;

/** From which profile to which, and how what does not fit is fitted in. */
public record ColourPath(ProfileRef from, ProfileRef to, Rendering rendering) {
    public ColourPath {
        Objects.requireNonNull(from);
        Objects.requireNonNull(to);
        Objects.requireNonNull(rendering);
    }

    /** Relative colorimetric with black point compensation. */
    public ColourPath(ProfileRef from, ProfileRef to) {
        this(from, to, Rendering.RELATIVE_COMPENSATED);
    }
}
