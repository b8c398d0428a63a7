package embrick.core.framing;

import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;

/** How much of a frame lies on its picture. */
public final class Overlap {
    private Overlap() {}

    private record Corner(double x, double y) {}

    /**
     * The area that a tilted frame and its picture have in common, in seen pixels².
     *
     * <p>Source: Sutherland and Hodgman, Reentrant polygon clipping, 1974; the area by the shoelace formula.
     *
     * @param corners of the frame, one after the other, as x, y
     */
    public static double area(PixelSize picture, double[][] corners) {
        List<Corner> shape = new ArrayList<>();
        for (double[] corner : corners) {
            shape.add(new Corner(corner[0], corner[1]));
        }
        shape = cut(shape, 1, 0, 0);
        shape = cut(shape, -1, 0, -picture.width());
        shape = cut(shape, 0, 1, 0);
        shape = cut(shape, 0, -1, -picture.height());
        return area(shape);
    }

    /** What lies where a·x + b·y ≥ d. */
    private static List<Corner> cut(List<Corner> shape, double a, double b, double d) {
        List<Corner> kept = new ArrayList<>();
        for (int i = 0; i < shape.size(); i++) {
            Corner from = shape.get(i);
            Corner to = shape.get((i + 1) % shape.size());
            double before = a * from.x() + b * from.y() - d;
            double after = a * to.x() + b * to.y() - d;
            if (before >= 0) {
                kept.add(from);
            }
            if (before >= 0 != after >= 0) {
                double share = before / (before - after);
                kept.add(new Corner(from.x() + share * (to.x() - from.x()), from.y() + share * (to.y() - from.y())));
            }
        }
        return kept;
    }

    private static double area(List<Corner> shape) {
        double twice = 0;
        for (int i = 0; i < shape.size(); i++) {
            Corner from = shape.get(i);
            Corner to = shape.get((i + 1) % shape.size());
            twice += from.x() * to.y() - to.x() * from.y();
        }
        return Math.abs(twice) / 2;
    }
}
