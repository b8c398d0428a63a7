package embrick.core.found.scan;

import java.util.List;

/**
 * A rectangle that stands aslant in a picture.
 *
 * @param centreX pixels from the picture's left, {@code centreY} from its top
 * @param width along its own level side, in pixels
 * @param degrees its level side falls to the right by these: clockwise, −45 to 45
 */
public record Rectangle(double centreX, double centreY, double width, double height, double degrees) {
    double cos() {
        return Math.cos(Math.toRadians(degrees));
    }

    double sin() {
        return Math.sin(Math.toRadians(degrees));
    }

    /** The same, every side nearer by so many pixels. */
    public Rectangle inside(double pixels) {
        return new Rectangle(
                centreX, centreY, Math.max(1, width - 2 * pixels), Math.max(1, height - 2 * pixels), degrees);
    }

    boolean holds(double x, double y) {
        double dx = x - centreX;
        double dy = y - centreY;
        return Math.abs(dx * cos() + dy * sin()) < width / 2 && Math.abs(dy * cos() - dx * sin()) < height / 2;
    }

    /** The same in a picture enlarged by two factors that differ by rounding only. */
    public Rectangle scaled(double across, double down) {
        return new Rectangle(centreX * across, centreY * down, width * across, height * down, degrees);
    }

    public Rectangle moved(double right, double down) {
        return new Rectangle(centreX + right, centreY + down, width, height, degrees);
    }

    public double shortSide() {
        return Math.min(width, height);
    }

    /** A place from its own axes, seen from its centre, to the picture's. */
    Place place(double along, double down) {
        return new Place(centreX + along * cos() - down * sin(), centreY + along * sin() + down * cos());
    }

    /** Left top, right top, right bottom, left bottom. */
    public List<Place> corners() {
        return List.of(
                place(-width / 2, -height / 2),
                place(width / 2, -height / 2),
                place(width / 2, height / 2),
                place(-width / 2, height / 2));
    }

    /** In pixels of the picture. */
    public record Place(double x, double y) {}

    /** The smallest rectangle about some places, one of whose sides lies on their convex hull (H. Freeman and R. Shapira, 1975, from memory). */
    static Rectangle about(List<Place> hull) {
        Rectangle best = null;
        for (int i = 0; i < hull.size(); i++) {
            Place from = hull.get(i);
            Place to = hull.get((i + 1) % hull.size());
            double slope = Math.toDegrees(Math.atan2(to.y() - from.y(), to.x() - from.x()));
            Rectangle one = about(hull, slope - 90 * Math.rint(slope / 90));
            if (best == null || one.width() * one.height() < best.width() * best.height()) {
                best = one;
            }
        }
        return best;
    }

    static Rectangle about(List<Place> places, double degrees) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (Place place : places) {
            double along = place.x() * cos + place.y() * sin;
            double down = -place.x() * sin + place.y() * cos;
            left = Math.min(left, along);
            right = Math.max(right, along);
            top = Math.min(top, down);
            bottom = Math.max(bottom, down);
        }
        double along = (left + right) / 2;
        double down = (top + bottom) / 2;
        return new Rectangle(along * cos - down * sin, along * sin + down * cos, right - left, bottom - top, degrees);
    }
}
