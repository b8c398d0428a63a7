package embrick.core.found.detail;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

/**
 * The share of a picture's pixels up to which it holds detail, read from how its edges are spread.
 *
 * <p>The energy of slopes falls with further blur of variance t as (t + s²)^−p, where s is the spread that is there already:
 * p is a half for lone edges and one for fine texture, whose power in each octave is alike (Field 1987); both are fitted, block by
 * block. Blur upon blur adds up in s², whatever is shown. Of the blocks that show anything the sharper ones count: what lies out of
 * focus says nothing of what is in it.
 */
final class HeldShare {
    /** Energy of slopes from which a block shows something, at the middle scale: a count and a half of 255. */
    private static final double LEAST = square(1.5 / 255);

    private static final int MIDDLE = 3;
    /** And this many times the grain's. */
    private static final double OF_GRAIN = 4;

    private static final int FEWEST_BLOCKS = 6;
    /** The blocks with the least grain: even parts. */
    private static final double EVEN_BLOCKS = 0.05;
    /** Rounding to 8 bits, as grain. */
    private static final double ROUNDING = square(0.29 / 255);
    /** Of an energy what stays at least when the grain is taken off. */
    private static final double LEFT_OF_GRAIN = 0.02;

    private static final double LEAST_POWER = 0.35;
    private static final double MOST_POWER = 1.5;
    private static final int SPREADS = 120;
    private static final double LEAST_SPREAD = 0.1;
    private static final double MOST_SPREAD = 8;

    /** The block that counts, from the sharpest on. */
    private static final double SHARPER = 0.15;
    /**
     * The spread of photographs that were reduced, and so hold what their pixels can, and how the share falls with it:
     * from photographs that were reduced and enlarged again by known amounts (docs/methods.md).
     */
    private static final double CRISP = 0.34;

    private static final double FALL = 0.85;

    private static final double[] SPREAD = new double[SPREADS];
    /** For each spread, of each scale: less the mean. */
    private static final double[][] LOGS = new double[SPREADS][BlurScales.COUNT];

    static {
        for (int i = 0; i < SPREADS; i++) {
            SPREAD[i] = LEAST_SPREAD * Math.pow(MOST_SPREAD / LEAST_SPREAD, i / (SPREADS - 1.0));
            double mean = 0;
            for (int scale = 0; scale < BlurScales.COUNT; scale++) {
                LOGS[i][scale] = -Math.log(BlurScales.variance(scale) + square(SPREAD[i]));
                mean += LOGS[i][scale] / BlurScales.COUNT;
            }
            for (int scale = 0; scale < BlurScales.COUNT; scale++) {
                LOGS[i][scale] -= mean;
            }
        }
    }

    private HeldShare() {}

    private static double square(double of) {
        return of * of;
    }

    /** @return above 0, at most 1; empty where too little is shown */
    static OptionalDouble of(List<Patch> patches) {
        double[] spreads = spreads(patches);
        if (spreads.length < FEWEST_BLOCKS) {
            return OptionalDouble.empty();
        }
        double spread = spreads[(int) (SHARPER * spreads.length)];
        return OptionalDouble.of(Math.min(1, Math.pow(CRISP / spread, FALL)));
    }

    /** Of the blocks that show something, from the sharpest on. */
    static double[] spreads(List<Patch> patches) {
        BlurScales scales = new BlurScales();
        List<double[]> blocks = new ArrayList<>();
        patches.forEach(patch -> blocks.addAll(scales.energies(patch)));
        double[] grain = grain(blocks);
        return blocks.stream()
                .filter(block -> block[MIDDLE] > Math.max(LEAST, OF_GRAIN * grain[MIDDLE]))
                .mapToDouble(block -> spread(withoutGrain(block, grain)))
                .sorted()
                .toArray();
    }

    /** What grain adds at each scale. */
    private static double[] grain(List<double[]> blocks) {
        double[] ofOne = BlurScales.ofGrain();
        double[] finest =
                blocks.stream().mapToDouble(block -> block[0]).sorted().toArray();
        double variance = finest.length == 0 ? 0 : finest[(int) (EVEN_BLOCKS * finest.length)] / ofOne[0];
        return Arrays.stream(ofOne).map(of -> of * Math.max(variance, ROUNDING)).toArray();
    }

    private static double[] withoutGrain(double[] block, double[] grain) {
        double[] logs = new double[BlurScales.COUNT];
        double mean = 0;
        for (int i = 0; i < logs.length; i++) {
            logs[i] = Math.log(Math.max(block[i] - grain[i], LEFT_OF_GRAIN * block[i]));
            mean += logs[i] / logs.length;
        }
        for (int i = 0; i < logs.length; i++) {
            logs[i] -= mean;
        }
        return logs;
    }

    /** The spread that the energies fall by, by least squares; the power of the fall goes with it. */
    private static double spread(double[] logs) {
        double best = 0;
        double least = Double.MAX_VALUE;
        for (int i = 0; i < SPREADS; i++) {
            double both = 0;
            double square = 0;
            for (int scale = 0; scale < logs.length; scale++) {
                both += LOGS[i][scale] * logs[scale];
                square += square(LOGS[i][scale]);
            }
            double power = Math.clamp(both / square, LEAST_POWER, MOST_POWER);
            double off = 0;
            for (int scale = 0; scale < logs.length; scale++) {
                off += square(logs[scale] - power * LOGS[i][scale]);
            }
            if (off < least) {
                least = off;
                best = SPREAD[i];
            }
        }
        return best;
    }
}
