package embrick.core.sharpen;

/**
 * A plane that is given row by row, downwards, for any span of its columns, and what a result depends on of it.
 *
 * <p>{@link #from} begins a span; then rows are fed, and a row's result can be asked for once all rows up to its
 * {@link #endRow} are there.
 */
interface FedRows {
    /** First column that a result's column depends on. */
    int firstColumn(int x);

    /** One past the last column that a result's column depends on. */
    int endColumn(int x);

    int firstRow(int y);

    int endRow(int y);

    /** Most rows that so many rows together depend on. */
    int rowsFor(int together);

    /**
     * Begins a span.
     *
     * @param x its first column and {@code columns} their number: from {@link #firstColumn} to {@link #endColumn} of what
     *     is wanted
     * @param y the first row that will be fed: a {@link #firstRow}
     * @param rows most rows that will be asked for together
     */
    void from(int x, int columns, int y, int rows);

    /** The row that {@link #feed} expects next. */
    int nextRow();

    /** Takes the next row of the span, from {@code at} in the array. */
    void feed(float[] plane, int at);
}
