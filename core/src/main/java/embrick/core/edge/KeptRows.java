package embrick.core.edge;

import embrick.core.edge.Fold.Span;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;

/**
 * Finished rows of a sheet for whoever reads them more than once.
 *
 * <p>A file is written from the top, and a folded band begins with rows that come again as the sheet's own. The rows next
 * to the upper and the lower band are therefore kept, each once, up to {@link #MOST_KEPT} samples a band; what a wider
 * band needs beyond that is made again. So memory stays bounded and, at usual sizes, each row is made once. Rows that
 * nothing reads again are made a few at a time, as many as stay in the nearest caches until they are copied.
 */
final class KeptRows {
    /** 80 MiB of floats for one band: 3 in of a sheet that is 24 in wide at 300 ppi. */
    static final int MOST_KEPT = 20 << 20;
    /** Rows made together where they are kept. */
    private static final int TOGETHER = 64;
    /** Samples made together where they are not: 1 MiB. */
    private static final int NEAR = 1 << 18;

    private final PixelSource source;
    private final int width;
    private final int rowLength;
    private final Store head;
    private final Store tail;
    private final boolean isReadInOrder;
    private float[] block = new float[0];
    private Span blockRows = new Span(0, 0);

    /** @param top rows that are read again above, {@code bottom} below */
    KeptRows(PixelSource source, PixelSize size, int channels, int top, int bottom) {
        this.source = source;
        this.width = size.width();
        this.rowLength = Math.multiplyExact(width, channels);
        int most = Math.max(1, MOST_KEPT / rowLength);
        int height = size.height();
        int headEnd = Math.min(Math.min(top, most), height);
        int tailFrom = Math.max(headEnd, height - Math.min(bottom, most));
        // Both bands are wholly kept: once the lower one begins, nothing of the upper one comes again.
        this.isReadInOrder = headEnd == top && height - tailFrom == bottom;
        this.head = new Store(new Span(0, headEnd));
        this.tail = new Store(new Span(tailFrom, height));
    }

    /** Rows of which each is made once, in order. */
    private final class Store {
        private final Span rows;
        private float[] samples = new float[0];
        private int made;

        Store(Span rows) {
            this.rows = rows;
            this.made = rows.from();
        }

        boolean has(int row) {
            return row >= rows.from() && row < rows.end();
        }

        void copy(int row, float[] into, int at) {
            makeUpTo(row + 1);
            System.arraycopy(samples, (row - rows.from()) * rowLength, into, at, rowLength);
        }

        void makeUpTo(int end) {
            if (end <= made) {
                return;
            }
            int needed = Math.multiplyExact(rows.length(), rowLength);
            if (samples.length < needed) {
                samples = new float[needed];
            }
            while (made < end) {
                int count = Math.min(TOGETHER, end - made);
                source.render(new PixelRect(0, made, width, count), samples, (made - rows.from()) * rowLength);
                made += count;
            }
        }
    }

    /** Takes over the memory of rows that lie behind; asked for again, they would be made again. */
    private void takeOver() {
        if (tail.samples.length == 0 && isReadInOrder) {
            tail.samples = head.samples;
            head.samples = new float[0];
            head.made = head.rows.from();
        }
    }

    /** Gives one whole row. A band's rows are wanted from the last to the first: then all before it are made at once. */
    void row(int row, float[] into, int at) {
        if (head.has(row)) {
            head.copy(row, into, at);
        } else if (tail.has(row)) {
            takeOver();
            tail.copy(row, into, at);
        } else {
            hold(row);
            System.arraycopy(block, (row - blockRows.from()) * rowLength, into, at, rowLength);
        }
    }

    /** Makes a row and those that will be asked for next. */
    private void hold(int row) {
        if (row >= blockRows.from() && row < blockRows.end()) {
            return;
        }
        int count = Math.clamp(NEAR / rowLength, 1, TOGETHER);
        boolean goesUp = row == blockRows.from() - 1;
        int from = goesUp ? Math.max(head.rows.end(), row - count + 1) : row;
        int end = goesUp ? row + 1 : Math.min(tail.rows.from(), row + count);
        int needed = Math.multiplyExact(count, rowLength);
        if (block.length < needed) {
            block = new float[needed];
        }
        source.render(new PixelRect(0, from, width, end - from), block, 0);
        blockRows = new Span(from, end);
    }
}
