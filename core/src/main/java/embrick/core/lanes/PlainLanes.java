package embrick.core.lanes;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;

/** Plain Java; whole-row loops are written so that the compiler can make vectors of them by itself. */
public final class PlainLanes implements Lanes {
    private static final int TURNED = 4;

    @Override
    public void mixRows(
            float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int at, int length) {
        mixRows(rows, starts, weights, from, taps, out, at, 0, length);
    }

    /** As above, from float {@code done} of the row on. */
    static void mixRows(
            float[] rows,
            int[] starts,
            float[] weights,
            int from,
            int taps,
            float[] out,
            int at,
            int done,
            int length) {
        Arrays.fill(out, at + done, at + length, 0f);
        int t = 0;
        for (; t + 4 <= taps; t += 4) {
            addFour(rows, starts, t, weights, from + t, out, at, done, length);
        }
        for (; t < taps; t++) {
            int start = starts[t];
            float weight = weights[from + t];
            for (int i = done; i < length; i++) {
                out[at + i] += rows[start + i] * weight;
            }
        }
    }

    private static void addFour(
            float[] rows, int[] starts, int t, float[] weights, int from, float[] out, int at, int done, int length) {
        int a = starts[t];
        int b = starts[t + 1];
        int c = starts[t + 2];
        int d = starts[t + 3];
        float wa = weights[from];
        float wb = weights[from + 1];
        float wc = weights[from + 2];
        float wd = weights[from + 3];
        for (int i = done; i < length; i++) {
            out[at + i] = out[at + i] + rows[a + i] * wa + rows[b + i] * wb + rows[c + i] * wc + rows[d + i] * wd;
        }
    }

    @Override
    public void mixPixels(
            float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count) {
        for (int x = 0; x < count; x++) {
            mixPixel(row, starts[x], weights, x * taps * 4, taps, channels, into, at + x * channels);
        }
    }

    static void mixPixel(
            float[] row, int start, float[] weights, int weight, int taps, int channels, float[] into, int target) {
        if (channels == 3) {
            float r = 0;
            float g = 0;
            float b = 0;
            for (int t = 0, from = start; t < taps; t++, from += 3) {
                float w = weights[weight + 4 * t];
                r += row[from] * w;
                g += row[from + 1] * w;
                b += row[from + 2] * w;
            }
            into[target] = r;
            into[target + 1] = g;
            into[target + 2] = b;
            return;
        }
        for (int c = 0; c < channels; c++) {
            float sum = 0;
            for (int t = 0; t < taps; t++) {
                sum += row[start + t * channels + c] * weights[weight + 4 * t];
            }
            into[target + c] = sum;
        }
    }

    @Override
    public void mixBlocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int from,
            int taps,
            int length,
            float[] out,
            int apart,
            int count) {
        for (int p = 0; p < count; p++) {
            int at = p * apart;
            Arrays.fill(out, at, at + length, 0f);
            for (int t = 0; t < taps; t++) {
                float weight = down[from + p * Lanes.padded(taps) + t];
                int row = starts[p] + t * stride;
                for (int i = 0; i < length; i++) {
                    out[at + i] += area[row + i] * weight;
                }
            }
        }
    }

    @Override
    public void turn(
            float[] in,
            int from,
            int inApart,
            int inNext,
            float[] out,
            int at,
            int outApart,
            int outNext,
            int squares) {
        for (int k = 0; k < squares; k++) {
            // Four rows at a time, so that what is stored together lies together.
            for (int row = 0; row < BLOCK; row += TURNED) {
                int a = from + k * inNext + row * inApart;
                int b = a + inApart;
                int c = b + inApart;
                int d = c + inApart;
                int to = at + k * outNext + row;
                for (int i = 0; i < BLOCK; i++, to += outApart) {
                    out[to] = in[a + i];
                    out[to + 1] = in[b + i];
                    out[to + 2] = in[c + i];
                    out[to + 3] = in[d + i];
                }
            }
        }
    }

    @Override
    public void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        PlainTables.between(table, length, rows, parts, out, count);
    }

    @Override
    public void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        PlainTables.betweenFourfold(table, length, rows, parts, out, count);
    }

    @Override
    public void toBytes(float[] in, int from, byte[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (byte) (int) (Math.clamp(in[from + i], 0f, 1f) * 255f + 0.5f);
        }
    }

    @Override
    public void toShorts(float[] in, int from, short[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (short) (int) (Math.clamp(in[from + i], 0f, 1f) * 65535f + 0.5f);
        }
    }

    @Override
    public void toFloats(short[] in, int from, float[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (in[from + i] & 0xffff) * (1f / 65535f);
        }
    }

    @Override
    public void fromBytes(MemorySegment in, long from, float[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (in.get(ValueLayout.JAVA_BYTE, from + i) & 0xff) * (1f / 255f);
        }
    }

    @Override
    public void fromShorts(MemorySegment in, long from, float[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (in.get(ValueLayout.JAVA_SHORT_UNALIGNED, from + 2L * i) & 0xffff) * (1f / 65535f);
        }
    }

    @Override
    public void luminances(float[] in, int from, float red, float green, float blue, float[] out, int at, int count) {
        for (int i = 0, p = from; i < count; i++, p += 3) {
            out[at + i] = in[p] * red + in[p + 1] * green + in[p + 2] * blue;
        }
    }

    @Override
    public void toPlanes(float[] in, int from, float[] planes, int row, int count) {
        toPlanes(in, from, planes, row, 0, count);
    }

    static void toPlanes(float[] in, int from, float[] planes, int row, int done, int count) {
        for (int i = done; i < count; i++) {
            planes[i] = in[from + 3 * i];
            planes[row + i] = in[from + 3 * i + 1];
            planes[2 * row + i] = in[from + 3 * i + 2];
        }
    }

    @Override
    public void fromPlanes(float[] planes, int row, float[] out, int at, int count) {
        fromPlanes(planes, row, out, at, 0, count);
    }

    static void fromPlanes(float[] planes, int row, float[] out, int at, int done, int count) {
        for (int i = done; i < count; i++) {
            out[at + 3 * i] = planes[i];
            out[at + 3 * i + 1] = planes[row + i];
            out[at + 3 * i + 2] = planes[2 * row + i];
        }
    }

    @Override
    public void addToPixels(float[] in, int from, float[] added, float[] out, int at, int count) {
        addToPixels(in, from, added, out, at, 0, count);
    }

    /** The pixels from {@code first} on. */
    static void addToPixels(float[] in, int from, float[] added, float[] out, int at, int first, int count) {
        for (int i = first, p = 3 * first; i < count; i++, p += 3) {
            float more = added[i];
            out[at + p] = Math.clamp(in[from + p] + more, 0f, 1f);
            out[at + p + 1] = Math.clamp(in[from + p + 1] + more, 0f, 1f);
            out[at + p + 2] = Math.clamp(in[from + p + 2] + more, 0f, 1f);
        }
    }

    @Override
    public void lookUp(float[] table, float[] in, int from, float[] out, int at, int count) {
        PlainTables.lookUp(table, in, from, out, at, count);
    }

    @Override
    public void lookUpRoot(float[] table, float[] in, int from, float[] out, int at, int count) {
        PlainTables.lookUpRoot(table, in, from, out, at, count);
    }

    @Override
    public void lookUpRootAndBelow(float[] table, float below, float[] in, int from, float[] out, int at, int count) {
        PlainTables.lookUpRootAndBelow(table, below, in, from, out, at, count);
    }

    @Override
    public void mixNodes(float[] nodes, int[] places, float[] weights, int taps, int row, float[] out, int count) {
        PlainCells.mixNodes(nodes, places, weights, taps, row, out, count);
    }

    @Override
    public void mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int count) {
        mixPlanes(in, matrix, out, planesOut, row, 0, count);
    }

    static void mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int begin, int count) {
        for (int plane = 0; plane < planesOut; plane++) {
            for (int i = begin; i < count; i++) {
                out[plane * row + i] = in[i] * matrix[plane * 4]
                        + in[row + i] * matrix[plane * 4 + 1]
                        + in[2 * row + i] * matrix[plane * 4 + 2]
                        + matrix[plane * 4 + 3];
            }
        }
    }

    @Override
    public void cellsOf(float[] in, int[] sides, int[] places, float[] parts, int row, int count) {
        PlainCells.cellsOf(in, sides, places, parts, row, 0, count);
    }

    @Override
    public void mixCorners(float[] nodes, int[] sides, int[] places, float[] parts, int row, float[] out, int count) {
        PlainCells.mixCorners(nodes, sides, places, parts, row, out, count);
    }

    @Override
    public void tetrahedraOf(
            float[] in, int from, int[] sides, int first, int[] places, float[] weights, int row, int count) {
        PlainCells.tetrahedraOf(in, from, sides, first, places, weights, row, 0, count);
    }

    @Override
    public void weighByDistance(float[] coefficients, float x, float y, float step, int width, int rows, float[] out) {
        PlainDistances.weigh(coefficients, x, y, step, width, rows, out);
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
        PlainDistances.sumColumns(area, from, stride, channels, weights, width, rows, sums, weighed);
    }

    @Override
    public void filterRow(
            float[] in,
            int from,
            int[] taps,
            Filters filters,
            int group,
            float[] out,
            int at,
            int outPlane,
            int length) {
        PlainPlanes.filterRow(in, from, taps, filters, group, out, at, outPlane, length);
    }

    @Override
    public void least(float[] rows, int[] starts, float[] out, int at, int length) {
        PlainBounds.least(rows, starts, out, at, length);
    }

    @Override
    public void most(float[] rows, int[] starts, float[] out, int at, int length) {
        PlainBounds.most(rows, starts, out, at, length);
    }

    @Override
    public void share(float[] least, float[] most, Room room, float[] share, int from, int length) {
        PlainBounds.share(least, most, room, share, from, length);
    }

    @Override
    public void addWithin(
            float[] plain,
            float[] found,
            int at,
            float[] share,
            float[] least,
            float[] most,
            int from,
            float[] out,
            int length) {
        PlainBounds.addWithin(plain, found, at, share, least, most, from, out, length);
    }

    @Override
    public void addSquaredSlopes(float[] in, int from, int apart, float[] sums, int length) {
        PlainSlopes.addSquaredSlopes(in, from, apart, sums, length);
    }

    @Override
    public void addSteps(float[] in, int from, int next, float most, float[] sums, float[] counts, int length) {
        PlainSlopes.addSteps(in, from, next, most, sums, counts, length);
    }
}
