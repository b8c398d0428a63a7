package embrick.core.colour;

/** Converts pixels from one profile to another. Safe for several threads. */
public interface Transform {
    /**
     * Shapes: in pixels × channels in, out pixels × channels out, interleaved. Units: 0..1; input is clipped to it.
     * Errors: IllegalArgumentException if an array is too short.
     */
    void apply(float[] in, float[] out, int pixels);
}
