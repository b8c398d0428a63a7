package embrick.core.units;

import java.util.Objects;

/**
 * Pixels, size in print and ppi: one relation, pixels = inches × ppi. Fix two, and the third follows. The sides keep their shape
 * through any number of changes.
 *
 * @param shape the pixels whose shape is kept
 * @param pixels that there are
 */
public record PrintRelation(PixelSize shape, PixelSize pixels, Resolution ppi) {
    /** Which of the three stays when another is changed. */
    public enum Held {
        PIXELS,
        SIZE,
        PPI
    }

    /** One of the two sides. */
    public enum Side {
        WIDTH,
        HEIGHT
    }

    public PrintRelation {
        Objects.requireNonNull(shape);
        Objects.requireNonNull(pixels);
        Objects.requireNonNull(ppi);
    }

    public static PrintRelation of(PixelSize pixels, Resolution ppi) {
        return new PrintRelation(pixels, pixels, ppi);
    }

    /** How long a side is in print, to the nearest 1/914 400 inch. */
    public Length length(Side side, LengthUnit unit) {
        return ppi.lengthOf(pixels(side), unit);
    }

    public int pixels(Side side) {
        return side == Side.WIDTH ? pixels.width() : pixels.height();
    }

    /**
     * Another ppi: with the pixels held no pixel changes and the print gets another size; with the size held new pixels are made.
     *
     * @throws IllegalArgumentException if the ppi itself is held
     */
    public PrintRelation withPpi(Resolution other, Held held) {
        return switch (held) {
            case PIXELS -> new PrintRelation(shape, pixels, other);
            case SIZE -> sized(Side.WIDTH, other.pixelsFor(length(Side.WIDTH, LengthUnit.IN)), other);
            case PPI -> throw cannot("ppi", held);
        };
    }

    /**
     * A side of another length in print: with the pixels held the ppi follows; with the ppi held new pixels are made.
     *
     * @throws IllegalArgumentException if the size itself is held, or the ppi that follows is beyond any device's
     */
    public PrintRelation withLength(Side side, Length length, Held held) {
        if (length.isZero()) {
            throw new IllegalArgumentException("length: expected more than 0, got " + length);
        }
        return switch (held) {
            case PIXELS -> new PrintRelation(shape, pixels, new Resolution(pixels(side), length.parts()));
            case PPI -> sized(side, ppi.pixelsFor(length), ppi);
            case SIZE -> throw cannot("size", held);
        };
    }

    /**
     * Other pixels along a side: with the ppi held the print gets another size; with the size held the ppi follows.
     *
     * @throws IllegalArgumentException if the pixels themselves are held
     */
    public PrintRelation withPixels(Side side, int count, Held held) {
        return switch (held) {
            case PPI -> sized(side, count, ppi);
            case SIZE ->
                sized(
                        side,
                        count,
                        new Resolution(count, length(side, LengthUnit.IN).parts()));
            case PIXELS -> throw cannot("pixels", held);
        };
    }

    private PrintRelation sized(Side side, int count, Resolution other) {
        double perPixel = (double) count / (side == Side.WIDTH ? shape.width() : shape.height());
        PixelSize made = side == Side.WIDTH
                ? new PixelSize(count, whole(shape.height() * perPixel))
                : new PixelSize(whole(shape.width() * perPixel), count);
        return new PrintRelation(shape, made, other);
    }

    private static int whole(double pixels) {
        return (int) Math.clamp(Math.round(pixels), 1, Integer.MAX_VALUE);
    }

    private static IllegalArgumentException cannot(String what, Held held) {
        return new IllegalArgumentException("held: expected another than what is changed, " + what + ", got " + held);
    }
}
