package embrick.formats.tiff;

import embrick.core.units.PixelSize;
import embrick.formats.ifd.Ifd;
import embrick.formats.picture.Damage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.util.Optional;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Unpacks each strip or tile of a TIFF that is packed by Deflate to its end, and so to the checksum that stands there: libtiff
 * stops at the last row it wants and never looks at it. A size that was changed in the directory shows itself here too.
 */
final class DeflateCheck {
    private static final int CHUNK = 1 << 16;

    private final FileChannel channel;
    private final TiffHeader header;
    private final byte[] unpacked = new byte[CHUNK];
    private final ByteBuffer packed = ByteBuffer.allocate(CHUNK);

    private DeflateCheck(FileChannel channel, TiffHeader header) {
        this.channel = channel;
        this.header = header;
    }

    /** @param ifd the header's own directory; nothing is looked at where it is packed another way */
    static Optional<Damage> of(FileChannel channel, TiffHeader header, Ifd ifd) throws IOException {
        Compression compression = header.samples().compression();
        boolean isDeflate = compression == Compression.DEFLATE || compression == Compression.OLD_DEFLATE;
        return isDeflate && header.samples().photometric() != Photometric.YCBCR
                ? new DeflateCheck(channel, header).parts(ifd)
                : Optional.empty();
    }

    private Optional<Damage> parts(Ifd ifd) throws IOException {
        boolean tiled = ifd.has(Ifd.TILE_OFFSETS);
        PixelSize size = header.size();
        long[] offsets =
                ifd.numbers(tiled ? Ifd.TILE_OFFSETS : Ifd.STRIP_OFFSETS).orElse(new long[0]);
        long[] counts = ifd.numbers(tiled ? Ifd.TILE_BYTE_COUNTS : Ifd.STRIP_BYTE_COUNTS)
                .orElse(new long[0]);
        long width = tiled ? ifd.number(Ifd.TILE_WIDTH, size.width()) : size.width();
        long height = Math.max(
                1,
                tiled
                        ? ifd.number(Ifd.TILE_LENGTH, size.height())
                        : Math.min(size.height(), ifd.number(Ifd.ROWS_PER_STRIP, size.height())));
        long rowBytes = Math.ceilDiv(
                width
                        * TileGrid.perPixel(header.samples())
                        * header.samples().depth().bits(),
                8);
        long across = tiled ? Math.ceilDiv((long) size.width(), Math.max(1, width)) : 1;
        long perPlane = across * Math.ceilDiv((long) size.height(), height);
        for (int part = 0; part < Math.min(offsets.length, counts.length); part++) {
            long row = part % perPlane / across * height;
            long rows = tiled ? height : Math.min(height, size.height() - row);
            if (!isWhole(offsets[part], counts[part], rows * rowBytes)) {
                return Optional.of(
                        row == 0
                                ? Damage.anywhere("damaged", "is damaged inside")
                                : Damage.fromRow("damaged", "is damaged inside", (int) row, size.height()));
            }
        }
        return Optional.empty();
    }

    /** Whether a part unpacks to exactly what belongs there, with its checksum. */
    private boolean isWhole(long offset, long count, long expected) throws IOException {
        try (Inflater inflater = new Inflater()) {
            long at = offset;
            long end = offset + count;
            while (!inflater.finished()) {
                int made = inflater.inflate(unpacked);
                if (inflater.getBytesWritten() > expected || inflater.needsDictionary()) {
                    return false;
                }
                if (made == 0 && inflater.needsInput() && !inflater.finished()) {
                    packed.clear().limit((int) Math.clamp(end - at, 0, CHUNK));
                    int read = packed.hasRemaining() ? channel.read(packed, at) : -1;
                    if (read <= 0) {
                        return false;
                    }
                    at += read;
                    inflater.setInput(packed.array(), 0, read);
                }
            }
            return inflater.getBytesWritten() == expected;
        } catch (DataFormatException corrupt) {
            return false;
        }
    }
}
