package embrick.core.sharpen;

import java.util.Objects;
import java.util.Optional;

/**
 * A known blur taken back, in so many steps after Richardson (1972) and Lucy (1974), where the picture's detail stands above
 * a threshold; what is flatter than that is left, or its grain would grow.
 *
 * @param spread how a point was spread
 * @param steps 1 to {@link #MOST_STEPS}; more come nearer to the sharp picture, and to its noise
 * @param threshold of luminance, 0 to 1: the deviation of grain that is left alone
 */
public record Deconvolution(Spread spread, int steps, double threshold) implements SharpeningSettings {
    public static final int MOST_STEPS = 24;

    public Deconvolution {
        Objects.requireNonNull(spread);
        SharpeningSettings.require("steps", steps, 1, MOST_STEPS);
        SharpeningSettings.require("threshold", threshold, 0, 1);
    }

    @Override
    public double sigmaPixels() {
        return spread.sigmaPixels();
    }

    /** About what one thread keeps in memory while it undoes this blur in rows of so many pixels. */
    public long bytes(int width) {
        int reach = switch (spread) {
            case Spread.Gaussian out -> (int) Math.ceil(3.5 * out.sigmaPixels());
            case Spread.Line line -> (int) Math.ceil(line.lengthPixels() / 2) + 1;
        };
        // Four rings of twice the reach in each round, and the rows that all rounds together look over, twice.
        long rows = (long) steps * (8L * reach + 12) + 2L * (4L * reach * steps + 64);
        return rows * width * Float.BYTES;
    }

    @Override
    public Optional<SharpeningSettings> reduced(double reduction) {
        return spread.reduced(reduction).map(other -> new Deconvolution(other, steps, threshold));
    }

    /** How a point was spread over its neighbours, in output pixels. */
    public sealed interface Spread {
        /** Narrower, there is nothing to take back. */
        double LEAST_SIGMA = 0.3;

        double MOST_SIGMA = 7.5;
        double LEAST_LENGTH = 1;
        double MOST_LENGTH = 60;

        double sigmaPixels();

        /** The same in pixels that are so many times larger; empty where there is nothing left to take back. */
        Optional<Spread> reduced(double reduction);

        /** As an eye or a lens that is out of focus spreads it, nearly. */
        record Gaussian(double sigmaPixels) implements Spread {
            public Gaussian {
                SharpeningSettings.require("sigmaPixels", sigmaPixels, LEAST_SIGMA, MOST_SIGMA);
            }

            @Override
            public Optional<Spread> reduced(double reduction) {
                double sigma = sigmaPixels / reduction;
                return sigma < LEAST_SIGMA ? Optional.empty() : Optional.of(new Gaussian(sigma));
            }
        }

        /**
         * Evenly along a straight line, as a camera or a thing that moves.
         *
         * @param degrees clockwise from the right; a line has no direction, so that 0 and 180 are the same
         */
        record Line(double lengthPixels, double degrees) implements Spread {
            public Line {
                SharpeningSettings.require("lengthPixels", lengthPixels, LEAST_LENGTH, MOST_LENGTH);
                SharpeningSettings.require("degrees", degrees, -360, 360);
            }

            /** The deviation of a line's points along it. */
            @Override
            public double sigmaPixels() {
                return lengthPixels / Math.sqrt(12);
            }

            @Override
            public Optional<Spread> reduced(double reduction) {
                double length = lengthPixels / reduction;
                return length < LEAST_LENGTH ? Optional.empty() : Optional.of(new Line(length, degrees));
            }
        }
    }
}
