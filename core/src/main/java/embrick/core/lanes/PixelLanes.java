package embrick.core.lanes;

/** Pixels of three channels, together and as planes. */
public interface PixelLanes {
    /** {@code out[i] = r · red + g · green + b · blue} for pixels of three channels. */
    void luminances(float[] in, int from, float red, float green, float blue, float[] out, int at, int count);

    /** Pixels of three channels into a plane for each: {@code planes[c·row + i] = in[from + 3·i + c]}. */
    void toPlanes(float[] in, int from, float[] planes, int row, int count);

    /** Three planes into pixels: {@code out[at + 3·i + c] = planes[c·row + i]}. */
    void fromPlanes(float[] planes, int row, float[] out, int at, int count);

    /** Adds {@code added[i]} to all three channels of pixel i; clipped to 0..1. */
    void addToPixels(float[] in, int from, float[] added, float[] out, int at, int count);

    /**
     * A matrix and an offset over planes: {@code out[r·row + i] = Σ in[k·row + i] · matrix[r·4 + k] + matrix[r·4 + 3]} for
     * three planes in and r below {@code planesOut}.
     */
    void mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int count);
}
