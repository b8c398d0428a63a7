package embrick.core.ticket;

import embrick.core.units.Ratio;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A ratio of sides, either way up; or the picture's own; or free. */
public sealed interface Shape {
    /** Two whole numbers that a {@code long} holds. */
    Pattern WRITTEN_RATIO = Pattern.compile("(\\d{1,18}):(\\d{1,18})(-at-scale)?");

    /** The shape of ISO 216's papers, 1:√2, which stays the same when a sheet is halved. */
    Ratio ROOT_TWO = new Ratio(70, 99);

    /**
     * How far a ratio may be from 1:√2 and still be ISO 216's, whose papers are said in whole millimetres: A8, 52 × 74 mm, is
     * 0.63 % off, A4 0.005 %; 5:7 is 1.0 % off and a shape of its own.
     */
    double ROOT_TWO_WITHIN = 0.007;

    /** The ratio that framings are kept under: all papers of ISO 216 have one. */
    private static String named(Ratio ratio) {
        double times = (double) ratio.longSide() / ratio.shortSide();
        boolean isIso = Math.abs(times / Math.sqrt(2) - 1) < ROOT_TWO_WITHIN;
        return (isIso ? ROOT_TWO : ratio).toString();
    }

    /** Short and stable, for storing and comparing: {@code 4:5}, {@code 4:5-at-scale}, {@code own}, {@code free}. */
    String key();

    /** The key of the shape that is written so: 8:10 and 5:4 are 4:5. Empty if it names none. */
    static Optional<String> keyOf(String written) {
        Matcher ratio = WRITTEN_RATIO.matcher(written.strip());
        if (ratio.matches()) {
            long a = Long.parseLong(ratio.group(1));
            long b = Long.parseLong(ratio.group(2));
            if (a < 1 || b < 1) {
                return Optional.empty();
            }
            Ratio sides = new Ratio(a, b);
            return Optional.of(ratio.group(3) == null ? new Fixed(sides).key() : new AtScale(sides).key());
        }
        return Stream.of(new Own(), new Free())
                .map(Shape::key)
                .filter(written.strip()::equals)
                .findFirst();
    }

    record Fixed(Ratio ratio) implements Shape {
        public Fixed {
            Objects.requireNonNull(ratio);
        }

        @Override
        public String key() {
            return named(ratio);
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
            return named(ratio) + "-at-scale";
        }
    }

    record Free() implements Shape {
        @Override
        public String key() {
            return "free";
        }
    }
}
