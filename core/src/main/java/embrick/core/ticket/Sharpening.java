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

    /**
     * A known blur taken back.
     *
     * @param blurred how points were spread, in the original's own pixels
     * @param strength 1 to 100: how many steps are taken towards the sharp picture
     * @param grain in per cent of the range from black to white, 0 to 5: detail that is no stronger is left alone
     */
    record BlurUndone(Blurred blurred, int strength, double grain) implements Sharpening {
        public BlurUndone {
            Objects.requireNonNull(blurred);
            if (strength < 1 || strength > 100) {
                throw new IllegalArgumentException("strength: expected 1 to 100, got " + strength);
            }
            Blurred.require("grain", grain, 0, 5);
        }
    }

    /** How the original's points were spread, in its own pixels. */
    sealed interface Blurred {
        /**
         * Out of focus, nearly as a Gaussian.
         *
         * @param radius its σ in pixels, 0.3 to 10
         */
        record OutOfFocus(double radius) implements Blurred {
            public OutOfFocus {
                require("radius", radius, 0.3, 10);
            }
        }

        /**
         * Along a straight line.
         *
         * @param length in pixels, 1 to 60
         * @param degrees clockwise from the right, −180 to 180, in the picture upright as its file says
         */
        record Moved(double length, double degrees) implements Blurred {
            public Moved {
                require("length", length, 1, 60);
                require("degrees", degrees, -180, 180);
            }
        }

        static void require(String name, double value, double low, double high) {
            if (!(value >= low && value <= high)) {
                throw new IllegalArgumentException(name + ": expected " + low + " to " + high + ", got " + value);
            }
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
