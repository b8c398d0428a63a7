package embrick.core.ticket;

import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import java.util.Objects;

/** In which colours a piece leaves; it always carries its profile. */
public sealed interface OutputColour {
    /** sRGB, colours kept where it has them: what a new ticket says. */
    OutputColour SRGB = new Convert(new ProfileRef.Srgb(), Rendering.RELATIVE_COMPENSATED);

    /** The original's profile, its numbers untouched. */
    record Keep() implements OutputColour {}

    /** The original's numbers untouched, under another profile's name: for files whose profile is missing or wrong. */
    record Assign(ProfileRef profile) implements OutputColour {
        public Assign {
            Objects.requireNonNull(profile);
        }
    }

    /** The original's look, in another profile's numbers. */
    record Convert(ProfileRef profile, Rendering rendering) implements OutputColour {
        public Convert {
            Objects.requireNonNull(profile);
            Objects.requireNonNull(rendering);
        }
    }
}
