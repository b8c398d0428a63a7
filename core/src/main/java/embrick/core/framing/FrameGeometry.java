package embrick.core.framing;

import embrick.core.units.PixelSize;
import java.util.List;

/**
 * A frame of a given shape, held inside a picture that may be tilted under it.
 *
 * <p>Turned by θ, a frame w × h reaches w·cos θ + h·sin θ across and w·sin θ + h·cos θ down (θ taken positive). It is
 * inside when that box is: the picture's own axes are the box's. The loosest frame touches two rims; a tighter one leaves
 * its centre free within what is over. Where a frame may hang over the corners that a tilt leaves, it is held as if
 * nothing were tilted: tilt 0 is handed in.
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

    private double cos() {
        return Math.cos(Math.toRadians(tiltDegrees));
    }

    private double sin() {
        return Math.sin(Math.toRadians(Math.abs(tiltDegrees)));
    }

    /** How far the shape reaches across the picture, in its own unit. */
    public double reachAcross() {
        return shapeWidth * cos() + shapeHeight * sin();
    }

    /** How far the shape reaches down the picture. */
    public double reachDown() {
        return shapeWidth * sin() + shapeHeight * cos();
    }

    /** Seen pixels to one unit of the shape, at the loosest frame that is inside. */
    public double loosestScale() {
        return Math.min(seen.width() / reachAcross(), seen.height() / reachDown());
    }

    /**
     * Where the centre may be: x and y as fractions of the seen picture, extent = 1 ÷ tightness. Linear because the tilt
     * is fixed; the page clamps to them while a picture is dragged.
     */
    public List<HalfPlane> limits() {
        double halfAcross = loosestScale() * reachAcross() / 2 / seen.width();
        double halfDown = loosestScale() * reachDown() / 2 / seen.height();
        return List.of(
                HalfPlane.ofCentre(-1, 0, halfAcross, 0),
                HalfPlane.ofCentre(1, 0, halfAcross, 1),
                HalfPlane.ofCentre(0, -1, halfDown, 0),
                HalfPlane.ofCentre(0, 1, halfDown, 1),
                HalfPlane.ofCentre(0, 0, 1, 1),
                HalfPlane.ofCentre(0, 0, -1, -1 / Framing.TIGHTEST));
    }

    /**
     * As {@link #limits}, for a frame whose two sides are pulled by themselves: linear in the centre and in the sides, all
     * as fractions of the seen picture.
     */
    public List<HalfPlane> limitsOfSides() {
        double wide = (double) seen.width() / seen.height();
        double ownHalf = cos() / 2;
        double otherHalf = sin() / 2;
        return List.of(
                new HalfPlane(-1, 0, 0, ownHalf, otherHalf / wide, 0),
                new HalfPlane(1, 0, 0, ownHalf, otherHalf / wide, 1),
                new HalfPlane(0, -1, 0, otherHalf * wide, ownHalf, 0),
                new HalfPlane(0, 1, 0, otherHalf * wide, ownHalf, 1),
                new HalfPlane(0, 0, 0, 1, 0, 1),
                new HalfPlane(0, 0, 0, 0, 1, 1));
    }

    /** Nearest centre across, as a fraction, at which a frame of so many seen pixels to a unit of the shape is inside. */
    public double heldX(double x, double scale) {
        return held(x, scale * reachAcross() / 2 / seen.width());
    }

    /** As {@link #heldX}, downwards. */
    public double heldY(double y, double scale) {
        return held(y, scale * reachDown() / 2 / seen.height());
    }

    private static double held(double centre, double half) {
        double safe = Math.min(half, 0.5);
        return Math.clamp(centre, safe, 1 - safe);
    }
}
