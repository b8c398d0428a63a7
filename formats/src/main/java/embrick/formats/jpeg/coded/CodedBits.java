package embrick.formats.jpeg.coded;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** Bits of a scan's coded data: stuffed zeros taken out, ended by a marker (ITU-T T.81, B.1.1.5 and F.1.2.3). */
final class CodedBits {
    private static final int CHUNK = 1 << 16;
    private static final int NO_MARKER = -1;
    private static final VarHandle BYTES = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.BIG_ENDIAN);
    /** A 1 in every byte. */
    private static final long ONES = 0x0101010101010101L;

    private final MemorySegment file;
    private final byte[] chunk = new byte[CHUNK];
    private long chunkAt;
    private int chunkLength;
    private int at;
    private long bits;
    private int count;
    private int marker = NO_MARKER;
    /** Zero bits that were lent beyond the data's end. */
    private int lent;

    CodedBits(MemorySegment file, long from) {
        this.file = file;
        begin(from);
    }

    private void begin(long from) {
        chunkAt = from;
        chunkLength = 0;
        at = 0;
    }

    /** The next byte of the file; −1 at its end. */
    private int read() {
        if (at == chunkLength) {
            chunkAt += chunkLength;
            chunkLength = (int) Math.min(CHUNK, file.byteSize() - chunkAt);
            at = 0;
            if (chunkLength <= 0) {
                chunkLength = 0;
                return -1;
            }
            MemorySegment.copy(file, ValueLayout.JAVA_BYTE, chunkAt, chunk, 0, chunkLength);
        }
        return chunk[at++] & 0xff;
    }

    private void fill() {
        if (marker == NO_MARKER && count <= Long.SIZE - 48 && chunkLength - at >= Long.BYTES) {
            long next = (long) BYTES.get(chunk, at);
            // Whether any byte is FF: its complement is then 0, and taking 1 from that borrows (the usual test for a
            // zero byte).
            if ((~next - ONES & next & ONES << 7) == 0) {
                bits = bits << 48 | next >>> 16;
                count += 48;
                at += 6;
                return;
            }
        }
        while (count <= 48) {
            int value = marker == NO_MARKER ? next() : 0;
            if (marker != NO_MARKER) {
                lent += 8;
                value = 0;
            }
            bits = bits << 8 | value;
            count += 8;
        }
    }

    /** The next byte of data, or the marker noted that ends them. */
    private int next() {
        int value = read();
        if (value != 0xFF) {
            if (value < 0) {
                marker = 0;
            }
            return value;
        }
        int after = read();
        while (after == 0xFF) {
            after = read();
        }
        if (after == 0) {
            return 0xFF;
        }
        marker = Math.max(0, after);
        return 0;
    }

    /** The next 16 bits, zeros beyond the data's end. */
    int peek16() {
        if (count < 16) {
            fill();
        }
        return (int) (bits >>> count - 16) & 0xFFFF;
    }

    void skip(int length) {
        count -= length;
    }

    /** The next bits as a number; 0 to 16 of them. */
    int take(int length) {
        if (length == 0) {
            return 0;
        }
        int value = peek16() >> 16 - length;
        count -= length;
        return value;
    }

    /** A number of so many bits whose sign is in its first (T.81, F.2.2.1, EXTEND). */
    int takeSigned(int length) {
        int value = take(length);
        return length == 0 || value >= 1 << length - 1 ? value : value - (1 << length) + 1;
    }

    /** Whether more was taken than there is. */
    boolean isOverdrawn() {
        return count < lent;
    }

    /**
     * Ends a stretch of data, which must be used up to its last, padded byte.
     *
     * @return the marker behind it; 0 where the file ends
     */
    int end() throws DamagedCodeException {
        if (marker == NO_MARKER) {
            // Whole bytes that nobody asked for are either the marker's or stray.
            if (count - lent >= 8 || next() >= 0 && marker == NO_MARKER) {
                throw new DamagedCodeException("has data that belong to nothing");
            }
        } else if (count - lent >= 8) {
            throw new DamagedCodeException("has data that belong to nothing");
        }
        int found = marker;
        marker = NO_MARKER;
        bits = 0;
        count = 0;
        lent = 0;
        return found;
    }

    /** Where in the file the next bit lies: byte × 8 + bit, the first bit of a byte being its highest. */
    long place() {
        long behind = chunkAt + at;
        if (marker != NO_MARKER) {
            behind -= marker == 0 ? 0 : 2;
            while (marker != 0 && unsigned(behind - 1) == 0xFF) {
                behind--;
            }
        }
        int left = count - lent;
        int bytes = Math.ceilDiv(left, 8);
        for (int i = 0; i < bytes; i++) {
            boolean isStuffed = unsigned(behind - 1) == 0 && unsigned(behind - 2) == 0xFF;
            behind -= isStuffed ? 2 : 1;
        }
        return behind * 8 + bytes * 8 - left;
    }

    private int unsigned(long place) {
        return file.get(ValueLayout.JAVA_BYTE, place) & 0xff;
    }

    /** Where reading goes on in the file: behind the marker that {@link #end} gave. */
    long position() {
        return chunkAt + at;
    }
}
