package embrick.demo.ink;

import embrick.core.colour.Lab;
import embrick.core.colour.Xyz;
import java.util.function.Function;

/**
 * A chart of all combinations of even steps of the device's channels, printed and read.
 *
 * <p>Between its patches it is interpolated as ICC engines do: over tetrahedra of the last three channels, evenly along
 * the first of four.
 */
public final class ReadChart {
    private final int channels;
    private final int side;
    private final Xyz white;
    /** L*, a*, b* relative to the paper's white, a patch after the other, the last channel changing fastest. */
    private final double[] lab;

    private ReadChart(int channels, int side, Xyz white, double[] lab) {
        this.channels = channels;
        this.side = side;
        this.white = white;
        this.lab = lab;
    }

    /**
     * Prints and reads a chart.
     *
     * @param channels 3 or 4
     * @param side steps of each
     * @param white what the bare paper reads
     * @param device gives the reading of channel values 0..1
     */
    public static ReadChart of(int channels, int side, Xyz white, Function<double[], Xyz> device) {
        if (channels != 3 && channels != 4) {
            throw new IllegalArgumentException("channels: expected 3 or 4, got " + channels);
        }
        int patches = 1;
        for (int channel = 0; channel < channels; channel++) {
            patches *= side;
        }
        double[] lab = new double[patches * 3];
        double[] values = new double[channels];
        for (int patch = 0; patch < patches; patch++) {
            int rest = patch;
            for (int channel = channels - 1; channel >= 0; channel--) {
                values[channel] = rest % side / (side - 1.0);
                rest /= side;
            }
            Lab reading = Lab.of(device.apply(values).relativeTo(white));
            lab[patch * 3] = asWritten(reading.l());
            lab[patch * 3 + 1] = asWritten(reading.a());
            lab[patch * 3 + 2] = asWritten(reading.b());
        }
        return new ReadChart(channels, side, white, lab);
    }

    /** Instruments write two decimals (common practice, no source). */
    private static double asWritten(double value) {
        return Math.rint(value * 100) / 100;
    }

    public int channels() {
        return channels;
    }

    public int side() {
        return side;
    }

    /** The bare paper's reading. */
    public Xyz white() {
        return white;
    }

    /** How many colours it has. */
    public int patches() {
        return lab.length / 3;
    }

    /** One of L*, a*, b* of a patch. */
    public double at(int patch, int axis) {
        return lab[patch * 3 + axis];
    }

    /** Value of a channel in a patch, 0..1. */
    double value(int patch, int channel) {
        int rest = patch;
        for (int i = channels - 1; i > channel; i--) {
            rest /= side;
        }
        return rest % side / (side - 1.0);
    }

    /**
     * The colour of any values.
     *
     * @param values 0..1
     * @param out gets L*, a*, b*
     */
    void look(double[] values, double[] out) {
        if (channels == 3) {
            tetrahedral(values, 0, 0, out);
            return;
        }
        double at = values[0] * (side - 1);
        int below = Math.min((int) at, side - 2);
        double part = at - below;
        double[] above = new double[3];
        int slab = side * side * side;
        tetrahedral(values, 1, below * slab, out);
        tetrahedral(values, 1, (below + 1) * slab, above);
        for (int axis = 0; axis < 3; axis++) {
            out[axis] += part * (above[axis] - out[axis]);
        }
    }

    /** From one corner of the cell to the opposite, a step along each channel, the largest part first. */
    private void tetrahedral(double[] values, int first, int start, double[] out) {
        int[] steps = {side * side, side, 1};
        double[] parts = new double[3];
        int corner = start;
        for (int i = 0; i < 3; i++) {
            double at = values[first + i] * (side - 1);
            int below = Math.min((int) at, side - 2);
            parts[i] = at - below;
            corner += below * steps[i];
        }
        for (int axis = 0; axis < 3; axis++) {
            out[axis] = lab[corner * 3 + axis];
        }
        int at = corner;
        boolean[] done = new boolean[3];
        for (int n = 0; n < 3; n++) {
            int next = -1;
            for (int i = 0; i < 3; i++) {
                if (!done[i] && (next < 0 || parts[i] > parts[next])) {
                    next = i;
                }
            }
            done[next] = true;
            int to = at + steps[next];
            for (int axis = 0; axis < 3; axis++) {
                out[axis] += parts[next] * (lab[to * 3 + axis] - lab[at * 3 + axis]);
            }
            at = to;
        }
    }
}
