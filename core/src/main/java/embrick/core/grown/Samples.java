package embrick.core.grown;

/** A long row of numbers of 16 bits without sign, in memory or in a file. */
public interface Samples {
    void put(long at, short[] from, int first, int count);

    void get(long at, short[] into, int first, int count);

    /** In memory. */
    static Samples inMemory(long count) {
        short[] all = new short[Math.toIntExact(count)];
        return new Samples() {
            @Override
            public void put(long at, short[] from, int first, int many) {
                System.arraycopy(from, first, all, (int) at, many);
            }

            @Override
            public void get(long at, short[] into, int first, int many) {
                System.arraycopy(all, (int) at, into, first, many);
            }
        };
    }
}
