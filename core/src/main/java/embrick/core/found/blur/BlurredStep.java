package embrick.core.found.blur;

/**
 * A straight edge: {@code tone(x, y) = low + (high − low) · Φ(d / spread)}, where d is the distance from the edge's line in
 * pixels, positive on the high side, and Φ the normal distribution.
 *
 * @param x a place on the line, in pixels of the spot, {@code y} likewise; pixel centres at whole numbers
 * @param radians the direction across the edge, to its high side
 * @param rest root of the mean square of what the fit leaves
 */
record BlurredStep(double x, double y, double radians, double low, double high, double spread, double rest) {
    /** Begins where tones change fastest within so many pixels of the middle, across the mean direction there. */
    static BlurredStep steepest(Spot spot, int near) {
        int middle = spot.side() / 2;
        double most = -1;
        int bestX = middle;
        int bestY = middle;
        for (int y = middle - near; y <= middle + near; y++) {
            for (int x = middle - near; x <= middle + near; x++) {
                double across = slope(spot, x, y, 1, 0);
                double down = slope(spot, x, y, 0, 1);
                // Of two alike, the nearer.
                double off = Math.hypot(x - middle, y - middle) / near;
                double steep = Math.hypot(across, down) * (1 - 0.5 * off);
                if (steep > most) {
                    most = steep;
                    bestX = x;
                    bestY = y;
                }
            }
        }
        double radians = Math.atan2(slope(spot, bestX, bestY, 0, 1), slope(spot, bestX, bestY, 1, 0));
        return new BlurredStep(bestX, bestY, radians, 0, 1, 1.5, 0);
    }

    /** The mean slope along one axis over 5 pixels by 3. */
    private static double slope(Spot spot, int x, int y, int dx, int dy) {
        double sum = 0;
        for (int side = -1; side <= 1; side++) {
            for (int step = 1; step <= 2; step++) {
                int px = x + side * dy;
                int py = y + side * dx;
                sum += spot.at(px + step * dx, py + step * dy) - spot.at(px - step * dx, py - step * dy);
            }
        }
        return sum / 18;
    }

    double distance(double px, double py) {
        return (px - x) * Math.cos(radians) + (py - y) * Math.sin(radians);
    }

    double along(double px, double py) {
        return (py - y) * Math.cos(radians) - (px - x) * Math.sin(radians);
    }
}
