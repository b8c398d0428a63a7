package embrick.core.ticket;

import java.util.Objects;

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

    PaperColour paper();
}
