package embrick.core.lanes;

import java.lang.foreign.MemorySegment;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * Vector code.
 *
 * <p><b>Rows</b> are mixed in four registers at a time, all taps before anything is stored. <b>Pixels</b> are mixed in
 * registers of four lanes, one a channel, with each weight already four times in memory: a tap is then one load, one
 * multiplication from memory and one addition. Their short loops over taps are written out, because the compiler's own
 * handling of loops this short costs more than their work.
 */
public final class VectorLanes implements Lanes {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Float> PIXEL = FloatVector.SPECIES_128;
    private static final int LANES = WIDE.length();

    private final PlainLanes plain = new PlainLanes();

    @Override
    public void mixRows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int length) {
        int i = 0;
        for (; i + 4 * LANES <= length; i += 4 * LANES) {
            FloatVector a = FloatVector.zero(WIDE);
            FloatVector b = a;
            FloatVector c = a;
            FloatVector d = a;
            for (int t = 0; t < taps; t++) {
                FloatVector weight = FloatVector.broadcast(WIDE, weights[from + t]);
                int at = starts[t] + i;
                a = a.add(FloatVector.fromArray(WIDE, rows, at).mul(weight));
                b = b.add(FloatVector.fromArray(WIDE, rows, at + LANES).mul(weight));
                c = c.add(FloatVector.fromArray(WIDE, rows, at + 2 * LANES).mul(weight));
                d = d.add(FloatVector.fromArray(WIDE, rows, at + 3 * LANES).mul(weight));
            }
            a.intoArray(out, i);
            b.intoArray(out, i + LANES);
            c.intoArray(out, i + 2 * LANES);
            d.intoArray(out, i + 3 * LANES);
        }
        for (; i < length; i++) {
            float sum = 0;
            for (int t = 0; t < taps; t++) {
                sum += rows[starts[t] + i] * weights[from + t];
            }
            out[i] = sum;
        }
    }

    @Override
    public void mixPixels(
            float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count) {
        switch (channels) {
            case 3 -> {
                mixPixels3(row, starts, weights, taps, into, at, count - 1);
                // Four lanes would write beyond the row's end.
                int last = count - 1;
                PlainLanes.mixPixel(row, starts[last], weights, last * taps * 4, taps, 3, into, at + last * 3);
            }
            case 4 -> mixPixels4(row, starts, weights, taps, into, at, count);
            default -> plain.mixPixels(row, starts, weights, taps, channels, into, at, count);
        }
    }

    /** The usual counts of taps have code of their own, without a loop. */
    private static void mixPixels3(
            float[] row, int[] starts, float[] weights, int taps, float[] into, int at, int count) {
        switch (taps) {
            case 4 -> {
                for (int x = 0; x < count; x++) {
                    four3(FloatVector.zero(PIXEL), row, starts[x], weights, x * 16)
                            .intoArray(into, at + x * 3);
                }
            }
            case 8 -> {
                for (int x = 0; x < count; x++) {
                    int start = starts[x];
                    FloatVector sum = four3(FloatVector.zero(PIXEL), row, start, weights, x * 32);
                    four3(sum, row, start + 12, weights, x * 32 + 16).intoArray(into, at + x * 3);
                }
            }
            case 12 -> {
                for (int x = 0; x < count; x++) {
                    int start = starts[x];
                    FloatVector sum = four3(FloatVector.zero(PIXEL), row, start, weights, x * 48);
                    sum = four3(sum, row, start + 12, weights, x * 48 + 16);
                    four3(sum, row, start + 24, weights, x * 48 + 32).intoArray(into, at + x * 3);
                }
            }
            case 16 -> {
                for (int x = 0; x < count; x++) {
                    int start = starts[x];
                    FloatVector sum = four3(FloatVector.zero(PIXEL), row, start, weights, x * 64);
                    sum = four3(sum, row, start + 12, weights, x * 64 + 16);
                    sum = four3(sum, row, start + 24, weights, x * 64 + 32);
                    four3(sum, row, start + 36, weights, x * 64 + 48).intoArray(into, at + x * 3);
                }
            }
            default -> {
                for (int x = 0; x < count; x++) {
                    FloatVector sum = FloatVector.zero(PIXEL);
                    int start = starts[x];
                    int weight = x * taps * 4;
                    for (int t = 0; t < taps; t += 4) {
                        sum = four3(sum, row, start + 3 * t, weights, weight + 4 * t);
                    }
                    sum.intoArray(into, at + x * 3);
                }
            }
        }
    }

    private static void mixPixels4(
            float[] row, int[] starts, float[] weights, int taps, float[] into, int at, int count) {
        for (int x = 0; x < count; x++) {
            FloatVector sum = FloatVector.zero(PIXEL);
            int start = starts[x];
            int weight = x * taps * 4;
            for (int t = 0; t < taps; t += 4) {
                sum = four4(sum, row, start + 4 * t, weights, weight + 4 * t);
            }
            sum.intoArray(into, at + x * 4);
        }
    }

    /** Four taps of three channels; the fourth lane carries the next pixel's first channel and is written over. */
    private static FloatVector four3(FloatVector sum, float[] row, int at, float[] weights, int weight) {
        return sum.add(FloatVector.fromArray(PIXEL, row, at).mul(FloatVector.fromArray(PIXEL, weights, weight)))
                .add(FloatVector.fromArray(PIXEL, row, at + 3).mul(FloatVector.fromArray(PIXEL, weights, weight + 4)))
                .add(FloatVector.fromArray(PIXEL, row, at + 6).mul(FloatVector.fromArray(PIXEL, weights, weight + 8)))
                .add(FloatVector.fromArray(PIXEL, row, at + 9).mul(FloatVector.fromArray(PIXEL, weights, weight + 12)));
    }

    private static FloatVector four4(FloatVector sum, float[] row, int at, float[] weights, int weight) {
        return sum.add(FloatVector.fromArray(PIXEL, row, at).mul(FloatVector.fromArray(PIXEL, weights, weight)))
                .add(FloatVector.fromArray(PIXEL, row, at + 4).mul(FloatVector.fromArray(PIXEL, weights, weight + 4)))
                .add(FloatVector.fromArray(PIXEL, row, at + 8).mul(FloatVector.fromArray(PIXEL, weights, weight + 8)))
                .add(FloatVector.fromArray(PIXEL, row, at + 12)
                        .mul(FloatVector.fromArray(PIXEL, weights, weight + 12)));
    }

    @Override
    public void mixBlocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int taps,
            int length,
            float[] out,
            int apart,
            int count) {
        int padded = Lanes.padded(taps);
        for (int p = 0; p < count; p++) {
            if (length <= 2 * LANES) {
                mixTwo(area, starts[p], stride, down, p * padded, taps, out, p * apart);
                continue;
            }
            for (int i = 0; i < length; i += 3 * LANES) {
                mixThree(area, starts[p] + i, stride, down, p * padded, taps, out, p * apart + i);
            }
        }
    }

    private static void mixTwo(
            float[] area, int from, int stride, float[] down, int weights, int taps, float[] out, int at) {
        FloatVector a = FloatVector.zero(WIDE);
        FloatVector b = a;
        for (int t = 0, row = from; t < taps; t++, row += stride) {
            FloatVector weight = FloatVector.broadcast(WIDE, down[weights + t]);
            a = a.add(FloatVector.fromArray(WIDE, area, row).mul(weight));
            b = b.add(FloatVector.fromArray(WIDE, area, row + LANES).mul(weight));
        }
        a.intoArray(out, at);
        b.intoArray(out, at + LANES);
    }

    private static void mixThree(
            float[] area, int from, int stride, float[] down, int weights, int taps, float[] out, int at) {
        FloatVector a = FloatVector.zero(WIDE);
        FloatVector b = a;
        FloatVector c = a;
        for (int t = 0, row = from; t < taps; t++, row += stride) {
            FloatVector weight = FloatVector.broadcast(WIDE, down[weights + t]);
            a = a.add(FloatVector.fromArray(WIDE, area, row).mul(weight));
            b = b.add(FloatVector.fromArray(WIDE, area, row + LANES).mul(weight));
            c = c.add(FloatVector.fromArray(WIDE, area, row + 2 * LANES).mul(weight));
        }
        a.intoArray(out, at);
        b.intoArray(out, at + LANES);
        c.intoArray(out, at + 2 * LANES);
    }

    @Override
    public void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        VectorTables.between(table, length, rows, parts, out, count);
    }

    @Override
    public void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        VectorTables.betweenFourfold(table, length, rows, parts, out, count);
    }

    @Override
    public void toBytes(float[] in, int from, byte[] out, int at, int count) {
        int done = VectorCounts.toBytes(in, from, out, at, count);
        plain.toBytes(in, from + done, out, at + done, count - done);
    }

    @Override
    public void toShorts(float[] in, int from, short[] out, int at, int count) {
        int done = VectorCounts.toShorts(in, from, out, at, count);
        plain.toShorts(in, from + done, out, at + done, count - done);
    }

    @Override
    public void toFloats(short[] in, int from, float[] out, int at, int count) {
        int done = VectorCounts.toFloats(in, from, out, at, count);
        plain.toFloats(in, from + done, out, at + done, count - done);
    }

    @Override
    public void fromBytes(MemorySegment in, long from, float[] out, int at, int count) {
        int done = VectorCounts.fromBytes(in, from, out, at, count);
        plain.fromBytes(in, from + done, out, at + done, count - done);
    }

    @Override
    public void fromShorts(MemorySegment in, long from, float[] out, int at, int count) {
        int done = VectorCounts.fromShorts(in, from, out, at, count);
        plain.fromShorts(in, from + 2L * done, out, at + done, count - done);
    }

    @Override
    public void luminances(float[] in, int from, float red, float green, float blue, float[] out, int at, int count) {
        int done = VectorTriples.luminances(in, from, red, green, blue, out, at, count);
        plain.luminances(in, from + 3 * done, red, green, blue, out, at + done, count - done);
    }

    @Override
    public void addToPixels(float[] in, int from, float[] added, float[] out, int at, int count) {
        int done = VectorTriples.addToPixels(in, from, added, out, at, count);
        PlainLanes.addToPixels(in, from, added, out, at, done, count);
    }

    @Override
    public void mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int count) {
        int done = VectorCells.mixPlanes(in, matrix, out, planesOut, row, count);
        PlainLanes.mixPlanes(in, matrix, out, planesOut, row, done, count);
    }

    @Override
    public void cellsOf(float[] in, int[] sides, int[] places, float[] parts, int row, int count) {
        int done = VectorCells.cellsOf(in, sides, places, parts, row, count);
        PlainCells.cellsOf(in, sides, places, parts, row, done, count);
    }

    @Override
    public void mixCorners(float[] nodes, int[] sides, int[] places, float[] parts, int row, float[] out, int count) {
        VectorCells.mixCorners(nodes, sides, places, parts, row, out, count);
    }

    @Override
    public void tetrahedraOf(
            float[] in, int from, int[] sides, int first, int[] places, float[] weights, int row, int count) {
        int done = VectorCells.tetrahedraOf(in, from, sides, first, places, weights, row, count);
        PlainCells.tetrahedraOf(in, from, sides, first, places, weights, row, done, count);
    }

    @Override
    public void mixNodes(float[] nodes, int[] places, float[] weights, int taps, int row, float[] out, int count) {
        VectorTables.mixNodes(nodes, places, weights, taps, row, out, count);
    }

    @Override
    public void lookUp(float[] table, float[] in, int from, float[] out, int at, int count) {
        int done = VectorTables.lookUp(table, in, from, out, at, count);
        plain.lookUp(table, in, from + done, out, at + done, count - done);
    }

    @Override
    public void lookUpRootAndBelow(float[] table, float below, float[] in, int from, float[] out, int at, int count) {
        int done = VectorTables.lookUpRootAndBelow(table, below, in, from, out, at, count);
        plain.lookUpRootAndBelow(table, below, in, from + done, out, at + done, count - done);
    }

    @Override
    public void lookUpRoot(float[] table, float[] in, int from, float[] out, int at, int count) {
        int done = VectorTables.lookUpRoot(table, in, from, out, at, count);
        plain.lookUpRoot(table, in, from + done, out, at + done, count - done);
    }

    @Override
    public void weighByDistance(float[] coefficients, float x, float y, float step, int width, int rows, float[] out) {
        for (int t = 0; t < width; t += LANES) {
            FloatVector across =
                    FloatVector.zero(WIDE).addIndex(1).add(t).mul(step).add(x);
            FloatVector squares = across.mul(across);
            for (int r = 0; r < rows; r++) {
                float down = y + r * step;
                FloatVector share = squares.add(down * down);
                FloatVector weights = series(coefficients, share.mul(2f).sub(1f));
                weights.blend(0f, share.compare(VectorOperators.GE, 1f)).intoArray(out, r * width + t);
            }
        }
    }

    private static FloatVector series(float[] c, FloatVector z) {
        FloatVector sum = FloatVector.broadcast(WIDE, c[12]);
        sum = sum.mul(z).add(c[11]).mul(z).add(c[10]).mul(z).add(c[9]);
        sum = sum.mul(z).add(c[8]).mul(z).add(c[7]).mul(z).add(c[6]);
        sum = sum.mul(z).add(c[5]).mul(z).add(c[4]).mul(z).add(c[3]);
        return sum.mul(z).add(c[2]).mul(z).add(c[1]).mul(z).add(c[0]);
    }

    @Override
    public void sumColumns(
            float[] area,
            int from,
            int stride,
            int channels,
            float[] weights,
            int width,
            int rows,
            float[] sums,
            float[] weighed) {
        if (channels == 3) {
            VectorTriples.sumColumns(area, from, stride, weights, width, rows, sums, weighed);
        } else {
            plain.sumColumns(area, from, stride, channels, weights, width, rows, sums, weighed);
        }
    }
}
