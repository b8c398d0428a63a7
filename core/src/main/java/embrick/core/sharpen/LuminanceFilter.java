package embrick.core.sharpen;

/** What sharpening adds to a plane of luminance. */
interface LuminanceFilter extends FedRows {
    /**
     * What is added to row {@code y}, from column {@code x}; all rows up to {@link #endRow} must have been fed.
     *
     * @param before the row itself, from that column on
     */
    void row(int y, int x, int count, float[] before, float[] into);
}
