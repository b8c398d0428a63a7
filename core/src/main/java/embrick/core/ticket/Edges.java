package embrick.core.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import java.util.Objects;
import java.util.Optional;

/** What goes round the sheet. */
public sealed interface Edges {
    record None() implements Edges {}

    /**
     * A band outside the trim line, cut off with it, so that no paper shows where the cut strays.
     *
     * @param safe distance inside the trim line that what matters keeps
     */
    record Bleed(Length band, Length safe, EdgeFill fill) implements Edges {
        /** Widest taken: ten times what any trimmer strays. */
        public static final Length WIDEST = Length.inches("2");

        public Bleed {
            Objects.requireNonNull(fill);
            if (band.isZero()) {
                throw new IllegalArgumentException("bleed: expected a band above 0, got " + band);
            }
            requireAtMost("bleed", band, WIDEST);
            requireAtMost("safe distance", safe, WIDEST);
        }
    }

    /**
     * Bands that turn round stretcher bars: the depth of the bar, and behind it what is stapled.
     *
     * @param bar depth of the bar on each side
     * @param allowance for stapling behind it; nothing where only the whole band is known, which then is the bar's
     */
    record Wrap(Sides bar, Sides allowance, EdgeFill fill, WrapMarks marks) implements Edges {
        /** Deepest bar and widest allowance taken: four times the deepest that is sold. Common practice, no source. */
        public static final Length WIDEST = Length.inches("12");
        /** Least allowance in which marks are seen. Common practice, no source. */
        public static final Length MARKS_NEED = Length.millimetres(5);

        public Wrap {
            Objects.requireNonNull(fill);
            Objects.requireNonNull(marks);
            requireAtMost("bar depth", bar.most(), WIDEST);
            requireAtMost("staple allowance", allowance.most(), WIDEST);
            if (bar.most().isZero() && allowance.most().isZero()) {
                throw new IllegalArgumentException("wrap: expected a band above 0, got none");
            }
            if (marks == WrapMarks.FOLDS_AND_CORNERS && allowance.least().compareTo(MARKS_NEED) < 0) {
                throw new IllegalArgumentException("marks: expected a staple allowance of " + MARKS_NEED
                        + " or more on every side, got " + allowance.least());
            }
        }
    }

    /** Paper round the sheet. */
    record Border(BorderSize size, PaperColour colour, Optional<KeyLine> keyLine, Optional<Caption> caption)
            implements Edges {
        /** Widest taken: as wide as a large sheet's own side. */
        public static final Length WIDEST = Length.inches("20");

        public Border {
            Objects.requireNonNull(size);
            Objects.requireNonNull(colour);
            Objects.requireNonNull(keyLine);
            Objects.requireNonNull(caption);
        }
    }

    /** Whether the staple allowance of a wrap carries marks of its folds, and its corners a line to cut along. */
    enum WrapMarks {
        NONE,
        FOLDS_AND_CORNERS
    }

    /** A thin line where a border meets its picture. */
    record KeyLine(Length width, PaperColour colour) {
        private static final Length WIDEST = Length.of(20, LengthUnit.MM);

        public KeyLine {
            Objects.requireNonNull(colour);
            if (width.isZero()) {
                throw new IllegalArgumentException("key line: expected a width above 0, got " + width);
            }
            requireAtMost("key line", width, WIDEST);
        }
    }

    private static void requireAtMost(String what, Length length, Length most) {
        if (length.compareTo(most) > 0) {
            throw new IllegalArgumentException(what + ": expected at most " + most + ", got " + length);
        }
    }
}
