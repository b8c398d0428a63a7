package embrick.core.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.units.Length;
import embrick.core.units.Resolution;
import java.util.Objects;
import java.util.Optional;

/** How the picture meets the paper. It is scaled evenly either way. */
public sealed interface Fit {
    /** The picture covers the sheet; what does not fit is cut. See-through parts show this paper. */
    record Fill(PaperColour paper) implements Fit {
        public Fill {
            Objects.requireNonNull(paper);
        }
    }

    /**
     * The whole picture sits inside the sheet; paper shows round it.
     *
     * @param anchor where it stands in what is left over
     * @param margin of paper that it keeps to every side of the sheet
     */
    record Inside(PaperColour paper, Anchor anchor, Length margin, TrimMarks marks) implements Fit {
        private static final Length WIDEST = Length.inches("20");

        public Inside {
            Objects.requireNonNull(paper);
            Objects.requireNonNull(anchor);
            Objects.requireNonNull(marks);
            if (margin.compareTo(WIDEST) > 0) {
                throw new IllegalArgumentException("margin: expected at most " + WIDEST + ", got " + margin);
            }
        }

        /** In the middle, as large as it goes. */
        public Inside(PaperColour paper) {
            this(paper, Anchor.MIDDLE, Length.millimetres(0), TrimMarks.NONE);
        }
    }

    /**
     * The whole picture sits inside the sheet; what the sheet has beside it is grown from the picture's own texture.
     *
     * @param paper that see-through parts show
     * @param anchor where it stands: on which sides background is grown
     */
    record Grown(PaperColour paper, Anchor anchor) implements Fit {
        public Grown {
            Objects.requireNonNull(paper);
            Objects.requireNonNull(anchor);
        }
    }

    /**
     * The picture is printed at a scale of its own, whatever the sheet: cut, or with paper round it.
     *
     * @param printed original pixels to an inch of paper; empty: as the picture's own file says
     * @param anchor where it stands until it is moved by hand
     */
    record AtScale(PaperColour paper, Optional<Resolution> printed, Anchor anchor, TrimMarks marks) implements Placed {
        public AtScale {
            Objects.requireNonNull(paper);
            Objects.requireNonNull(printed);
            Objects.requireNonNull(anchor);
            Objects.requireNonNull(marks);
        }

        /** Without marks. */
        public AtScale(PaperColour paper, Optional<Resolution> printed, Anchor anchor) {
            this(paper, printed, anchor, TrimMarks.NONE);
        }
    }

    /**
     * Cut from the picture with its pixels as they are, one for one: nothing is scaled. A picture smaller than the sheet lies on
     * paper.
     *
     * @param anchor which part is cut, until it is moved by hand
     */
    record Cut(PaperColour paper, Anchor anchor, TrimMarks marks) implements Placed {
        public Cut {
            Objects.requireNonNull(paper);
            Objects.requireNonNull(anchor);
            Objects.requireNonNull(marks);
        }
    }

    /** The picture stands on the sheet at a scale that the sheet does not set: it is placed, never tightened. */
    sealed interface Placed extends Fit {
        Anchor anchor();
    }

    PaperColour paper();

    /** Whether the paper carries marks by which the picture is cut to its own size. */
    enum TrimMarks {
        NONE,
        AT_CORNERS
    }

    default TrimMarks marks() {
        return TrimMarks.NONE;
    }
}
