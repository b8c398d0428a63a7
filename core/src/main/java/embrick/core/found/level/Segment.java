package embrick.core.found.level;

/**
 * A straight piece of a contour.
 *
 * @param x1 one end, in pixels of the picture looked at; a level one runs to the right, an upright one down
 * @param leans degrees clockwise from level or upright, −45 to 45
 * @param isUpright whether upright is nearer than level
 * @param contrast mean slope along it, of the range to a pixel
 */
public record Segment(double x1, double y1, double x2, double y2, double leans, boolean isUpright, double contrast) {
    public double length() {
        return Math.hypot(x2 - x1, y2 - y1);
    }
}
