package embrick.formats.tiff;

import embrick.formats.bytes.DamagedDataException;
import embrick.formats.ifd.Ifd;
import embrick.formats.picture.UnusablePictureException;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** Reads a TIFF that was written here to its last strip: each lies inside the file and unpacks to exactly its rows. */
final class TiffVerifier {
    private TiffVerifier() {}

    static void verify(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            Ifd.Bytes bytes = Ifd.over(channel);
            Ifd ifd = Ifd.first(bytes);
            long height = ifd.number(Ifd.IMAGE_LENGTH, 0);
            long rowBytes = ifd.number(Ifd.IMAGE_WIDTH, 0)
                    * ifd.number(Ifd.SAMPLES_PER_PIXEL, 1)
                    * (ifd.number(Ifd.BITS_PER_SAMPLE, 8) / 8);
            long rows = ifd.number(Ifd.ROWS_PER_STRIP, height);
            Compression compression = Compression.of((int) ifd.number(Ifd.COMPRESSION, Compression.NONE.tag()));
            long[] offsets = ifd.numbers(Ifd.STRIP_OFFSETS).orElse(new long[0]);
            long[] counts = ifd.numbers(Ifd.STRIP_BYTE_COUNTS).orElse(new long[0]);
            if (offsets.length != Math.ceilDiv(height, rows) || counts.length != offsets.length) {
                throw damaged("has " + offsets.length + " strips");
            }
            for (int strip = 0; strip < offsets.length; strip++) {
                long expected = Math.min(rows, height - strip * rows) * rowBytes;
                ByteBuffer data = bytes.at(offsets[strip], Math.toIntExact(counts[strip]));
                long found = switch (compression) {
                    case LZW -> Lzw.unpackedLength(data);
                    case DEFLATE -> unpackedLength(data);
                    default -> data.remaining();
                };
                if (found != expected) {
                    throw damaged("has a strip of " + found + " bytes where " + expected + " belong");
                }
            }
        } catch (UnusablePictureException known) {
            throw known;
        } catch (DamagedDataException | EOFException | DataFormatException corrupt) {
            throw damaged("does not read to its end: " + corrupt.getMessage());
        }
    }

    private static long unpackedLength(ByteBuffer packed) throws DataFormatException {
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(packed);
            byte[] part = new byte[1 << 16];
            while (!inflater.finished()) {
                if (inflater.inflate(part) == 0 && !inflater.finished()) {
                    return -1;
                }
            }
            return inflater.getBytesWritten();
        }
    }

    private static UnusablePictureException damaged(String reason) {
        return UnusablePictureException.broken("damaged", reason);
    }
}
