package embrick.formats.jpeg.coded;

/**
 * The frame of a JPEG: its size, and how each component is sampled (T.81, B.2.2).
 *
 * @param progressive SOF2
 */
record Frame(int width, int height, boolean progressive, Component[] components) {
    private static final int BLOCK = 8;

    /**
     * One of the components. Its blocks are counted as interleaved scans have them, up to whole groups.
     *
     * @param quantization number of its table
     */
    static final class Component {
        final int id;
        final int across;
        final int down;
        final int quantization;
        /** Blocks that hold picture. */
        int blocksWide;

        int blocksHigh;
        /** Blocks in a row of groups. */
        int stride;
        /** Progressive only: which coefficients are not zero, bit k for the k-th in zigzag order. */
        long[] known = new long[0];

        boolean isScanned;

        Component(int id, int across, int down, int quantization) {
            this.id = id;
            this.across = across;
            this.down = down;
            this.quantization = quantization;
        }
    }

    int mostAcross() {
        int most = 1;
        for (Component component : components) {
            most = Math.max(most, component.across);
        }
        return most;
    }

    int mostDown() {
        int most = 1;
        for (Component component : components) {
            most = Math.max(most, component.down);
        }
        return most;
    }

    int groupsWide() {
        return Math.ceilDiv(width, BLOCK * mostAcross());
    }

    int groupsHigh() {
        return Math.ceilDiv(height, BLOCK * mostDown());
    }

    void layOut() {
        for (Component component : components) {
            component.blocksWide = Math.ceilDiv(Math.ceilDiv(width * component.across, mostAcross()), BLOCK);
            component.blocksHigh = Math.ceilDiv(Math.ceilDiv(height * component.down, mostDown()), BLOCK);
            component.stride = groupsWide() * component.across;
            if (progressive) {
                component.known = new long[Math.multiplyExact(component.stride, groupsHigh() * component.down)];
            }
        }
    }
}
