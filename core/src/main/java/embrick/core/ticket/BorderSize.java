package embrick.core.ticket;

import embrick.core.paper.PaperSize;
import embrick.core.units.Length;
import java.util.Objects;

/** How wide a border is. */
public sealed interface BorderSize {
    /** Equally wide all round. */
    record Even(Length band) implements BorderSize {
        public Even {
            require("border", band);
        }
    }

    /** Equally wide but for the bottom, which carries the picture's weight and perhaps a caption. */
    record HeavierBottom(Length band, Length bottom) implements BorderSize {
        public HeavierBottom {
            require("border", band);
            require("border's bottom", bottom);
            if (bottom.compareTo(band) < 0) {
                throw new IllegalArgumentException("border's bottom: expected " + band + " or more, got " + bottom);
            }
        }
    }

    /** As wide as it takes to an outer size, the sheet in its middle; the outer size is turned as the sheet is. */
    record GrownTo(PaperSize outer) implements BorderSize {
        public GrownTo {
            Objects.requireNonNull(outer);
        }
    }

    private static void require(String what, Length band) {
        if (band.isZero() || band.compareTo(Edges.Border.WIDEST) > 0) {
            throw new IllegalArgumentException(
                    what + ": expected above 0 and at most " + Edges.Border.WIDEST + ", got " + band);
        }
    }
}
