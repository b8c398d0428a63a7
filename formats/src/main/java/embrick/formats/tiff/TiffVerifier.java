package embrick.formats.tiff;

import embrick.formats.bytes.DamagedDataException;
import embrick.formats.ifd.Ifd;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.UnusablePictureException;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Reads a TIFF written by Embrick to its last strip. Each strip must lie inside the file, unpack to exactly its rows, and have
 * the samples that were written. It keeps one strip in memory at a time.
 */
final class TiffVerifier {
    private final Ifd.Bytes bytes;
    private final Ifd ifd;
    private final Compression compression;
    private final int rowLength;
    private final int channels;
    private final int bits;
    private final long height;
    private final long stripRows;

    private TiffVerifier(FileChannel channel) throws IOException {
        bytes = Ifd.over(channel);
        ifd = Ifd.first(bytes);
        height = ifd.number(Ifd.IMAGE_LENGTH, 0);
        channels = Math.toIntExact(ifd.number(Ifd.SAMPLES_PER_PIXEL, 1));
        bits = Math.toIntExact(ifd.number(Ifd.BITS_PER_SAMPLE, 8));
        rowLength = Math.toIntExact(ifd.number(Ifd.IMAGE_WIDTH, 0) * channels);
        stripRows = ifd.number(Ifd.ROWS_PER_STRIP, height);
        compression = Compression.of((int) ifd.number(Ifd.COMPRESSION, Compression.NONE.tag()));
    }

    /** @param written what the strips must hold; {@link SampleSums#NONE} if only the file itself is looked at */
    static void verify(Path file, SampleSums written) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            new TiffVerifier(channel).verify(written);
        } catch (UnusablePictureException known) {
            throw known;
        } catch (UncheckedIOException notRead) {
            throw notRead.getCause();
        } catch (DamagedDataException | EOFException | DataFormatException | ArithmeticException corrupt) {
            throw damaged("does not read to its end: " + corrupt.getMessage());
        }
    }

    private void verify(SampleSums written) throws IOException, DataFormatException {
        long[] offsets = ifd.numbers(Ifd.STRIP_OFFSETS).orElse(new long[0]);
        long[] counts = ifd.numbers(Ifd.STRIP_BYTE_COUNTS).orElse(new long[0]);
        boolean isSummed = !written.equals(SampleSums.NONE);
        if (offsets.length != Math.ceilDiv(height, stripRows)
                || counts.length != offsets.length
                || isSummed && written.parts().size() != offsets.length) {
            throw damaged("has " + offsets.length + " strips");
        }
        for (int strip = 0; strip < offsets.length; strip++) {
            byte[] samples = samples(strip, bytes.at(offsets[strip], Math.toIntExact(counts[strip])));
            if (isSummed && StripBytes.sum(samples) != written.parts().get(strip)) {
                throw damaged("has other samples than were written, in its rows from " + strip * stripRows);
            }
        }
    }

    private byte[] samples(int strip, ByteBuffer data) throws IOException, DataFormatException {
        byte[] samples =
                new byte[Math.toIntExact(Math.min(stripRows, height - strip * stripRows) * rowLength * (bits / 8))];
        long found = switch (compression) {
            case LZW -> Lzw.unpack(data, samples);
            case DEFLATE -> inflate(data, samples);
            default -> {
                data.get(samples, 0, Math.min(samples.length, data.remaining()));
                yield data.position() + data.remaining();
            }
        };
        if (found != samples.length) {
            throw damaged("has a strip that does not hold the " + samples.length + " bytes that belong there");
        }
        if (ifd.number(Ifd.PREDICTOR, 1) == TiffWriter.PREDICTOR_HORIZONTAL) {
            Predictor.undo(samples, rowLength, channels, bits);
        }
        return samples;
    }

    /** How many bytes there are; -1 if more than there is room for, or it does not read to its end and its checksum. */
    private static long inflate(ByteBuffer packed, byte[] to) throws DataFormatException {
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(packed);
            byte[] beyond = new byte[1];
            while (!inflater.finished()) {
                int at = (int) inflater.getBytesWritten();
                int made = at < to.length ? inflater.inflate(to, at, to.length - at) : inflater.inflate(beyond);
                if (made == 0 && !inflater.finished() || inflater.getBytesWritten() > to.length) {
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
