package embrick.core.ticket;

import embrick.core.units.Ratio;
import java.util.Objects;

/** A ratio of sides, either way up; or the picture's own; or free. */
public sealed interface Shape {
    /** Short and stable, for storing and comparing: {@code 4:5}, {@code 4:5-at-scale}, {@code own}, {@code free}. */
    String key();

    record Fixed(Ratio ratio) implements Shape {
        public Fixed {
            Objects.requireNonNull(ratio);
        }

        @Override
        public String key() {
            return ratio.toString();
        }
    }

    record Own() implements Shape {
        @Override
        public String key() {
            return "own";
        }
    }

    /** A sheet on which pictures stand at a scale of their own: framings say where, not how much. */
    record AtScale(Ratio ratio) implements Shape {
        public AtScale {
            Objects.requireNonNull(ratio);
        }

        @Override
        public String key() {
            return ratio + "-at-scale";
        }
    }

    record Free() implements Shape {
        @Override
        public String key() {
            return "free";
        }
    }
}
