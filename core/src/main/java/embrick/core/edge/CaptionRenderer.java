package embrick.core.edge;

import embrick.core.pixels.PixelRect;

/** Draws words. Safe for several threads. */
public interface CaptionRenderer {
    /** How much of each pixel of the total a line's letters cover. */
    Coverage draw(CaptionLine line);

    /** The same of a line that is turned about the middle of its letters, anticlockwise. */
    default Coverage drawTurned(CaptionLine line, double degrees) {
        if (degrees == 0) {
            return draw(line);
        }
        throw new IllegalArgumentException("degrees: expected 0, got " + degrees);
    }

    /**
     * Shapes: shares has height × width of the place, row-major. Units: 0 to 255.
     */
    record Coverage(PixelRect place, byte[] shares) {
        float share(int x, int y) {
            return (shares[(y - place.y()) * place.width() + x - place.x()] & 0xff) / 255f;
        }
    }
}
