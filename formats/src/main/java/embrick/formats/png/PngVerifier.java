package embrick.formats.png;

import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Reads a PNG that was written here to its last byte: every chunk's checksum, and that the data unpack to exactly the rows
 * that the header promises, each with a filter that exists.
 */
final class PngVerifier {
    private PngVerifier() {}

    static void verify(Path file) throws IOException {
        try (InputStream raw = Files.newInputStream(file);
                DataInputStream in = new DataInputStream(new BufferedInputStream(raw, 1 << 17));
                Inflater inflater = new Inflater()) {
            if (in.readLong() != PngHeader.SIGNATURE) {
                throw damaged("does not begin as a PNG");
            }
            PackedRows rows = null;
            while (true) {
                int length = in.readInt();
                if (length < 0) {
                    throw damaged("has a chunk of a damaged length");
                }
                int type = in.readInt();
                byte[] data = in.readNBytes(length);
                if (data.length < length) {
                    throw new EOFException();
                }
                requireChecksum(type, data, in.readInt());
                if (type == PngHeader.IHDR) {
                    rows = PackedRows.of(ByteBuffer.wrap(data));
                } else if (type == PngHeader.IDAT && rows != null) {
                    rows.take(inflater, data);
                } else if (type == PngHeader.IEND) {
                    if (rows == null || !rows.isComplete() || !inflater.finished()) {
                        throw damaged("ends before its last row");
                    }
                    return;
                }
            }
        } catch (EOFException cut) {
            throw UnusablePictureException.broken("cut-short", "is cut short");
        } catch (DataFormatException corrupt) {
            throw damaged("does not unpack: " + corrupt.getMessage());
        }
    }

    static UnusablePictureException damaged(String reason) {
        return UnusablePictureException.broken("damaged", reason);
    }

    private static void requireChecksum(int type, byte[] data, int found) throws IOException {
        if (checksum(type, data) != found) {
            throw damaged("has a chunk whose checksum is wrong");
        }
    }

    /** Of a chunk's type and data (clause 5.5). */
    static int checksum(int type, byte[] data) {
        CRC32 crc = new CRC32();
        crc.update(ByteBuffer.allocate(4).putInt(0, type));
        crc.update(data);
        return (int) crc.getValue();
    }
}
