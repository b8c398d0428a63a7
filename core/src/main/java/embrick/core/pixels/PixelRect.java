package embrick.core.pixels;

import embrick.core.units.PixelSize;

/** A rectangle of whole pixels; {@code x} and {@code y} may lie anywhere, the sides are at least 1. */
public record PixelRect(int x, int y, int width, int height) {
    public PixelRect {
        if (width < 1 || height < 1) {
            throw new IllegalArgumentException("rectangle: expected 1 × 1 or more, got " + width + " × " + height);
        }
    }

    public static PixelRect whole(PixelSize size) {
        return new PixelRect(0, 0, size.width(), size.height());
    }

    public int right() {
        return x + width;
    }

    public int bottom() {
        return y + height;
    }

    public boolean contains(int pixelX, int pixelY) {
        return pixelX >= x && pixelY >= y && pixelX < right() && pixelY < bottom();
    }

    public boolean contains(PixelRect other) {
        return other.x >= x && other.y >= y && other.right() <= right() && other.bottom() <= bottom();
    }

    public boolean isInside(PixelSize size) {
        return x >= 0 && y >= 0 && right() <= size.width() && bottom() <= size.height();
    }

    /** Whether a whole picture of the size, its corner at 0, lies inside this rectangle. */
    public boolean covers(PixelSize size) {
        return x <= 0 && y <= 0 && right() >= size.width() && bottom() >= size.height();
    }
}
