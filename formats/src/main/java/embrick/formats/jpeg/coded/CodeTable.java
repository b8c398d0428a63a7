package embrick.formats.jpeg.coded;

/** A Huffman table (ITU-T T.81, annexes C and F.2.2.3): codes of 1 to 16 bits to symbols of 8. */
final class CodeTable {
    private static final int QUICK_BITS = 9;
    private static final int MOST_BITS = 16;

    /** Of every beginning of 9 bits: symbol × 32 + length of its code; 0 where the code is longer, or none. */
    private final short[] quick = new short[1 << QUICK_BITS];
    /** By length: the first code beyond those of that length, shifted to 16 bits; none are that long where it is 0. */
    private final int[] beyond = new int[MOST_BITS + 1];
    /** By length: what to add to a code to get its symbol's place. */
    private final int[] offset = new int[MOST_BITS + 1];

    private final byte[] symbols;
    /** By symbol: its code × 32 + the code's length; 0 where it has none. */
    private final int[] codes = new int[256];

    /**
     * @param counts of codes by their length, the first of length 1
     * @param symbols in the order of their codes
     * @throws DamagedCodeException if there are more codes than the lengths have room for
     */
    CodeTable(int[] counts, byte[] symbols) throws DamagedCodeException {
        this.symbols = symbols;
        int code = 0;
        int place = 0;
        for (int length = 1; length <= MOST_BITS; length++) {
            int count = counts[length - 1];
            offset[length] = place - code;
            for (int i = 0; i < count; i++) {
                codes[symbols[place + i] & 0xff] = code + i << 5 | length;
            }
            if (length <= QUICK_BITS) {
                int rest = QUICK_BITS - length;
                for (int i = 0; i < count; i++) {
                    int first = (code + i) << rest;
                    for (int tail = 0; tail < 1 << rest && first + tail < quick.length; tail++) {
                        quick[first + tail] = (short) ((symbols[place + i] & 0xff) << 5 | length);
                    }
                }
            }
            code += count;
            place += count;
            if (code > 1 << length) {
                throw new DamagedCodeException("has a code table with more codes than fit");
            }
            beyond[length] = count == 0 ? 0 : code << MOST_BITS - length;
            code <<= 1;
        }
    }

    /** A symbol's code × 32 + the length of the code; 0 if the table has none for it. */
    int code(int symbol) {
        return codes[symbol];
    }

    /** The next symbol. */
    int next(CodedBits bits) throws DamagedCodeException {
        int ahead = bits.peek16();
        int found = quick[ahead >> MOST_BITS - QUICK_BITS];
        if (found != 0) {
            bits.skip(found & 31);
            return found >> 5 & 0xff;
        }
        for (int length = QUICK_BITS + 1; length <= MOST_BITS; length++) {
            if (ahead < beyond[length]) {
                bits.skip(length);
                return symbols[(ahead >> MOST_BITS - length) + offset[length]] & 0xff;
            }
        }
        throw new DamagedCodeException("has a code that does not exist");
    }
}
