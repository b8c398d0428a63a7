package embrick.core.lanes;

import java.lang.foreign.MemorySegment;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/**
 * Vector code: the loops themselves, by kind, in classes of their own; what is left of a row, less than a register, is done
 * plainly.
 *
 * <p><b>Each loop is a short method.</b> The compiler must take a whole loop into one unit, down to the single operation on a
 * register; what it does not take in makes an object of every register it hands over, which costs fifty times the work. How
 * much it takes in is bounded, and in a process that has done work of many kinds the bound is met sooner than in one that
 * has done one: a loop with all counts of taps in one method was fast in a bench and slow in the application.
 */
public final class VectorLanes implements Lanes {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private final PlainLanes plain = new PlainLanes();

    @Override
    public void mixRows(
            float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int at, int length) {
        int done = VectorMixing.rows(rows, starts, weights, from, taps, out, at, length);
        PlainLanes.mixRows(rows, starts, weights, from, taps, out, at, done, length);
    }

    @Override
    public void mixPixels(
            float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count) {
        switch (channels) {
            case 3 -> {
                VectorPixels.ofThree(row, starts, weights, taps, into, at, count - 1);
                // Four lanes would write beyond the row's end.
                int last = count - 1;
                PlainLanes.mixPixel(row, starts[last], weights, last * taps * 4, taps, 3, into, at + last * 3);
            }
            case 4 -> VectorPixels.ofFour(row, starts, weights, taps, into, at, count);
            default -> plain.mixPixels(row, starts, weights, taps, channels, into, at, count);
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
        VectorMixing.blocks(area, starts, stride, down, from, taps, length, out, apart, count);
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
        if (!VectorTurning.isFit()) {
            plain.turn(in, from, inApart, inNext, out, at, outApart, outNext, squares);
            return;
        }
        VectorTurning.far(in, from, inApart, inNext, out, at, outApart, outNext, squares);
        VectorTurning.near(out, at, outApart, outNext, squares);
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
    public void toPlanes(float[] in, int from, float[] planes, int row, int count) {
        int done = VectorTriples.apart(in, from, planes, row, count);
        PlainLanes.toPlanes(in, from, planes, row, done, count);
    }

    @Override
    public void fromPlanes(float[] planes, int row, float[] out, int at, int count) {
        int done = VectorTriples.together(planes, row, out, at, count);
        PlainLanes.fromPlanes(planes, row, out, at, done, count);
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
        VectorDistances.weigh(coefficients, x, y, step, width, rows, out);
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
        VectorPlanes.filterRow(in, from, taps, filters, group, out, at, outPlane, length);
    }

    @Override
    public void least(float[] rows, int[] starts, float[] out, int at, int length) {
        VectorBounds.least(rows, starts, out, at, length);
    }

    @Override
    public void most(float[] rows, int[] starts, float[] out, int at, int length) {
        VectorBounds.most(rows, starts, out, at, length);
    }

    @Override
    public void share(float[] least, float[] most, Room room, float[] share, int from, int length) {
        VectorBounds.share(least, most, room, share, from, length);
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
        VectorBounds.addWithin(plain, found, at, share, least, most, from, out, length);
    }

    @Override
    public void addSquaredSlopes(float[] in, int from, int apart, float[] sums, int length) {
        VectorSlopes.addSquaredSlopes(in, from, apart, sums, length);
    }

    @Override
    public void addSteps(float[] in, int from, int next, float most, float[] sums, float[] counts, int length) {
        VectorSlopes.addSteps(in, from, next, most, sums, counts, length);
    }
}
