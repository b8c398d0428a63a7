package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import embrick.core.found.scan.Rectangle.Place;

/**
 * Goes across one side of a rectangle, from outside inwards.
 *
 * @param from where the side begins
 * @param alongX the side's direction, of length 1; inwards is a quarter turn clockwise from it
 * @param length of the side, in pixels
 */
record Across(Place from, double alongX, double alongY, double length) {
    /** @param number 0 top, 1 right, 2 bottom, 3 left, each with the picture at its right hand */
    static Across side(Rectangle of, int number) {
        Place from = of.corners().get(number);
        Place to = of.corners().get((number + 1) % 4);
        double length = Math.hypot(to.x() - from.x(), to.y() - from.y());
        return new Across(from, (to.x() - from.x()) / length, (to.y() - from.y()) / length, length);
    }

    double x(double along, double inwards) {
        return from.x() + along * alongX - inwards * alongY;
    }

    double y(double along, double inwards) {
        return from.y() + along * alongY + inwards * alongX;
    }

    boolean isWithin(SmallPixels scan, double along, double inwards) {
        double x = x(along, inwards);
        double y = y(along, inwards);
        return x >= 0 && y >= 0 && x <= scan.width() && y <= scan.height();
    }
}
