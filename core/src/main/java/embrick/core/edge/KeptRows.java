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
 * band needs beyond that is made again. So memory stays bounded and, at usual sizes, each row is made once.
 */
final class KeptRows {
    /** 64 MiB of floats for one band: 3 in of a sheet of 20 in at 300 ppi. */
    static final int MOST_KEPT = 1 << 24;
    /** Rows made together. */
    private static final int TOGETHER = 64;

    private final PixelSource source;
    private final int width;
    private final int channels;
    private final Store head;
    private final Store tail;

    private float[] block = new float[0];
    private Span blockRows = new Span(0, 0);
    private Span columns;

    /** @param top rows that are read again above, {@code foot} below */
    KeptRows(PixelSource source, PixelSize size, int channels, int top, int foot) {
        this.source = source;
        this.width = size.width();
        this.channels = channels;
        this.columns = new Span(0, width);
        int most = Math.max(1, MOST_KEPT / Math.multiplyExact(width, channels));
        int height = size.height();
        int headEnd = Math.min(Math.min(top, most), height);
        int tailFrom = Math.max(headEnd, height - Math.min(foot, most));
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

        void makeUpTo(int end) {
            if (end <= made) {
                return;
            }
            if (samples.length == 0) {
                samples = new float[Math.multiplyExact(rows.length(), Math.multiplyExact(width, channels))];
            }
            while (made < end) {
                int count = Math.min(TOGETHER, end - made);
                source.render(new PixelRect(0, made, width, count), samples, offset(made));
                made += count;
            }
        }

        int offset(int row) {
            return (row - rows.from()) * width * channels;
        }

        boolean has(int row) {
            return row >= rows.from() && row < rows.end();
        }
    }

    /** Sees to it that a rectangle of the sheet can be read. */
    void hold(Span wantedColumns, Span wantedRows) {
        columns = wantedColumns;
        blockRows = new Span(0, 0);
        if (wantedColumns.length() < width) {
            make(wantedRows);
            return;
        }
        // In the order in which the rows lie, so that the source goes on where it was.
        if (head.has(wantedRows.from())) {
            // All of it: rows of a band are wanted from the last to the first.
            head.makeUpTo(head.rows.end());
        }
        int from = Math.max(wantedRows.from(), head.rows.end());
        int end = Math.min(wantedRows.end(), tail.rows.from());
        if (from < end) {
            make(new Span(from, end));
        }
        if (tail.has(wantedRows.end() - 1)) {
            tail.makeUpTo(wantedRows.end());
        }
    }

    private void make(Span rows) {
        int needed = Math.multiplyExact(rows.length(), Math.multiplyExact(columns.length(), channels));
        if (block.length < needed) {
            block = new float[needed];
        }
        source.render(new PixelRect(columns.from(), rows.from(), columns.length(), rows.length()), block, 0);
        blockRows = rows;
    }

    /** The array that holds a row which is held. */
    float[] samples(int row) {
        return storeOf(row) == null ? block : storeOf(row).samples;
    }

    /** Where in it the row's first held column begins. */
    int offset(int row) {
        Store store = storeOf(row);
        return store == null ? (row - blockRows.from()) * columns.length() * channels : store.offset(row);
    }

    private Store storeOf(int row) {
        if (row >= blockRows.from() && row < blockRows.end()) {
            return null;
        }
        return head.has(row) ? head : tail;
    }
}
