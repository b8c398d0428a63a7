package embrick.core.ticket;

import embrick.core.paper.PaperSize;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import java.math.BigDecimal;
import java.util.Objects;

/** One measure of a piece that keeps its picture's shape; the other side follows. */
public sealed interface Measure {
    /** Which side is said. */
    enum Side {
        WIDTH,
        HEIGHT,
        LONG,
        SHORT
    }

    /** Most pixels of a side that are taken: beyond any file of {@code PlanLimits}. */
    int MOST_PIXELS = 300_000;

    /** A side in pixels, met exactly. */
    record SidePixels(Side side, int pixels) implements Measure {
        public SidePixels {
            Objects.requireNonNull(side);
            requirePixels("side", pixels);
        }
    }

    /** A side in paper, at the ticket's ppi, met to the nearest pixel. */
    record SideLength(Side side, Length length) implements Measure {
        public SideLength {
            Objects.requireNonNull(side);
            Objects.requireNonNull(length);
            if (length.compareTo(PaperSize.SMALLEST) < 0 || length.compareTo(PaperSize.LONGEST) > 0) {
                throw new IllegalArgumentException(
                        "side: expected " + PaperSize.SMALLEST + " to " + PaperSize.LONGEST + ", got " + length);
            }
        }
    }

    /** Within a box of pixels, as it is said: {@code width} across, {@code height} down. */
    record Within(PixelSize box) implements Measure {
        public Within {
            Objects.requireNonNull(box);
            requirePixels("box", box.width());
            requirePixels("box", box.height());
        }
    }

    /** So many million pixels, as nearly as whole sides let it. */
    record Megapixels(BigDecimal millions) implements Measure {
        public Megapixels {
            if (millions.compareTo(new BigDecimal("0.0001")) < 0 || millions.compareTo(BigDecimal.valueOf(1000)) > 0) {
                throw new IllegalArgumentException(
                        "megapixels: expected 0.0001 to 1000, got " + millions.toPlainString());
            }
        }
    }

    /** Per cent of the pixels that the picture has along each side. */
    record Percent(BigDecimal percent) implements Measure {
        public Percent {
            if (percent.compareTo(new BigDecimal("0.1")) < 0 || percent.compareTo(BigDecimal.valueOf(1600)) > 0) {
                throw new IllegalArgumentException("per cent: expected 0.1 to 1600, got " + percent.toPlainString());
            }
        }
    }

    private static void requirePixels(String name, int pixels) {
        if (pixels < 1 || pixels > MOST_PIXELS) {
            throw new IllegalArgumentException(name + ": expected 1 to " + MOST_PIXELS + " px, got " + pixels + " px");
        }
    }
}
