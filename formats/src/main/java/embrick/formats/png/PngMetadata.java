package embrick.formats.png;

import com.drew.imaging.png.PngChunk;
import com.drew.imaging.png.PngChunkReader;
import com.drew.imaging.png.PngChunkType;
import com.drew.imaging.png.PngProcessingException;
import com.drew.lang.StreamReader;
import embrick.formats.metadata.MetadataBlocks;
import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.zip.InflaterInputStream;

/** Where a PNG has its metadata: Exif in eXIf, XMP in international text under a name of its own (ISO 16684-3, 1.1.5). */
final class PngMetadata {
    static final int EXIF = 0x65584966;
    static final int TEXT = 0x69545874;
    private static final byte[] XMP = "XML:com.adobe.xmp\0".getBytes(StandardCharsets.ISO_8859_1);

    private PngMetadata() {}

    static MetadataBlocks read(Path file) throws IOException {
        Optional<byte[]> exif = Optional.empty();
        Optional<byte[]> xmp = Optional.empty();
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            Set<PngChunkType> wanted = Set.of(PngChunkType.eXIf, PngChunkType.iTXt);
            for (PngChunk chunk : new PngChunkReader().extract(new StreamReader(in), wanted)) {
                byte[] data = chunk.getBytes();
                if (chunk.getType().equals(PngChunkType.eXIf)) {
                    exif = Optional.of(data);
                } else if (data.length > XMP.length && Arrays.equals(data, 0, XMP.length, XMP, 0, XMP.length)) {
                    xmp = Optional.of(textOf(data));
                }
            }
        } catch (PngProcessingException damaged) {
            throw new IOException(damaged);
        }
        return MetadataBlocks.of(exif, xmp);
    }

    /** Behind the name: whether it is packed, how, a language and a translated name, each ended by a zero (PNG 11.3.3.4). */
    private static byte[] textOf(byte[] data) throws IOException {
        int at = XMP.length + 2;
        for (int ended = 0; ended < 2; at++) {
            if (at >= data.length) {
                throw new IOException("iTXt: ends before its text");
            }
            ended += data[at] == 0 ? 1 : 0;
        }
        byte[] text = Arrays.copyOfRange(data, at, data.length);
        if (data[XMP.length] == 0) {
            return text;
        }
        try (InputStream packed = new InflaterInputStream(new java.io.ByteArrayInputStream(text))) {
            return packed.readNBytes(MOST_TEXT);
        }
    }

    private static final int MOST_TEXT = 16 << 20;

    /** A chunk of such a text, not packed. */
    static byte[] chunk(byte[] packet) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(XMP);
        out.writeBytes(new byte[4]);
        out.writeBytes(packet);
        return out.toByteArray();
    }
}
