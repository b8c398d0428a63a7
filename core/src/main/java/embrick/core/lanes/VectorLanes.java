package embrick.core.lanes;

import jdk.incubator.vector.ByteVector;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.ShortVector;
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
    /** A quarter as many bits as {@link #WIDE}: its bytes fill the same lanes. */
    private static final VectorSpecies<Byte> BYTES =
            VectorSpecies.of(byte.class, jdk.incubator.vector.VectorShape.forBitSize(Math.max(64, LANES * 8)));

    private static final VectorSpecies<Short> SHORTS =
            VectorSpecies.of(short.class, jdk.incubator.vector.VectorShape.forBitSize(Math.max(64, LANES * 16)));

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
        for (int p = 0; p < count; p++) {
            if (length <= 2 * LANES) {
                mixTwo(area, starts[p], stride, down, p * taps, taps, out, p * apart);
                continue;
            }
            for (int i = 0; i < length; i += 3 * LANES) {
                mixThree(area, starts[p] + i, stride, down, p * taps, taps, out, p * apart + i);
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
    public void between(float[] a, int from, int next, float part, float[] out, int at, int length) {
        for (int i = 0; i < length; i += LANES) {
            FloatVector low = FloatVector.fromArray(WIDE, a, from + i);
            FloatVector step = FloatVector.fromArray(WIDE, a, from + next + i).sub(low);
            low.add(step.mul(part)).intoArray(out, at + i);
        }
    }

    @Override
    public void toBytes(float[] in, int from, byte[] out, int at, int count) {
        int i = 0;
        for (; LANES >= 8 && i + LANES <= count; i += LANES) {
            ByteVector bytes = (ByteVector) counts(in, from + i, 255f).convertShape(VectorOperators.I2B, BYTES, 0);
            bytes.intoArray(out, at + i);
        }
        plain.toBytes(in, from + i, out, at + i, count - i);
    }

    @Override
    public void toShorts(float[] in, int from, short[] out, int at, int count) {
        int i = 0;
        for (; LANES >= 8 && i + LANES <= count; i += LANES) {
            ShortVector shorts =
                    (ShortVector) counts(in, from + i, 65535f).convertShape(VectorOperators.I2S, SHORTS, 0);
            shorts.intoArray(out, at + i);
        }
        plain.toShorts(in, from + i, out, at + i, count - i);
    }

    @Override
    public void toFloats(short[] in, int from, float[] out, int at, int count) {
        int i = 0;
        for (; LANES >= 8 && i + LANES <= count; i += LANES) {
            IntVector ints = (IntVector) ShortVector.fromArray(SHORTS, in, from + i)
                    .convertShape(VectorOperators.ZERO_EXTEND_S2I, IntVector.SPECIES_PREFERRED, 0);
            ((FloatVector) ints.convert(VectorOperators.I2F, 0))
                    .mul(1f / 65535f)
                    .intoArray(out, at + i);
        }
        plain.toFloats(in, from + i, out, at + i, count - i);
    }

    private static IntVector counts(float[] in, int from, float most) {
        return (IntVector) FloatVector.fromArray(WIDE, in, from)
                .max(0f)
                .min(1f)
                .mul(most)
                .add(0.5f)
                .convert(VectorOperators.F2I, 0);
    }
}
