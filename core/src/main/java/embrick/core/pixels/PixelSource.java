package embrick.core.pixels;

/** Pixels that are made as they are asked for. Not safe for several threads. */
public interface PixelSource {
    /**
     * Fills a rectangle.
     * Shapes: into gets height × width × channels from {@code at}, interleaved, row-major.
     */
    void render(PixelRect region, float[] into, int at);
}
