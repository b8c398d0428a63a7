package embrick.formats.deflate;

/** The Adler-32 checksum (RFC 1950, 8.2) of bytes that were summed in parts. */
public final class Adler {
    private static final long BASE = 65521;

    private long low = 1;
    private long high;

    /**
     * Adds the part that follows. With n its length, a and b its own sums: every one of its n steps adds what had been summed
     * before to the second sum; the 1 that its own first sum began with counts once too often.
     */
    public void add(Packer.Part part) {
        long a = part.adler32() & 0xFFFF;
        long b = part.adler32() >>> 16;
        long n = part.length() % BASE;
        high = Math.floorMod(high + b + n * (low - 1), BASE);
        low = Math.floorMod(low + a - 1, BASE);
    }

    public int value() {
        return (int) (high << 16 | low);
    }
}
