package embrick.core.sharpen;

/** A blur of a plane, whose weights add up to one. */
interface PlaneBlur extends FedRows {
    /** The blurred columns of row {@code y}, from {@code x}; all rows up to {@link #endRow} must have been fed. */
    void row(int y, int x, int count, float[] into);
}
