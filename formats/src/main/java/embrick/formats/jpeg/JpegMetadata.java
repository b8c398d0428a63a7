package embrick.formats.jpeg;

import com.drew.imaging.jpeg.JpegProcessingException;
import com.drew.imaging.jpeg.JpegSegmentData;
import com.drew.imaging.jpeg.JpegSegmentReader;
import com.drew.imaging.jpeg.JpegSegmentType;
import com.drew.lang.StreamReader;
import embrick.formats.ifd.Ifd;
import embrick.formats.metadata.CarriedMetadata;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Where a JPEG has its metadata: Exif and XMP in APP1 segments, IPTC in image resource blocks in APP13. */
final class JpegMetadata {
    /** ISO 16684-3, 1.1.3. */
    static final byte[] XMP = "http://ns.adobe.com/xap/1.0/\0".getBytes(StandardCharsets.ISO_8859_1);

    private static final int APP13 = 0xED;
    private static final byte[] RESOURCES = "Photoshop 3.0\0".getBytes(StandardCharsets.ISO_8859_1);
    private static final byte[] RESOURCE = "8BIM".getBytes(StandardCharsets.ISO_8859_1);
    private static final int IPTC_RESOURCE = 0x0404;
    private static final int MOST_SEGMENT = 65_533;

    private JpegMetadata() {}

    static MetadataBlocks read(Path file) throws IOException {
        JpegSegmentData segments;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            segments = JpegSegmentReader.readSegments(
                    new StreamReader(in), List.of(JpegSegmentType.APP1, JpegSegmentType.APPD));
        } catch (JpegProcessingException damaged) {
            throw UnusablePictureException.broken("damaged", damaged.getMessage());
        }
        List<byte[]> app1 = all(segments, JpegSegmentType.APP1);
        return new MetadataBlocks(
                behind(app1, JpegHeader.EXIF).findFirst().map(Ifd::over),
                behind(app1, XMP).findFirst(),
                Optional.empty(),
                all(segments, JpegSegmentType.APPD),
                Optional.empty());
    }

    /** Writes what stands there besides Exif. */
    static void write(CarriedMetadata metadata, DataOutputStream out) throws IOException {
        if (metadata.xmp().isPresent()) {
            segment(out, JpegHeader.APP1, XMP, metadata.xmp().get());
        }
        if (metadata.iptc().isPresent() && metadata.iptc().get().length < MOST_SEGMENT - 64) {
            segment(out, APP13, RESOURCES, resource(metadata.iptc().get()));
        }
    }

    private static void segment(DataOutputStream out, int marker, byte[] name, byte[] data) throws IOException {
        out.writeShort(0xFF00 | marker);
        out.writeShort(2 + name.length + data.length);
        out.write(name);
        out.write(data);
    }

    /** Mark, number, an empty name of two bytes, length, data of an even length (common practice, no source). */
    private static byte[] resource(byte[] data) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(RESOURCE);
        out.writeBytes(ByteBuffer.allocate(8)
                .putShort((short) IPTC_RESOURCE)
                .putShort((short) 0)
                .putInt(data.length)
                .array());
        out.writeBytes(data);
        if ((data.length & 1) != 0) {
            out.write(0);
        }
        return out.toByteArray();
    }

    private static List<byte[]> all(JpegSegmentData segments, JpegSegmentType type) {
        List<byte[]> all = new ArrayList<>();
        segments.getSegments(type).forEach(all::add);
        return all;
    }

    private static Stream<byte[]> behind(List<byte[]> segments, byte[] name) {
        return segments.stream()
                .filter(segment ->
                        segment.length >= name.length && Arrays.equals(segment, 0, name.length, name, 0, name.length))
                .map(segment -> Arrays.copyOfRange(segment, name.length, segment.length));
    }
}
