package embrick.core.edge;

import embrick.core.pixels.PixelRect;
import embrick.core.units.PixelSize;

/** Whole pixels on each side of a rectangle, 0 or more. */
public record Bands(int left, int top, int right, int bottom) {
    public static final Bands NONE = new Bands(0, 0, 0, 0);

    public Bands {
        if (left < 0 || top < 0 || right < 0 || bottom < 0) {
            throw new IllegalArgumentException("bands: expected 0 or more, got " + left + ", " + top + ", " + right
                    + ", " + bottom + " (left, top, right, bottom)");
        }
    }

    public boolean isNone() {
        return equals(NONE);
    }

    public int narrowest() {
        return Math.min(Math.min(left, right), Math.min(top, bottom));
    }

    /** A size with its bands round it. */
    public PixelSize around(PixelSize size) {
        return new PixelSize(
                Math.addExact(size.width(), Math.addExact(left, right)),
                Math.addExact(size.height(), Math.addExact(top, bottom)));
    }

    /** A rectangle of what lies inside the bands, as one of the total. */
    public PixelRect onTotal(PixelRect inside) {
        return new PixelRect(inside.x() + left, inside.y() + top, inside.width(), inside.height());
    }
}
