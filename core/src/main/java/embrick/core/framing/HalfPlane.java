package embrick.core.framing;

/**
 * A limit of a framing: a·x + b·y + c·extent + width·w + height·h ≤ d.
 *
 * <p>x and y are the framing's centre and w and h the free shape's sides, as fractions of the oriented original; extent is
 * 1 ÷ tightness.
 */
public record HalfPlane(double a, double b, double c, double width, double height, double d) {
    /** A limit for a shape that cannot be pulled. */
    public static HalfPlane ofCentre(double a, double b, double c, double d) {
        return new HalfPlane(a, b, c, 0, 0, d);
    }

    /** The same limit before the picture was turned clockwise: the centre (x, y) became (1 − y, x). */
    public HalfPlane beforeQuarterTurn() {
        return new HalfPlane(b, -a, c, height, width, d - a);
    }

    /** The same limit before the picture was mirrored: x became 1 − x. */
    public HalfPlane beforeMirror() {
        return new HalfPlane(-a, b, c, width, height, d - a);
    }

    /** Within {@code slack} of being kept by a shape that cannot be pulled. */
    public boolean holds(double x, double y, double extent, double slack) {
        return a * x + b * y + c * extent <= d + slack;
    }

    /** Within {@code slack} of being kept by a framing. */
    public boolean holds(Framing framing, double slack) {
        Framing.FreeSides sides = framing.free().orElse(Framing.FreeSides.WHOLE);
        double reach = width * sides.width() + height * sides.height();
        return a * framing.centreX() + b * framing.centreY() + c / framing.tightness() + reach <= d + slack;
    }
}
