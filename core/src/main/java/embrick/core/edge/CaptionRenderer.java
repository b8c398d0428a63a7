package embrick.core.edge;

import embrick.core.pixels.PixelRect;

/** Draws words. Safe for several threads. */
public interface CaptionRenderer {
    /** How much of each pixel of the total a line's letters cover. */
    Coverage draw(CaptionLine line);

    /** How much of each pixel a mark's stamp covers, turned about its middle, anticlockwise. */
    default Coverage draw(Stamp stamp, double degrees) {
        throw new IllegalArgumentException("stamp: expected none here, got " + stamp);
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
