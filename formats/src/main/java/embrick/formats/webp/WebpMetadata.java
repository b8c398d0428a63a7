package embrick.formats.webp;

import com.drew.imaging.riff.RiffHandler;
import com.drew.imaging.riff.RiffProcessingException;
import com.drew.imaging.riff.RiffReader;
import com.drew.lang.StreamReader;
import embrick.formats.bytes.WatchedStream;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Where a WebP has its metadata: in the chunks EXIF and XMP (RFC 9649, 2.7.1.4). */
final class WebpMetadata implements RiffHandler {
    private static final String EXIF = "EXIF";
    private static final String XMP = "XMP ";

    private final Map<String, byte[]> chunks = new HashMap<>();

    private WebpMetadata() {}

    static MetadataBlocks read(Path file) throws IOException {
        WebpMetadata found = new WebpMetadata();
        try (WatchedStream in = new WatchedStream(new BufferedInputStream(Files.newInputStream(file)))) {
            new RiffReader().processRiff(new StreamReader(in), found);
            in.requireNoneFailed();
        } catch (RiffProcessingException damaged) {
            throw UnusablePictureException.broken("damaged", damaged.getMessage());
        }
        return MetadataBlocks.of(
                Optional.ofNullable(found.chunks.get(EXIF)), Optional.ofNullable(found.chunks.get(XMP)));
    }

    @Override
    public boolean shouldAcceptRiffIdentifier(String identifier) {
        return identifier.equals("WEBP");
    }

    @Override
    public boolean shouldAcceptChunk(String fourCc) {
        return Set.of(EXIF, XMP).contains(fourCc);
    }

    @Override
    public boolean shouldAcceptList(String fourCc) {
        return false;
    }

    @Override
    public void processChunk(String fourCc, byte[] payload) {
        chunks.putIfAbsent(fourCc, payload);
    }

    @Override
    public void addError(String message) {
        // What was found before it counts.
    }
}
