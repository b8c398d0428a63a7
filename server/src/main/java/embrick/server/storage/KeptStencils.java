package embrick.server.storage;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.units.PixelSize;
import embrick.formats.Formats;
import embrick.formats.letters.Stencils;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Pictures of marks in the storage folder, named by their content, never changed and never deleted: plans refer to them. */
@Component
public class KeptStencils implements Stencils {
    /** Larger ones are no marks. */
    private static final int MOST_BYTES = 4 << 20;

    private static final int MOST_SIDE = 10_000;
    private static final long MOST_PIXELS = 16_000_000;

    private final Storage storage;
    private final Formats formats;

    KeptStencils(Storage storage, Formats formats) {
        this.storage = storage;
        this.formats = formats;
    }

    /** A picture that was taken. */
    public record Taken(String digest, PixelSize size) {}

    public static int mostBytes() {
        return MOST_BYTES;
    }

    public boolean holds(String digest) {
        return digest.matches("[0-9a-f]{64}") && Files.exists(storage.stencil(digest));
    }

    @Override
    public byte[] png(String digest) throws IOException {
        return Files.readAllBytes(storage.stencil(digest));
    }

    /**
     * Takes a PNG with see-through parts.
     *
     * @throws StencilRefusedException if it is none, or too large
     */
    public Taken take(byte[] bytes) throws IOException {
        if (bytes.length > MOST_BYTES) {
            throw new StencilRefusedException("is larger than 4 MB", "Make it smaller.");
        }
        Path part = storage.making().resolve(UUID.randomUUID() + ".mark");
        try {
            Files.write(part, bytes);
            PixelSize size = judged(part);
            String digest = Storage.fingerprintOf(part).sha256();
            Files.move(
                    part, storage.stencil(digest), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            return new Taken(digest, size);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private PixelSize judged(Path file) throws IOException {
        SourceFacts facts;
        try {
            facts = formats.inspect(file);
            formats.open(file).close();
        } catch (UnusablePictureException unusable) {
            throw new StencilRefusedException(unusable.getMessage(), unusable.remedy());
        }
        if (facts.kind() != FileKind.PNG || facts.colour().alpha() != Alpha.SEE_THROUGH) {
            throw new StencilRefusedException(
                    "is no PNG with see-through parts", "Save the figure as a PNG on a see-through ground.");
        }
        PixelSize size = facts.stored();
        if (size.width() > MOST_SIDE || size.height() > MOST_SIDE || size.pixels() > MOST_PIXELS) {
            throw new StencilRefusedException("has " + size + " px, where 16 MP are taken", "Make it smaller.");
        }
        return size;
    }
}
