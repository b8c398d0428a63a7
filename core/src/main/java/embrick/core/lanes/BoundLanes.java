package embrick.core.lanes;

/** What neighbours let be added to a value: their range, and a share of what was found within it. */
public interface BoundLanes {
    /**
     * How much is added, by how far neighbours range.
     *
     * @param even of neighbours that range over less nothing is added
     * @param shown from here on all of it is
     * @param least the share of it that is added even where neighbours are even
     * @param all the share that is added where they are not
     * @param beyond the share of their range by which neighbours may be left
     */
    record Room(float even, float shown, float least, float all, float beyond) {}

    /** The least of several rows: {@code out[at + i]} is the least of {@code rows[starts[t] + i]}; up to {@link Lanes#SLACK} more may be written. */
    void least(float[] rows, int[] starts, float[] out, int at, int length);

    /** The most of them, likewise. */
    void most(float[] rows, int[] starts, float[] out, int at, int length);

    /**
     * From the least and the most of neighbours to how much is added, and to the least and the most that it may lead to; the
     * arrays reach {@link Lanes#SLACK} beyond, which may be written.
     */
    void share(float[] least, float[] most, Room room, float[] share, int from, int length);

    /**
     * What is added: {@code out[i] = held − plain[i]}, where held is {@code plain[i] + found[at + i] · share[from + i]}, held to the
     * least and the most; up to {@link Lanes#SLACK} more may be written.
     */
    void addWithin(
            float[] plain,
            float[] found,
            int at,
            float[] share,
            float[] least,
            float[] most,
            int from,
            float[] out,
            int length);
}
