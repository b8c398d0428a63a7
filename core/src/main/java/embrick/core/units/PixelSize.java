package embrick.core.units;

/** A whole number of pixels each way, at least 1 × 1. */
public record PixelSize(int width, int height) {
    public PixelSize {
        if (width < 1 || height < 1) {
            throw new IllegalArgumentException("pixel size: expected 1 × 1 or more, got " + width + " × " + height);
        }
    }

    public long pixels() {
        return Math.multiplyExact((long) width, (long) height);
    }

    /** Weight unpacked: width × height × channels × bytes a channel. */
    public long bytes(int channels, int bytesPerChannel) {
        return Math.multiplyExact(pixels(), Math.multiplyExact((long) channels, (long) bytesPerChannel));
    }

    @SuppressWarnings("ArgumentSelectionDefectChecker") // swapping is the point
    public PixelSize turned() {
        return new PixelSize(height, width);
    }

    public boolean isWide() {
        return width > height;
    }

    public boolean isUpright() {
        return height > width;
    }

    @Override
    public String toString() {
        return width + " × " + height;
    }
}
