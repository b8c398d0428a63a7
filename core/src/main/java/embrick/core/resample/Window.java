package embrick.core.resample;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.units.PixelSize;
import java.util.Objects;

/**
 * Where an output sits in the picture as it is seen.
 *
 * <p>Output pixel (u, v), its centre at u + ½, v + ½, shows the seen position
 * {@code centre + scale · R(−tilt) · (u + ½ − width/2, v + ½ − height/2)}. One scale serves both axes, so nothing can be
 * squashed. A positive tilt turns the picture clockwise under the sheet.
 *
 * @param seenAs how stored pixels are seen: the file's tag joined with turns and mirrors asked for
 * @param output pixels made
 * @param centreX seen pixels from the left rim, {@code centreY} from the top; pixel centres are at half-integers
 * @param scale seen pixels to one output pixel, above 1 when shrinking
 * @param tiltDegrees clockwise
 */
public record Window(
        Orientation seenAs, PixelSize output, double centreX, double centreY, double scale, double tiltDegrees) {
    public Window {
        Objects.requireNonNull(seenAs);
        Objects.requireNonNull(output);
        if (!(scale > 0) || Double.isInfinite(scale)) {
            throw new IllegalArgumentException("scale: expected above 0, got " + scale);
        }
        if (!Double.isFinite(centreX) || !Double.isFinite(centreY) || !Double.isFinite(tiltDegrees)) {
            throw new IllegalArgumentException(
                    "window: expected finite numbers, got " + centreX + ", " + centreY + ", " + tiltDegrees);
        }
    }

    public boolean isTilted() {
        return tiltDegrees != 0;
    }

    /** Where the output's left rim lies in the seen picture when nothing is tilted. */
    double originX() {
        return centreX - scale * output.width() / 2.0;
    }

    double originY() {
        return centreY - scale * output.height() / 2.0;
    }

    /** Whether every output pixel is one of a seen picture's own: scale 1, no tilt, on whole pixels inside it. */
    public boolean keepsPixels(PixelSize seen) {
        boolean wholePixels = originX() == Math.rint(originX()) && originY() == Math.rint(originY());
        return scale == 1
                && !isTilted()
                && wholePixels
                && originX() >= 0
                && originY() >= 0
                && originX() + output.width() <= seen.width()
                && originY() + output.height() <= seen.height();
    }

    double cos() {
        return Math.cos(Math.toRadians(-tiltDegrees));
    }

    double sin() {
        return Math.sin(Math.toRadians(-tiltDegrees));
    }

    /** Seen position of an output position (0..width, 0..height). */
    public double seenX(double u, double v) {
        return centreX + scale * (cos() * (u - output.width() / 2.0) - sin() * (v - output.height() / 2.0));
    }

    /** As {@link #seenX}, downwards. */
    public double seenY(double u, double v) {
        return centreY + scale * (sin() * (u - output.width() / 2.0) + cos() * (v - output.height() / 2.0));
    }

    /** The seen pixels that a part of the output reads with a kernel of the given radius; at least one. */
    PixelRect sourceArea(PixelRect part, double radius, PixelSize seen) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (int corner = 0; corner < 4; corner++) {
            double u = (corner & 1) == 0 ? part.x() : part.right();
            double v = (corner & 2) == 0 ? part.y() : part.bottom();
            // Positions outside the picture are read as its rim.
            double x = Math.clamp(seenX(u, v), 0, seen.width());
            double y = Math.clamp(seenY(u, v), 0, seen.height());
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
        }
        int x0 = Math.clamp((long) Math.floor(left - radius - 1), 0, seen.width() - 1);
        int y0 = Math.clamp((long) Math.floor(top - radius - 1), 0, seen.height() - 1);
        int x1 = Math.clamp((long) Math.ceil(right + radius + 1), x0 + 1, seen.width());
        int y1 = Math.clamp((long) Math.ceil(bottom + radius + 1), y0 + 1, seen.height());
        return new PixelRect(x0, y0, x1 - x0, y1 - y0);
    }
}
