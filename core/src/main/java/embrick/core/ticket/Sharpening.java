package embrick.core.ticket;

import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import java.util.Objects;

/** Sharpening for the paper, after the size is right. */
public sealed interface Sharpening {
    /** Edges stay as they are. */
    record None() implements Sharpening {}

    /** By the paper's kind, the ppi and the viewing distance; the planner's table gives the numbers. */
    record ForPaper(PaperKind paper) implements Sharpening {
        public ForPaper {
            Objects.requireNonNull(paper);
        }
    }

    /** For a screen, whose pixels are seen one for one: the radius is in pixels, whatever the ppi; the planner has the numbers. */
    record ForScreen() implements Sharpening {}

    /**
     * Edges drawn up by hand.
     *
     * @param strength 0 to 100
     * @param radius on paper: σ of the Gaussian that edges are held against
     * @param threshold in per cent of the range from black to white: flatter is spared
     */
    record Exact(int strength, Length radius, double threshold) implements Sharpening {
        public Exact {
            requireStrength(strength);
            requireRadius(radius, MOST_RADIUS);
            if (!(threshold >= 0 && threshold <= 20)) {
                throw new IllegalArgumentException("threshold: expected 0 to 20 %, got " + threshold);
            }
        }
    }

    /**
     * Contrast in a wide circle, for line art and flat forms.
     *
     * @param strength 0 to 100
     * @param radius on paper, as of {@link Exact}
     */
    record LocalContrast(int strength, Length radius) implements Sharpening {
        public LocalContrast {
            requireStrength(strength);
            requireRadius(radius, MOST_LOCAL_RADIUS);
        }
    }

    Length LEAST_RADIUS = Length.parse("0.02 mm", LengthUnit.MM);
    Length MOST_RADIUS = Length.parse("3 mm", LengthUnit.MM);
    Length MOST_LOCAL_RADIUS = Length.parse("20 mm", LengthUnit.MM);

    private static void requireStrength(int strength) {
        if (strength < 0 || strength > 100) {
            throw new IllegalArgumentException("strength: expected 0 to 100, got " + strength);
        }
    }

    private static void requireRadius(Length radius, Length most) {
        if (radius.compareTo(LEAST_RADIUS) < 0 || radius.compareTo(most) > 0) {
            throw new IllegalArgumentException(
                    "radius: expected " + LEAST_RADIUS + " to " + most + " on paper, got " + radius);
        }
    }
}
