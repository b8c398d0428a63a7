package embrick.core.ticket;

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

    /** The whole picture sits inside the sheet, centred; paper shows round it. */
    record Inside(PaperColour paper) implements Fit {
        public Inside {
            Objects.requireNonNull(paper);
        }
    }

    /**
     * The picture is printed at a scale of its own, whatever the sheet: cut, or with paper round it.
     *
     * @param printed original pixels to an inch of paper; empty: as the picture's own file says
     * @param anchor where it stands until it is moved by hand
     */
    record AtScale(PaperColour paper, Optional<Resolution> printed, Anchor anchor) implements Fit {
        public AtScale {
            Objects.requireNonNull(paper);
            Objects.requireNonNull(printed);
            Objects.requireNonNull(anchor);
        }
    }

    PaperColour paper();
}
