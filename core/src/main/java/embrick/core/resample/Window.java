package embrick.core.resample;

import embrick.core.pixels.Orientation;
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

    /** Seen position of an output position (0..width, 0..height). */
    public double seenX(double u, double v) {
        double angle = Math.toRadians(-tiltDegrees);
        return centreX
                + scale
                        * (Math.cos(angle) * (u - output.width() / 2.0)
                                - Math.sin(angle) * (v - output.height() / 2.0));
    }

    /** As {@link #seenX}, downwards. */
    public double seenY(double u, double v) {
        double angle = Math.toRadians(-tiltDegrees);
        return centreY
                + scale
                        * (Math.sin(angle) * (u - output.width() / 2.0)
                                + Math.cos(angle) * (v - output.height() / 2.0));
    }
}
