package embrick.formats.png;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** Reads filtered and deflated rows to their last byte without holding them: are they all there, each with a filter? */
public final class PackedRows {
    private static final int LAST_FILTER = 4;

    private final long rowBytes;
    private final long all;
    private final byte[] unpacked = new byte[1 << 16];
    private long at;

    private PackedRows(int width, int height, int channels, int bits) {
        rowBytes = 1 + (long) width * channels * (bits / 8);
        all = rowBytes * height;
    }

    /** @param header an IHDR chunk's data */
    static PackedRows of(ByteBuffer header) {
        return new PackedRows(header.getInt(0), header.getInt(4), header.get(9) == 2 ? 3 : 1, header.get(8));
    }

    /**
     * Reads a whole stream of rows.
     *
     * @throws embrick.formats.picture.UnusablePictureException if anything in it is damaged or missing
     */
    public static void verify(InputStream packed, int width, int height, int channels, int bits) throws IOException {
        PackedRows rows = new PackedRows(width, height, channels, bits);
        byte[] part = new byte[1 << 16];
        try (Inflater inflater = new Inflater()) {
            for (int count = packed.read(part); count >= 0; count = packed.read(part)) {
                rows.take(inflater, java.util.Arrays.copyOf(part, count));
            }
            if (!rows.isComplete() || !inflater.finished()) {
                throw PngVerifier.damaged("ends before its last row");
            }
        } catch (DataFormatException corrupt) {
            throw PngVerifier.damaged("does not unpack: " + corrupt.getMessage());
        }
    }

    void take(Inflater inflater, byte[] packed) throws DataFormatException, IOException {
        inflater.setInput(packed);
        while (!inflater.needsInput() && !inflater.finished()) {
            int count = inflater.inflate(unpacked);
            long next = Math.ceilDiv(at, rowBytes) * rowBytes;
            for (; next < at + count; next += rowBytes) {
                if (unpacked[(int) (next - at)] < 0 || unpacked[(int) (next - at)] > LAST_FILTER) {
                    throw PngVerifier.damaged("has a row with a filter that does not exist");
                }
            }
            at += count;
        }
    }

    boolean isComplete() {
        return at == all;
    }
}
