package embrick.core.edge;

import embrick.core.pixels.PixelRect;

/**
 * A straight mark in pixels of the total: black, with white along both sides so that it shows on any ground.
 *
 * @param width of the black; the white is as wide on either side
 */
public record Stroke(double x1, double y1, double x2, double y2, double width) {
    /** The pixels it may touch, white included. */
    PixelRect reach() {
        double around = 1.5 * width + 1;
        int left = (int) Math.floor(Math.min(x1, x2) - around);
        int top = (int) Math.floor(Math.min(y1, y2) - around);
        int right = (int) Math.ceil(Math.max(x1, x2) + around);
        int bottom = (int) Math.ceil(Math.max(y1, y2) + around);
        return new PixelRect(left, top, right - left, bottom - top);
    }

    /** How far the middle of a pixel lies beside the mark's middle line; endless past its ends. */
    private double beside(double x, double y) {
        double dx = x2 - x1;
        double dy = y2 - y1;
        double length = Math.hypot(dx, dy);
        double along = ((x - x1) * dx + (y - y1) * dy) / length;
        return along < 0 || along > length
                ? Double.POSITIVE_INFINITY
                : Math.abs((x - x1) * dy - (y - y1) * dx) / length;
    }

    /** How much of a pixel is black, 0 to 1. */
    float black(int x, int y) {
        return (float) Math.clamp(width / 2 + 0.5 - beside(x + 0.5, y + 0.5), 0, 1);
    }

    /** How much of a pixel is black or white, 0 to 1. */
    float inked(int x, int y) {
        return (float) Math.clamp(1.5 * width + 0.5 - beside(x + 0.5, y + 0.5), 0, 1);
    }
}
