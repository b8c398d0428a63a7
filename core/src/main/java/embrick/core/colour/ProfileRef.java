package embrick.core.colour;

import embrick.core.pixels.ColourModel;
import java.util.Objects;

/** Which profile is meant, without its bytes. */
public sealed interface ProfileRef {
    /** The pixels' model under this profile. */
    ColourModel model();

    /** sRGB, IEC 61966-2-1, as Embrick ships it. */
    record Srgb() implements ProfileRef {
        @Override
        public ColourModel model() {
            return ColourModel.RGB;
        }
    }

    /** Grey without a profile: taken to have the tone curve of sRGB. */
    record AssumedGrey() implements ProfileRef {
        @Override
        public ColourModel model() {
            return ColourModel.GREY;
        }
    }

    /** Any profile, by the SHA-256 of its bytes. */
    record Icc(String digest, ColourModel model) implements ProfileRef {
        public Icc {
            Objects.requireNonNull(digest);
            Objects.requireNonNull(model);
        }
    }
}
