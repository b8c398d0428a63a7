package embrick.formats.tiff;

import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat.Packing;
import embrick.formats.crew.Crew;
import embrick.formats.crew.RowParts;
import embrick.formats.exif.ExifBlock;
import embrick.formats.ifd.Field;
import embrick.formats.ifd.Flavour;
import embrick.formats.ifd.Ifd;
import embrick.formats.ifd.IfdBuilder;
import embrick.formats.metadata.CarriedMetadata;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Writes a TIFF 6.0 of 8 or 16-bit strips, little-endian; a BigTIFF where it would pass 4 GB.
 *
 * <p>Packed strips have no size that is known beforehand: strips are written one after the other, and the directory, to
 * which the header must point, follows them through a channel that can go back.
 */
final class TiffWriter {
    static final int STRIP_ROWS = 64;
    static final int PREDICTOR_HORIZONTAL = 2;
    /** Offsets of 32 bits end at 4 GiB; a packed file can be a little larger than its samples. */
    private static final long CLASSIC_BYTES = 0xFFFF_FFFFL - (64L << 20);

    private TiffWriter() {}

    static SampleSums write(
            PixelRows print, PrintFile file, Packing packing, Target target, Crew crew, PrintFile.Progress progress)
            throws IOException {
        return write(print, file, packing, flavour(print), target, crew, progress);
    }

    static SampleSums write(
            PixelRows print,
            PrintFile file,
            Packing packing,
            Flavour flavour,
            Target target,
            Crew crew,
            PrintFile.Progress progress)
            throws IOException {
        int height = print.size().height();
        int strips = Math.ceilDiv(height, STRIP_ROWS);
        OutputStream out = target.stream();
        byte[] header = header(flavour, 0);
        out.write(header);
        List<Long> offsets = new ArrayList<>();
        List<Long> counts = new ArrayList<>();
        List<Integer> sums = new ArrayList<>();
        long[] at = {header.length};
        new RowParts(crew, print, STRIP_ROWS).inOrder(rows -> new StripBytes(rows, packing), (rows, made) -> {
            for (StripBytes.Packed strip : made) {
                byte[] bytes = strip.bytes();
                sums.add(strip.sampleSum());
                offsets.add(at[0]);
                counts.add((long) bytes.length);
                out.write(bytes);
                // Offsets are even (TIFF 6.0, section 7).
                int padding = bytes.length & 1;
                out.write(new byte[padding]);
                at[0] += bytes.length + padding;
                progress.strip(offsets.size(), strips);
            }
        });
        IfdBuilder directory = directory(print, file, packing, flavour, offsets, counts);
        carryMetadata(print, file, flavour, directory, at, out);
        out.write(directory.build(at[0]));
        out.flush();
        target.writeAt(0, header(flavour, at[0]));
        return new SampleSums(sums);
    }

    /** What the picture says: in tags of the directory, and in directories before it that it points to. */
    private static void carryMetadata(
            PixelRows print, PrintFile file, Flavour flavour, IfdBuilder directory, long[] at, OutputStream out)
            throws IOException {
        CarriedMetadata metadata = file.metadata();
        metadata.exif().main().forEach(directory::field);
        metadata.xmp().ifPresent(packet -> directory.field(Ifd.XMP, Field.bytes(packet)));
        metadata.iptc().ifPresent(records -> directory.field(Ifd.IPTC, Field.undefined(records)));
        if (metadata.exif().exif().isEmpty() && metadata.exif().gps().isEmpty()) {
            return;
        }
        ExifBlock.Children children = ExifBlock.children(
                ByteOrder.LITTLE_ENDIAN, flavour, print.size(), file.colour(), metadata.exif(), at[0]);
        children.pointTo(directory);
        out.write(children.bytes());
        at[0] += children.bytes().length;
    }

    static Flavour flavour(PixelRows print) {
        long bytes = print.size().bytes(print.channels(), print.bitsPerChannel() / 8);
        return bytes > CLASSIC_BYTES ? Flavour.BIG : Flavour.CLASSIC;
    }

    private static byte[] header(Flavour flavour, long directory) {
        ByteBuffer header = ByteBuffer.allocate(flavour.headerBytes()).order(ByteOrder.LITTLE_ENDIAN);
        header.putShort((short) 0x4949).putShort((short) flavour.version());
        return switch (flavour) {
            case CLASSIC -> header.putInt((int) directory).array();
            case BIG ->
                header.putShort((short) flavour.offsetBytes())
                        .putShort((short) 0)
                        .putLong(directory)
                        .array();
        };
    }

    private static IfdBuilder directory(
            PixelRows print, PrintFile file, Packing packing, Flavour flavour, List<Long> offsets, List<Long> counts) {
        int channels = print.channels();
        int[] bits = new int[channels];
        Arrays.fill(bits, print.bitsPerChannel());
        IfdBuilder ifd = new IfdBuilder(ByteOrder.LITTLE_ENDIAN, flavour)
                .longs(Ifd.IMAGE_WIDTH, print.size().width())
                .longs(Ifd.IMAGE_LENGTH, print.size().height())
                .shorts(Ifd.BITS_PER_SAMPLE, bits)
                .shorts(Ifd.COMPRESSION, compression(packing))
                .shorts(Ifd.PHOTOMETRIC, photometric(channels))
                .offsets(Ifd.STRIP_OFFSETS, array(offsets))
                .shorts(Ifd.ORIENTATION, 1)
                .shorts(Ifd.SAMPLES_PER_PIXEL, channels)
                .longs(Ifd.ROWS_PER_STRIP, STRIP_ROWS)
                .offsets(Ifd.STRIP_BYTE_COUNTS, array(counts))
                .resolution(Ifd.X_RESOLUTION, file.marked())
                .resolution(Ifd.Y_RESOLUTION, file.marked())
                .shorts(Ifd.PLANAR_CONFIGURATION, 1)
                .shorts(Ifd.RESOLUTION_UNIT, 2)
                .undefined(Ifd.ICC_PROFILE, file.profile());
        return packing == Packing.PLAIN ? ifd : ifd.shorts(Ifd.PREDICTOR, PREDICTOR_HORIZONTAL);
    }

    private static int compression(Packing packing) {
        return switch (packing) {
            case PLAIN -> Compression.NONE.tag();
            case LZW -> Compression.LZW.tag();
            case DEFLATE -> Compression.DEFLATE.tag();
        };
    }

    /** BlackIsZero, RGB, Separated, whose inks are cyan, magenta, yellow and black where nothing else is said. */
    private static int photometric(int channels) {
        return switch (channels) {
            case 1 -> 1;
            case 3 -> 2;
            case 4 -> 5;
            default -> throw new IllegalArgumentException("channels: expected 1, 3 or 4, got " + channels);
        };
    }

    private static long[] array(List<Long> values) {
        return values.stream().mapToLong(Long::longValue).toArray();
    }
}
