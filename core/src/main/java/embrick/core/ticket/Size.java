package embrick.core.ticket;

import embrick.core.paper.PaperSize;
import embrick.core.units.PixelSize;
import embrick.core.units.Ratio;
import java.util.Objects;

/** How large a piece is said to be. */
public sealed interface Size {
    /** A sheet of fixed shape and pixels, which a picture fills or lies on. */
    sealed interface Sheet extends Size {
        Ratio ratio();
    }

    /** A paper at the ticket's ppi: the pixels follow. */
    record OnPaper(PaperSize paper) implements Sheet {
        public OnPaper {
            Objects.requireNonNull(paper);
        }

        @Override
        public Ratio ratio() {
            return paper.ratio();
        }
    }

    /** So many pixels, either way up, whatever the ppi: a sheet for screens. */
    record InPixels(PixelSize pixels) implements Sheet {
        public InPixels {
            Objects.requireNonNull(pixels);
        }

        @Override
        public Ratio ratio() {
            return new Ratio(pixels.width(), pixels.height());
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

    /** The picture's own shape, made smaller or larger until one measure of it is met. */
    record Scaled(Measure measure, Enlarging enlarging) implements Size {
        public Scaled {
            Objects.requireNonNull(measure);
            Objects.requireNonNull(enlarging);
        }
    }

    /** Whether a picture that has fewer pixels than a measure asks for is enlarged to it. */
    enum Enlarging {
        /** It keeps its pixels. */
        NEVER,
        ALLOWED
    }
}
