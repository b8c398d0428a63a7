package embrick.formats.png;

import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.InflaterInputStream;
import java.util.zip.ZipException;

/** Where a PNG has its metadata: Exif in eXIf, XMP in international text under a name of its own (ISO 16684-3, 1.1.5). */
final class PngMetadata {
    static final int EXIF = 0x65584966;
    static final int TEXT = 0x69545874;
    private static final byte[] XMP = "XML:com.adobe.xmp\0".getBytes(StandardCharsets.ISO_8859_1);

    /** A keyword of the format's own (PNG 11.3.3.1), in plain or in international text. */
    private static final byte[] TITLE = "Title\0".getBytes(StandardCharsets.ISO_8859_1);

    private static final int PLAIN_TEXT = 0x74455874;

    private static final int SIGNATURE_BYTES = 8;
    private static final int CHECKSUM_BYTES = 4;
    private static final int MOST_TEXT = 16 << 20;

    private PngMetadata() {}

    /** Walks the chunks by their lengths; what is not wanted is passed over, however large. */
    static MetadataBlocks read(Path file) throws IOException {
        Optional<byte[]> exif = Optional.empty();
        Optional<byte[]> xmp = Optional.empty();
        Optional<String> title = Optional.empty();
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
            in.skipNBytes(SIGNATURE_BYTES);
            for (int type = 0; type != PngHeader.IEND; ) {
                long length = Integer.toUnsignedLong(in.readInt());
                type = in.readInt();
                if ((type == EXIF || type == TEXT || type == PLAIN_TEXT) && length <= MOST_TEXT) {
                    byte[] data = in.readNBytes((int) length);
                    if (type == EXIF) {
                        exif = Optional.of(data);
                    } else if (type == TEXT && begins(data, XMP)) {
                        xmp = Optional.of(textOf(data, XMP));
                    } else if (begins(data, TITLE)) {
                        title = Optional.of(
                                        type == TEXT
                                                ? new String(textOf(data, TITLE), StandardCharsets.UTF_8)
                                                : new String(
                                                        data,
                                                        TITLE.length,
                                                        data.length - TITLE.length,
                                                        StandardCharsets.ISO_8859_1))
                                .filter(words -> !words.isBlank());
                    }
                } else {
                    in.skipNBytes(length);
                }
                in.skipNBytes(CHECKSUM_BYTES);
            }
        }
        return MetadataBlocks.of(exif, xmp).withTitle(title);
    }

    private static boolean begins(byte[] data, byte[] name) {
        return data.length > name.length && Arrays.equals(data, 0, name.length, name, 0, name.length);
    }

    /** Behind the name: whether it is packed, how, a language and a translated name, each ended by a zero (PNG 11.3.3.4). */
    private static byte[] textOf(byte[] data, byte[] name) throws IOException {
        int at = name.length + 2;
        for (int ended = 0; ended < 2; at++) {
            if (at >= data.length) {
                throw UnusablePictureException.broken("damaged", "iTXt: ends before its text");
            }
            ended += data[at] == 0 ? 1 : 0;
        }
        byte[] text = Arrays.copyOfRange(data, at, data.length);
        if (data[name.length] == 0) {
            return text;
        }
        try (InputStream packed = new InflaterInputStream(new ByteArrayInputStream(text))) {
            return packed.readNBytes(MOST_TEXT);
        } catch (ZipException | EOFException damaged) {
            throw UnusablePictureException.broken("damaged", "iTXt: " + damaged.getMessage());
        }
    }

    /** A chunk of such a text, not packed. */
    static byte[] chunk(byte[] packet) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(XMP);
        out.writeBytes(new byte[4]);
        out.writeBytes(packet);
        return out.toByteArray();
    }
}
