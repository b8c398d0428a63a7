package embrick.core.colour.chain;

import embrick.core.lanes.Lanes;

/**
 * A table over the even steps of one to four channels: a CLUT of ICC.1. Values are clipped to 0..1.
 *
 * <p>Between nodes: over tetrahedra where device values come in, over all eight corners of a cell where L*a*b* comes in,
 * whose greys run along an edge of the cells and not through them. The first of four channels is taken evenly. So do the
 * engines that profiles are tried with.
 */
public final class Table extends Step {
    /** How a colour between nodes is found. */
    public enum Between {
        TETRAHEDRA,
        CORNERS
    }

    /** Floats of a node. */
    private static final int STRIDE = 4;
    /** Its corners. */
    private static final int TETRAHEDRON = 4;

    private final Lanes lanes = Lanes.best();
    private final int[] sides;
    private final Between between;
    /** Each node padded to {@link #STRIDE} floats. */
    private final float[] nodes;

    /**
     * @param sides steps of each channel, 2 or more
     * @param out channels of each node, at most 4
     * @param values node after node, the last channel changing fastest
     */
    public Table(int[] sides, int out, float[] values, Between between) {
        super(sides.length, out);
        long count = 1;
        for (int side : sides) {
            if (side < 2) {
                throw new IllegalArgumentException("sides: expected 2 or more steps, got " + side);
            }
            count *= side;
        }
        boolean isKnown = sides.length == 1 || sides.length == 3 || sides.length == 4;
        if (!isKnown || out < 1 || out > STRIDE || values.length != count * out) {
            throw new IllegalArgumentException("table: expected " + count + " nodes of " + out + " channels, got "
                    + values.length + " values for " + sides.length + " channels");
        }
        this.sides = sides.clone();
        this.between = between;
        this.nodes = new float[Math.toIntExact(count * STRIDE)];
        for (int node = 0; node < count; node++) {
            System.arraycopy(values, node * out, nodes, node * STRIDE, out);
        }
    }

    @Override
    void apply(Block in, Block out, int pixels) {
        mix(in, out, pixels);
        out.takeMixed(channelsOut(), pixels);
    }

    /** Leaves the colours in {@link Block#mixed}. */
    void mix(Block in, Block out, int pixels) {
        switch (sides.length) {
            case 1 -> mixNodes(out, alongOne(in, out, pixels), pixels);
            case 3 -> overThree(in, out, pixels);
            default -> mixNodes(out, overFour(in, out, pixels), pixels);
        }
    }

    private void mixNodes(Block out, int taps, int pixels) {
        lanes.mixNodes(nodes, out.places, out.weights, taps, Block.ROW, out.mixed, pixels);
    }

    private void overThree(Block in, Block out, int pixels) {
        switch (between) {
            case CORNERS -> {
                lanes.cellsOf(in.planes, sides, out.places, out.weights, Block.ROW, pixels);
                lanes.mixCorners(nodes, sides, out.places, out.weights, Block.ROW, out.mixed, pixels);
            }
            case TETRAHEDRA -> {
                lanes.tetrahedraOf(in.planes, 0, sides, 0, out.places, out.weights, Block.ROW, pixels);
                mixNodes(out, TETRAHEDRON, pixels);
            }
        }
    }

    private int alongOne(Block in, Block out, int pixels) {
        int last = sides[0] - 1;
        for (int i = 0; i < pixels; i++) {
            float at = Math.clamp(in.planes[i], 0f, 1f) * last;
            int below = Math.min((int) at, last - 1);
            float part = at - below;
            out.places[i] = below * STRIDE;
            out.places[Block.ROW + i] = (below + 1) * STRIDE;
            out.weights[i] = 1 - part;
            out.weights[Block.ROW + i] = part;
        }
        return 2;
    }

    private int overFour(Block in, Block out, int pixels) {
        lanes.tetrahedraOf(in.planes, Block.ROW, sides, 1, out.places, out.weights, Block.ROW, pixels);
        int slab = sides[1] * sides[2] * sides[3] * STRIDE;
        int last = sides[0] - 1;
        for (int tap = 0; tap < TETRAHEDRON; tap++) {
            int lower = tap * Block.ROW;
            int upper = (tap + TETRAHEDRON) * Block.ROW;
            for (int i = 0; i < pixels; i++) {
                float at = Math.clamp(in.planes[i], 0f, 1f) * last;
                int below = Math.min((int) at, last - 1);
                int place = out.places[lower + i] + below * slab;
                float weight = out.weights[lower + i];
                float part = at - below;
                out.places[lower + i] = place;
                out.places[upper + i] = place + slab;
                out.weights[upper + i] = weight * part;
                out.weights[lower + i] = weight * (1 - part);
            }
        }
        return 2 * TETRAHEDRON;
    }
}
