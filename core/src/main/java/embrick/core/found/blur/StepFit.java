package embrick.core.found.blur;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Fits a {@link BlurredStep} to the pixels round it: Gauss and Newton's steps on direction, place and spread, damped after Marquardt. */
final class StepFit {
    private static final int STEPS = 30;
    /** Unknowns: direction, place across, spread; the two tones follow from them. */
    private static final int UNKNOWN = 3;

    private static final double NARROWEST = 0.2;

    private StepFit() {}

    private record Pixel(double along, double across, double tone) {}

    /** @return empty where too few pixels lie inside the spot, or nothing fits */
    static Optional<BlurredStep> fit(Spot spot, BlurredStep begun, int along, double reach) {
        List<Pixel> pixels = pixels(spot, begun, along, reach);
        if (pixels.size() < 2 * along * reach) {
            return Optional.empty();
        }
        double[] unknown = {0, 0, begun.spread()};
        double least = Tones.of(pixels, unknown).squares();
        double damping = 1e-2;
        for (int step = 0; step < STEPS; step++) {
            double[] better = stepped(pixels, unknown, damping);
            double squares = better[2] < NARROWEST
                    ? Double.MAX_VALUE
                    : Tones.of(pixels, better).squares();
            if (squares < least) {
                boolean isDone = least - squares < 1e-7 * least;
                unknown = better;
                least = squares;
                damping /= 4;
                if (isDone) {
                    break;
                }
            } else {
                damping *= 6;
            }
        }
        if (Math.abs(unknown[1]) > reach || Math.abs(unknown[0]) > 1) {
            return Optional.empty();
        }
        return Optional.of(found(begun, unknown, Tones.of(pixels, unknown), pixels.size()));
    }

    private static BlurredStep found(BlurredStep begun, double[] unknown, Tones tones, int count) {
        double radians = begun.radians() + unknown[0];
        double rest = Math.sqrt(tones.squares() / Math.max(1, count - 5));
        double x = begun.x() + unknown[1] * Math.cos(begun.radians());
        double y = begun.y() + unknown[1] * Math.sin(begun.radians());
        return new BlurredStep(x, y, radians, tones.low(), tones.high(), unknown[2], rest);
    }

    private static List<Pixel> pixels(Spot spot, BlurredStep step, int along, double reach) {
        List<Pixel> pixels = new ArrayList<>();
        for (int y = 0; y < spot.side(); y++) {
            for (int x = 0; x < spot.side(); x++) {
                double beside = step.along(x, y);
                double across = step.distance(x, y);
                if (Math.abs(beside) <= along && Math.abs(across) <= reach) {
                    pixels.add(new Pixel(beside, across, spot.at(x, y)));
                }
            }
        }
        return pixels;
    }

    /** Distance from the edge that the unknowns say, over its spread. */
    private static double scaled(Pixel pixel, double[] unknown) {
        double distance = (pixel.across() - unknown[1]) * Math.cos(unknown[0]) + pixel.along() * Math.sin(unknown[0]);
        return distance / unknown[2];
    }

    /** The tones of both sides that leave least, and what they leave. */
    private record Tones(double low, double high, double squares) {
        static Tones of(List<Pixel> pixels, double[] unknown) {
            double ones = pixels.size();
            double rises = 0;
            double riseSquares = 0;
            double tones = 0;
            double products = 0;
            for (Pixel pixel : pixels) {
                double rise = normal(scaled(pixel, unknown));
                rises += rise;
                riseSquares += rise * rise;
                tones += pixel.tone();
                products += rise * pixel.tone();
            }
            double determinant = ones * riseSquares - rises * rises;
            double height = determinant < 1e-9 ? 0 : (ones * products - rises * tones) / determinant;
            double low = (tones - height * rises) / ones;
            double squares = 0;
            for (Pixel pixel : pixels) {
                double off = pixel.tone() - low - height * normal(scaled(pixel, unknown));
                squares += off * off;
            }
            return new Tones(low, low + height, squares);
        }
    }

    private static double[] stepped(List<Pixel> pixels, double[] unknown, double damping) {
        Tones tones = Tones.of(pixels, unknown);
        double height = tones.high() - tones.low();
        double[][] normal = new double[UNKNOWN][UNKNOWN + 1];
        for (Pixel pixel : pixels) {
            double z = scaled(pixel, unknown);
            double bell = height * Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) / unknown[2];
            double[] slopes = {
                bell * (pixel.along() * Math.cos(unknown[0]) - (pixel.across() - unknown[1]) * Math.sin(unknown[0])),
                -bell * Math.cos(unknown[0]),
                -bell * z
            };
            double off = pixel.tone() - tones.low() - height * normal(z);
            for (int i = 0; i < UNKNOWN; i++) {
                for (int j = 0; j < UNKNOWN; j++) {
                    normal[i][j] += slopes[i] * slopes[j];
                }
                normal[i][UNKNOWN] += slopes[i] * off;
            }
        }
        for (int i = 0; i < UNKNOWN; i++) {
            normal[i][i] = normal[i][i] * (1 + damping) + 1e-12;
        }
        double[] step = solved(normal);
        return new double[] {unknown[0] + step[0], unknown[1] + step[1], unknown[2] + step[2]};
    }

    /** By elimination; the matrix is positive definite. */
    private static double[] solved(double[][] rows) {
        for (int pivot = 0; pivot < UNKNOWN; pivot++) {
            for (int row = pivot + 1; row < UNKNOWN; row++) {
                double part = rows[row][pivot] / rows[pivot][pivot];
                for (int column = pivot; column <= UNKNOWN; column++) {
                    rows[row][column] -= part * rows[pivot][column];
                }
            }
        }
        double[] found = new double[UNKNOWN];
        for (int row = UNKNOWN - 1; row >= 0; row--) {
            double sum = rows[row][UNKNOWN];
            for (int column = row + 1; column < UNKNOWN; column++) {
                sum -= rows[row][column] * found[column];
            }
            found[row] = sum / rows[row][row];
        }
        return found;
    }

    /** The normal distribution, to 1e-7: Abramowitz and Stegun, 26.2.17. */
    static double normal(double z) {
        double t = 1 / (1 + 0.2316419 * Math.abs(z));
        double series =
                t * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        double tail = Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) * series;
        return z >= 0 ? 1 - tail : tail;
    }
}
