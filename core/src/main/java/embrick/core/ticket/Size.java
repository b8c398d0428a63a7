package embrick.core.ticket;

import embrick.core.paper.PaperSize;
import embrick.core.units.Ratio;
import java.util.Objects;

/** How large a piece is said to be. */
public sealed interface Size {
    /** A paper at the ticket's ppi: the pixels follow. */
    record OnPaper(PaperSize paper) implements Size {
        public OnPaper {
            Objects.requireNonNull(paper);
        }
    }

    /** A shape with all the pixels the picture has in it: no pixel is made or lost inside the frame. */
    record ShapeOnly(Ratio ratio) implements Size {
        public ShapeOnly {
            Objects.requireNonNull(ratio);
        }
    }

    /** Each side of the frame pulled by itself, picture by picture, with all the pixels inside it. */
    record FreeShape() implements Size {}

    /** The picture's own shape and pixels, only marked with the ppi. */
    record OwnShape() implements Size {}
}
