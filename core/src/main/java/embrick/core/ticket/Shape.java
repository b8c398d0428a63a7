package embrick.core.ticket;

import embrick.core.units.Ratio;
import java.util.Objects;

/** A ratio of sides, either way up; or the picture's own; or free. */
public sealed interface Shape {
    /** Short and stable, for storing and comparing: {@code 4:5}, {@code own}, {@code free}. */
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

    record Free() implements Shape {
        @Override
        public String key() {
            return "free";
        }
    }
}
