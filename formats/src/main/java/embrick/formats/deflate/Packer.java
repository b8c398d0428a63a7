package embrick.formats.deflate;

import static java.lang.foreign.ValueLayout.JAVA_BYTE;

import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.zip.Adler32;

/**
 * Packs bytes by Deflate. One thread's own.
 *
 * <p><b>Parts.</b> libdeflate packs whole streams only, each ended by a block that says it is the last. Parts of one stream
 * are packed as such; then the mark is taken off that block and an empty stored block put behind it, which ends on a whole
 * byte (RFC 1951, 3.2.4): the next part can follow. Where the last block begins only unpacking tells. That is done by another
 * library than packed, and what it unpacks to is held against what was packed: a part that this gives is known to be sound.
 */
public final class Packer implements AutoCloseable {
    /** On filtered photographs a higher level costs twice the time for a hundredth of the size. */
    private static final int LEVEL = 4;

    private static final byte[] ZLIB_HEADER = {0x78, 0x5E};
    private static final byte[] NO_BYTES = {0, 0, (byte) 0xFF, (byte) 0xFF};
    private static final int STORED_HEADER_BITS = 3;
    private static final int MOST_STORED = 65535;

    private final Arena arena = Arena.ofConfined();
    /** Made when something is packed: many writers never do. */
    private LibDeflate deflate;

    private BlockWalk walk;
    private MemorySegment in = MemorySegment.NULL;
    private MemorySegment packed = MemorySegment.NULL;
    private MemorySegment again = MemorySegment.NULL;

    /** Where a part belongs in its stream. */
    public enum Place {
        INSIDE,
        /** The last, whose last block ends the stream. */
        LAST
    }

    /**
     * A part of a stream, packed.
     *
     * @param adler32 of its bytes unpacked, {@code length} of them
     */
    public record Part(byte[] packed, int adler32, int length) {}

    /** A whole stream in the zlib format. */
    public byte[] whole(byte[] bytes, int length) {
        Part part = part(bytes, length, Place.LAST);
        byte[] stream = Arrays.copyOf(ZLIB_HEADER, ZLIB_HEADER.length + part.packed.length + Integer.BYTES);
        System.arraycopy(part.packed, 0, stream, ZLIB_HEADER.length, part.packed.length);
        ByteBuffer.wrap(stream).putInt(stream.length - Integer.BYTES, part.adler32);
        return stream;
    }

    /** What a stream of parts begins with. */
    public static byte[] header() {
        return ZLIB_HEADER.clone();
    }

    /** Packs the first {@code length} bytes as a part of a stream. */
    public Part part(byte[] bytes, int length, Place place) {
        if (length == 0) {
            return stored(bytes, 0, place);
        }
        makeRoom(length);
        MemorySegment given = in.asSlice(0, length);
        MemorySegment.copy(bytes, 0, given, JAVA_BYTE, 0, length);
        MemorySegment made = packed.asSlice(0, deflate.compress(given, packed));
        MemorySegment unpacked = again.asSlice(0, length);
        BlockWalk.LastBlock last = walk.walk(made, unpacked);
        if (unpacked.mismatch(given) >= 0) {
            throw new IllegalStateException("packed bytes unpack to others");
        }
        Adler32 adler = new Adler32();
        adler.update(bytes, 0, length);
        byte[] part = made.toArray(JAVA_BYTE);
        return new Part(place == Place.LAST ? part : goingOn(part, last), (int) adler.getValue(), length);
    }

    /** Bytes as they are, in stored blocks (RFC 1951, 3.2.4): for a stream that need not be small. */
    public static Part stored(byte[] bytes, int length, Place place) {
        int blocks = Math.max(1, Math.ceilDiv(length, MOST_STORED));
        ByteBuffer out = ByteBuffer.allocate(length + 5 * blocks).order(ByteOrder.LITTLE_ENDIAN);
        for (int block = 0; block < blocks; block++) {
            int from = block * MOST_STORED;
            int count = Math.min(MOST_STORED, length - from);
            boolean isLast = place == Place.LAST && block == blocks - 1;
            out.put((byte) (isLast ? 1 : 0)).putShort((short) count).putShort((short) ~count);
            out.put(bytes, from, count);
        }
        Adler32 adler = new Adler32();
        adler.update(bytes, 0, length);
        return new Part(out.array(), (int) adler.getValue(), length);
    }

    private void makeRoom(int length) {
        if (deflate == null) {
            deflate = new LibDeflate(LEVEL);
            walk = new BlockWalk();
        }
        if (in.byteSize() < length) {
            in = arena.allocate(length);
            again = arena.allocate(length);
            packed = arena.allocate(deflate.bound(length));
        }
    }

    private static byte[] goingOn(byte[] part, BlockWalk.LastBlock last) {
        part[(int) (last.begins() / 8)] &= (byte) ~(1 << last.begins() % 8);
        // The stored block's header is three zeros, and so are the bits up to the byte behind it.
        int whole = Math.toIntExact(Math.ceilDiv(last.ends() + STORED_HEADER_BITS, 8L));
        byte[] joined = Arrays.copyOf(part, whole + NO_BYTES.length);
        System.arraycopy(NO_BYTES, 0, joined, whole, NO_BYTES.length);
        return joined;
    }

    @Override
    public void close() {
        if (deflate != null) {
            deflate.close();
            walk.close();
        }
        arena.close();
    }
}
