package embrick.core.colour;

/** Converts pixels from one profile to another. Safe for several threads. */
public interface Transform {
    /**
     * Shapes: in pixels × channels in from {@code from}, out pixels × channels out from {@code at}, interleaved; two
     * different arrays. Units: 0..1; input is clipped to it.
     * Errors: IllegalArgumentException if an array is too short.
     */
    void apply(float[] in, int from, float[] out, int at, int pixels);
}
