package embrick.core.ticket;

/** Bits a channel in files that can hold either. */
public enum Depth {
    /** 16 bit for originals of 16 bit, else 8. */
    AS_ORIGINAL,
    EIGHT,
    SIXTEEN;

    /** The bits for an original of so many. */
    public int bits(int original) {
        return switch (this) {
            case AS_ORIGINAL -> original;
            case EIGHT -> 8;
            case SIXTEEN -> 16;
        };
    }
}
