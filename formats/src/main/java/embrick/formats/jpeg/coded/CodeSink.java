package embrick.formats.jpeg.coded;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;

/** Coded data as they are written: bits one after the other, a zero stuffed behind every byte of ones (T.81, F.1.2.3). */
final class CodeSink {
    private static final VarHandle LONGS = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.BIG_ENDIAN);
    /** A long whose every byte is stuffed. */
    private static final int ROOM = 2 * Long.BYTES;

    private byte[] bytes;
    private int at;
    private long pending;
    /** Bits that fill no byte yet: 0 to 7. */
    private int count;

    /** @param head what stands before the coded data, {@code more} bytes that may follow */
    CodeSink(byte[] head, int more) {
        bytes = Arrays.copyOf(head, head.length + more + ROOM);
        at = head.length;
    }

    /** So many low bits of a value, at most 16. */
    void put(int value, int length) {
        pending = pending << length | value & (1L << length) - 1;
        count += length;
        makeRoom();
        while (count >= 8) {
            count -= 8;
            stuffed((byte) (pending >>> count));
        }
    }

    /**
     * Bits of a file's coded data as they stand there.
     *
     * @param from byte × 8 + bit, {@code to} likewise, not before it
     */
    void copy(MemorySegment file, long from, long to) {
        int first = (int) (from & 7);
        int last = (int) (to & 7);
        byte[] source = file.asSlice(from >>> 3, (to >>> 3) - (from >>> 3) + (last > 0 ? 1 : 0))
                .toArray(ValueLayout.JAVA_BYTE);
        int end = source.length - (last > 0 ? 1 : 0);
        if (end == 0) {
            put(source[0] >> 8 - last, last - first);
            return;
        }
        put(source[0], 8 - first);
        int next = source[0] == (byte) 0xFF ? 2 : 1;
        while (next < end) {
            if (next + Long.BYTES <= end) {
                long eight = (long) LONGS.get(source, next);
                if (!hasOnes(eight)) {
                    putEight(eight);
                    next += Long.BYTES;
                    continue;
                }
            }
            put(source[next], 8);
            next += source[next] == (byte) 0xFF ? 2 : 1;
        }
        if (last > 0) {
            put((source[end] & 0xff) >> 8 - last, last);
        }
    }

    private void putEight(long value) {
        long whole = count == 0 ? value : pending << Long.SIZE - count | value >>> count;
        pending = value;
        makeRoom();
        if (hasOnes(whole)) {
            for (int shift = Long.SIZE - 8; shift >= 0; shift -= 8) {
                stuffed((byte) (whole >>> shift));
            }
        } else {
            LONGS.set(bytes, at, whole);
            at += Long.BYTES;
        }
    }

    /** Whether any byte is FF: its complement is then 0, and taking 1 from that borrows. */
    private static boolean hasOnes(long eight) {
        return (~eight - 0x0101010101010101L & eight & 0x8080808080808080L) != 0;
    }

    private void stuffed(byte value) {
        bytes[at++] = value;
        if (value == (byte) 0xFF) {
            bytes[at++] = 0;
        }
    }

    private void makeRoom() {
        if (at + ROOM > bytes.length) {
            bytes = Arrays.copyOf(bytes, bytes.length + (bytes.length >> 2) + ROOM);
        }
    }

    /** Coded bytes of a file as they stand there, at a byte's beginning, restarts counted anew. */
    void copyWithRestarts(MemorySegment file, long from, long to) {
        byte[] source = file.asSlice(from, to - from).toArray(ValueLayout.JAVA_BYTE);
        int restart = 0;
        for (int i = 0; i + 1 < source.length; i++) {
            if (source[i] == (byte) 0xFF && (source[i + 1] & 0xF8) == 0xD0) {
                source[i + 1] = (byte) (0xD0 | restart++ % 8);
            }
        }
        if (at + source.length + ROOM > bytes.length) {
            bytes = Arrays.copyOf(bytes, at + source.length + ROOM);
        }
        System.arraycopy(source, 0, bytes, at, source.length);
        at += source.length;
    }

    /** All of it, the last byte filled with ones, a marker behind it. */
    byte[] end(int marker) {
        if (count > 0) {
            put(0xFF, 8 - count);
        }
        makeRoom();
        bytes[at++] = (byte) 0xFF;
        bytes[at++] = (byte) marker;
        return Arrays.copyOf(bytes, at);
    }
}
