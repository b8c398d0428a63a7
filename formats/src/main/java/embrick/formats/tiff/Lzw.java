package embrick.formats.tiff;

import java.nio.ByteBuffer;
import java.util.Arrays;

/**
 * LZW as TIFF has it (TIFF 6.0, section 13): codes of 9 to 12 bits, the highest bit first, each width left one code early.
 * One thread's own.
 */
final class Lzw {
    private static final int CLEAR = 256;
    private static final int END = 257;
    private static final int FIRST = 258;
    private static final int LEAST_WIDTH = 9;
    private static final int MOST_WIDTH = 12;
    /** The table is begun anew when so many codes are known: one more would need a thirteenth bit. */
    private static final int FULL = (1 << MOST_WIDTH) - 2;

    private static final int PLACES = 1 << 14;

    /** Of each place of the table, the known sequence and the byte behind it; -1 where there is none. */
    private final int[] keys = new int[PLACES];

    private final int[] codes = new int[PLACES];
    private byte[] out = new byte[0];
    private int filled;
    private int bits;
    private int waiting;
    private int width;
    private int next;

    byte[] pack(byte[] in) {
        // No byte takes more than one code; and a code that clears the table comes once in thousands.
        int most = in.length / 2 * 3 + in.length / 1000 + 64;
        if (out.length < most) {
            out = new byte[most];
        }
        filled = 0;
        bits = 0;
        waiting = 0;
        clear(LEAST_WIDTH);
        if (in.length > 0) {
            int known = in[0] & 0xff;
            for (int i = 1; i < in.length; i++) {
                int value = in[i] & 0xff;
                int place = place(known << 8 | value);
                if (keys[place] >= 0) {
                    known = codes[place];
                    continue;
                }
                put(known);
                keys[place] = known << 8 | value;
                codes[place] = next;
                count();
                known = value;
            }
            put(known);
            count();
        }
        put(END);
        if (waiting > 0) {
            out[filled++] = (byte) (bits << (8 - waiting));
        }
        return Arrays.copyOf(out, filled);
    }

    /** Where a key stands, or where it belongs. */
    private int place(int key) {
        int place = key * 0x9E37_79B1 >>> 18;
        while (keys[place] >= 0 && keys[place] != key) {
            place = place + 1 & PLACES - 1;
        }
        return place;
    }

    /** A code more is known: codes grow wider, or the table is begun anew. */
    private void count() {
        next++;
        if (next == FULL) {
            clear(width);
        } else if (next == 1 << width) {
            width++;
        }
    }

    private void clear(int widthOfClear) {
        width = widthOfClear;
        put(CLEAR);
        width = LEAST_WIDTH;
        next = FIRST;
        Arrays.fill(keys, -1);
    }

    private void put(int code) {
        bits = bits << width | code;
        waiting += width;
        while (waiting >= 8) {
            waiting -= 8;
            out[filled++] = (byte) (bits >>> waiting);
        }
        bits &= (1 << waiting) - 1;
    }

    /**
     * Unpacks a strip. Returns the number of bytes, or -1 if the strip is damaged or holds more than there is room for.
     *
     * <p>Each code stands for a sequence that occurred before. The table keeps where in the output it begins, and its length.
     */
    static int unpack(ByteBuffer packed, byte[] to) {
        int[] starts = new int[1 << MOST_WIDTH];
        int[] lengths = new int[1 << MOST_WIDTH];
        int at = 0;
        int width = LEAST_WIDTH;
        int next = FIRST;
        int beforeLength = 0;
        int bits = 0;
        int waiting = 0;
        while (true) {
            while (waiting < width) {
                if (!packed.hasRemaining()) {
                    return -1;
                }
                bits = bits << 8 | packed.get() & 0xff;
                waiting += 8;
            }
            waiting -= width;
            int code = bits >>> waiting;
            bits &= (1 << waiting) - 1;
            if (code == END) {
                return at;
            }
            if (code == CLEAR) {
                width = LEAST_WIDTH;
                next = FIRST;
                beforeLength = 0;
                continue;
            }
            if (beforeLength > 0 && next < starts.length) {
                starts[next] = at - beforeLength;
                lengths[next++] = beforeLength + 1;
            }
            if (code >= next) {
                return -1;
            }
            int length = code < CLEAR ? 1 : lengths[code];
            if (length > to.length - at) {
                return -1;
            }
            if (code < CLEAR) {
                to[at] = (byte) code;
            } else {
                // Byte by byte: the newest sequence reaches into what it is copied to.
                for (int i = 0; i < length; i++) {
                    to[at + i] = to[starts[code] + i];
                }
            }
            at += length;
            beforeLength = length;
            if (next == (1 << width) - 1 && width < MOST_WIDTH) {
                width++;
            }
        }
    }
}
