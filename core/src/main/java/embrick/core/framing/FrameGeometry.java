package embrick.core.framing;

import embrick.core.units.PixelSize;
import java.util.List;

/**
 * A frame of a given shape, held inside a picture that may be tilted under it.
 *
 * <p>Turned by θ, a frame w × h reaches w·cos θ + h·sin θ across and w·sin θ + h·cos θ down (θ taken positive). It is
 * inside when that box is: the picture's own axes are the box's. The loosest frame touches two rims; a tighter one leaves
 * its centre free within what is over.
 *
 * @param seen the picture as it is seen, after turns and mirrors
 * @param shapeWidth the frame's sides in any unit; only their ratio counts
 */
public record FrameGeometry(PixelSize seen, double shapeWidth, double shapeHeight, double tiltDegrees) {
    public FrameGeometry {
        if (!(shapeWidth > 0) || !(shapeHeight > 0)) {
            throw new IllegalArgumentException(
                    "frame: expected sides above 0, got " + shapeWidth + " × " + shapeHeight);
        }
    }

    /** How far the shape reaches across the picture, in its own unit. */
    public double reachAcross() {
        double angle = Math.toRadians(Math.abs(tiltDegrees));
        return shapeWidth * Math.cos(angle) + shapeHeight * Math.sin(angle);
    }

    /** How far the shape reaches down the picture. */
    public double reachDown() {
        double angle = Math.toRadians(Math.abs(tiltDegrees));
        return shapeWidth * Math.sin(angle) + shapeHeight * Math.cos(angle);
    }

    /** Seen pixels to one unit of the shape, at the loosest frame that is inside. */
    public double loosestScale() {
        return Math.min(seen.width() / reachAcross(), seen.height() / reachDown());
    }

    /**
     * Where the centre may be, as half-planes a·x + b·y + c·extent ≤ d: x and y as fractions of the seen picture, extent
     * = 1 ÷ tightness. Linear because the tilt is fixed; the page clamps to them while a picture is dragged.
     */
    public List<HalfPlane> limits() {
        double halfAcross = loosestScale() * reachAcross() / 2 / seen.width();
        double halfDown = loosestScale() * reachDown() / 2 / seen.height();
        return List.of(
                new HalfPlane(-1, 0, halfAcross, 0),
                new HalfPlane(1, 0, halfAcross, 1),
                new HalfPlane(0, -1, halfDown, 0),
                new HalfPlane(0, 1, halfDown, 1),
                new HalfPlane(0, 0, 1, 1),
                new HalfPlane(0, 0, -1, -1 / Framing.TIGHTEST));
    }

    /** Nearest centre across, as a fraction, at which a frame of this extent is inside. */
    public double heldX(double x, double extent) {
        return held(x, extent * loosestScale() * reachAcross() / 2 / seen.width());
    }

    /** As {@link #heldX}, downwards. */
    public double heldY(double y, double extent) {
        return held(y, extent * loosestScale() * reachDown() / 2 / seen.height());
    }

    private static double held(double centre, double half) {
        double safe = Math.min(half, 0.5);
        return Math.clamp(centre, safe, 1 - safe);
    }

    /** a·x + b·y + c·extent ≤ d. */
    public record HalfPlane(double a, double b, double c, double d) {
        /** The same limit on the centre before the picture was turned clockwise: (x, y) became (1 − y, x). */
        public HalfPlane beforeQuarterTurn() {
            return new HalfPlane(b, -a, c, d - a);
        }

        /** The same limit on the centre before the picture was mirrored: x became 1 − x. */
        public HalfPlane beforeMirror() {
            return new HalfPlane(-a, b, c, d - a);
        }

        /** Within {@code slack} of being kept. */
        public boolean holds(double x, double y, double extent, double slack) {
            return a * x + b * y + c * extent <= d + slack;
        }
    }
}
