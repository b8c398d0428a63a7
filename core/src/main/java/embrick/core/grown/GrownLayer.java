package embrick.core.grown;

import embrick.core.pixels.PixelRect;

/** Grown pixels that are there to be read. Safe for several threads. */
public interface GrownLayer {
    /**
     * Gives what was grown of a rectangle; samples of pixels that are not bare are left as they are.
     * Shapes: into height × width × channels from {@code at}, interleaved, row-major. Units: 0..1 of the output's encoding.
     */
    void read(PixelRect part, float[] into, int at);
}
