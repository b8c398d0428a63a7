package embrick.demo.ink;

import embrick.core.colour.Lab;
import java.util.Arrays;

/**
 * Which channel values give a colour, or the nearest that the device has.
 *
 * <p>Nearest is measured with the weights that ΔE00 gives lightness, chroma and hue near the colour wanted (S_L, S_C and S_H
 * of ISO/CIE 11664-6), so that a colour too strong for the paper loses chroma before hue. With four inks many mixtures give
 * one colour: of those the one is taken whose black is nearest to a rule, and which the paper can hold.
 *
 * <p>Method: from the best patch of the chart by damped least squares (K. Levenberg 1944, D. W. Marquardt 1963); values
 * that would leave 0..1 are held there.
 */
public final class Inversion {
    private static final int MOST_STEPS = 40;
    /** Far inside a cell of the chart, whose colour is nearly even there. */
    private static final double SLOPE_STEP = 0.01;
    /** What a whole unit of black more or less than the rule's may cost in ΔE: nothing to speak of where colours count. */
    private static final double BLACK_WEIGHT = 2;
    /** Ink that the paper does not hold costs more than any colour. */
    private static final double INK_WEIGHT = 60;

    private final ReadChart chart;
    private final double mostInk;
    private final int channels;

    /** @param mostInk sum of four inks; for three channels it does not count */
    public Inversion(ReadChart chart, double mostInk) {
        this.chart = chart;
        this.mostInk = mostInk;
        this.channels = chart.channels();
    }

    /**
     * @param values of the channels, 0..1
     * @param error weighted distance from the colour wanted; about ΔE00
     */
    public record Found(double[] values, double error) {}

    public Found find(Lab wanted) {
        return new Search(wanted).found();
    }

    /** Black by lightness: none in the lights, much in the shadows, less of it in strong colours. Embrick's rule. */
    private static double blackFor(Lab wanted) {
        double dark = Math.clamp((85 - wanted.l()) / 85, 0, 1);
        double grey = 1 / (1 + wanted.chroma() / 40);
        return 0.95 * StrictMath.pow(dark, 1.6) * grey;
    }

    private final class Search {
        private final Lab wanted;
        private final double black;
        private final double cos;
        private final double sin;
        private final double lightness;
        private final double chroma;
        private final double hue;
        private final int residuals = channels == 4 ? 5 : 3;
        private final double[] seen = new double[3];

        Search(Lab wanted) {
            this.wanted = wanted;
            this.black = blackFor(wanted);
            double strength = wanted.chroma();
            this.cos = strength == 0 ? 1 : wanted.a() / strength;
            this.sin = strength == 0 ? 0 : wanted.b() / strength;
            double fromMiddle = (wanted.l() - 50) * (wanted.l() - 50);
            this.lightness = 1 / (1 + 0.015 * fromMiddle / Math.sqrt(20 + fromMiddle));
            this.chroma = 1 / (1 + 0.045 * strength);
            this.hue = 1 / (1 + 0.015 * strength);
        }

        private void residuals(double[] values, double[] out) {
            chart.look(values, seen);
            colourResiduals(out);
            if (channels == 4) {
                double sum = values[0] + values[1] + values[2] + values[3];
                out[3] = BLACK_WEIGHT * (values[3] - black);
                out[4] = INK_WEIGHT * Math.max(0, sum - mostInk);
            }
        }

        private void colourResiduals(double[] out) {
            double a = seen[1] - wanted.a();
            double b = seen[2] - wanted.b();
            out[0] = lightness * (seen[0] - wanted.l());
            out[1] = chroma * (cos * a + sin * b);
            out[2] = hue * (cos * b - sin * a);
        }

        private double[] bestPatch() {
            double least = Double.POSITIVE_INFINITY;
            int best = 0;
            double[] r = new double[5];
            for (int patch = 0; patch < chart.patches(); patch++) {
                seen[0] = chart.at(patch, 0);
                seen[1] = chart.at(patch, 1);
                seen[2] = chart.at(patch, 2);
                colourResiduals(r);
                double cost = r[0] * r[0] + r[1] * r[1] + r[2] * r[2];
                if (channels == 4 && cost < least) {
                    double ink = 0;
                    for (int channel = 0; channel < 4; channel++) {
                        ink += chart.value(patch, channel);
                    }
                    double over = INK_WEIGHT * Math.max(0, ink - mostInk);
                    double off = BLACK_WEIGHT * (chart.value(patch, 3) - black);
                    cost += over * over + off * off;
                }
                if (cost < least) {
                    least = cost;
                    best = patch;
                }
            }
            double[] values = new double[channels];
            for (int channel = 0; channel < channels; channel++) {
                values[channel] = chart.value(best, channel);
            }
            return values;
        }

        Found found() {
            double[] values = bestPatch();
            double[] now = new double[residuals];
            residuals(values, now);
            double cost = squares(now);
            double damping = 1e-3;
            for (int step = 0; step < MOST_STEPS && damping < 1e6; step++) {
                double[] next = stepped(values, now, damping);
                double[] then = new double[residuals];
                residuals(next, then);
                double nextCost = squares(then);
                if (nextCost < cost) {
                    boolean settled = cost - nextCost < 1e-12;
                    values = next;
                    now = then;
                    cost = nextCost;
                    damping = Math.max(1e-9, damping / 4);
                    if (settled) {
                        break;
                    }
                } else {
                    damping *= 6;
                }
            }
            return new Found(values, Math.sqrt(now[0] * now[0] + now[1] * now[1] + now[2] * now[2]));
        }

        private double[] stepped(double[] values, double[] now, double damping) {
            double[][] slopes = slopes(values);
            double[] pull = new double[channels];
            boolean[] held = new boolean[channels];
            for (int i = 0; i < channels; i++) {
                for (int r = 0; r < residuals; r++) {
                    pull[i] -= slopes[r][i] * now[r];
                }
                held[i] = values[i] <= 0 && pull[i] < 0 || values[i] >= 1 && pull[i] > 0;
            }
            double[][] system = new double[channels][channels + 1];
            for (int i = 0; i < channels; i++) {
                if (held[i]) {
                    system[i][i] = 1;
                    continue;
                }
                for (int j = 0; j < channels; j++) {
                    for (int r = 0; r < residuals && !held[j]; r++) {
                        system[i][j] += slopes[r][i] * slopes[r][j];
                    }
                }
                system[i][i] *= 1 + damping;
                system[i][i] += 1e-9;
                system[i][channels] = pull[i];
            }
            double[] move = solve(system);
            double[] next = values.clone();
            for (int i = 0; i < channels; i++) {
                next[i] = Math.clamp(values[i] + move[i], 0, 1);
            }
            return next;
        }

        private double[][] slopes(double[] values) {
            double[][] slopes = new double[residuals][channels];
            double[] low = new double[residuals];
            double[] high = new double[residuals];
            for (int i = 0; i < channels; i++) {
                double[] moved = values.clone();
                double below = Math.max(0, values[i] - SLOPE_STEP);
                double above = Math.min(1, values[i] + SLOPE_STEP);
                moved[i] = below;
                residuals(moved, low);
                moved[i] = above;
                residuals(moved, high);
                for (int r = 0; r < residuals; r++) {
                    slopes[r][i] = (high[r] - low[r]) / (above - below);
                }
            }
            return slopes;
        }
    }

    private static double squares(double[] values) {
        return Arrays.stream(values).map(value -> value * value).sum();
    }

    /** By elimination with the largest pivot; rows are the equations, the last column their right sides. */
    private static double[] solve(double[][] system) {
        int n = system.length;
        for (int column = 0; column < n; column++) {
            int pivot = column;
            for (int row = column + 1; row < n; row++) {
                if (Math.abs(system[row][column]) > Math.abs(system[pivot][column])) {
                    pivot = row;
                }
            }
            double[] swap = system[column];
            system[column] = system[pivot];
            system[pivot] = swap;
            for (int row = column + 1; row < n; row++) {
                double share = system[row][column] / system[column][column];
                for (int k = column; k <= n; k++) {
                    system[row][k] -= share * system[column][k];
                }
            }
        }
        double[] solution = new double[n];
        for (int row = n - 1; row >= 0; row--) {
            double sum = system[row][n];
            for (int k = row + 1; k < n; k++) {
                sum -= system[row][k] * solution[k];
            }
            solution[row] = sum / system[row][row];
        }
        return solution;
    }
}
