package embrick.core.pixels;

/** Makes the rows of a {@link Raster} when they are first read. */
public interface RowMaker extends AutoCloseable {
    /** Of a picture that is there whole. */
    RowMaker NOTHING = new RowMaker() {
        @Override
        public void require(int from, int to) {
            // All rows are there.
        }

        @Override
        public void close() {
            // It holds nothing.
        }
    };

    /**
     * Returns when the stored rows from one to before another are there. It is called for every row that is read, from
     * several threads at once.
     *
     * @throws java.io.UncheckedIOException if they cannot be made
     */
    void require(int from, int to);

    @Override
    void close();
}
