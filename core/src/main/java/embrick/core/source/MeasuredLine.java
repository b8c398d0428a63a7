package embrick.core.source;

import embrick.core.units.Length;
import embrick.core.units.Resolution;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;

/**
 * Two points of a picture whose distance on the original print or thing is known.
 *
 * @param x1 in seen pixels, as all four
 * @param length between them
 */
public record MeasuredLine(double x1, double y1, double x2, double y2, Length length) {
    /** Nearer to each other, the hand's own pixel is a tenth of the result. */
    public static final double SHORTEST = 10;

    public MeasuredLine {
        Objects.requireNonNull(length);
        if (!(Math.hypot(x2 - x1, y2 - y1) >= SHORTEST)) {
            throw new IllegalArgumentException(
                    "points: expected " + SHORTEST + " px apart or more, got " + Math.hypot(x2 - x1, y2 - y1));
        }
        if (!(length.toInches() > 0)) {
            throw new IllegalArgumentException("length: expected above 0, got " + length);
        }
    }

    /**
     * The ppi that gives the line its length, to a hundredth.
     *
     * @throws IllegalArgumentException if it is none that a file can be marked with
     */
    public BigDecimal ppi() {
        double ppi = Math.hypot(x2 - x1, y2 - y1) / length.toInches();
        if (!(ppi >= 1 && ppi <= Resolution.MAX_PER_INCH)) {
            throw new IllegalArgumentException("ppi: expected 1 to " + Resolution.MAX_PER_INCH + ", got " + ppi);
        }
        return BigDecimal.valueOf(ppi).setScale(2, RoundingMode.HALF_UP);
    }
}
