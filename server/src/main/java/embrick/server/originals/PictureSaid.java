package embrick.server.originals;

import embrick.formats.metadata.OriginalMetadata;
import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import java.util.Optional;

/** What an original's file says of it, by which people look for it. */
@Embeddable
public class PictureSaid {
    private static final int MOST_LETTERS = 1000;

    @Column(columnDefinition = "text")
    private String title;

    @Column(columnDefinition = "text")
    private String creator;

    @Column(columnDefinition = "text")
    private String taken;

    private boolean metadataDamaged;

    protected PictureSaid() {}

    static PictureSaid of(OriginalMetadata metadata) {
        PictureSaid said = new PictureSaid();
        said.title = metadata.texts().title().map(PictureSaid::cut).orElse(null);
        said.creator = metadata.texts().creators().isEmpty()
                ? null
                : cut(String.join(", ", metadata.texts().creators()));
        said.taken = metadata.exif().taken().orElse(null);
        said.metadataDamaged = metadata.isDamaged();
        return said;
    }

    static PictureSaid nothing() {
        return of(OriginalMetadata.NONE);
    }

    /** A database's text holds no zero. */
    private static String cut(String words) {
        String kept = words.replace("\0", "");
        return kept.length() <= MOST_LETTERS
                ? kept
                : kept.substring(0, kept.offsetByCodePoints(0, kept.codePointCount(0, MOST_LETTERS)));
    }

    public Optional<String> title() {
        return Optional.ofNullable(title);
    }

    public Optional<String> creator() {
        return Optional.ofNullable(creator);
    }

    /** {@code 2026-08-14T16:20:05}, in the camera's own time. */
    public Optional<String> taken() {
        return Optional.ofNullable(taken);
    }

    /** Whether some of its metadata could not be read. */
    public boolean isDamaged() {
        return metadataDamaged;
    }
}
