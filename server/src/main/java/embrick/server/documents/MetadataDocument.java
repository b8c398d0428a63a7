package embrick.server.documents;

import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Kept;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;

/**
 * What files carry over of their originals' metadata, and what they say in their own words.
 *
 * @param texts that take the place of the originals'
 */
@Schema(description = "What files carry over of their originals' metadata, and what they say in their own words")
public record MetadataDocument(
        @Schema(description = "How much of an original's metadata its file carries") @NotNull
        Kept kept,

        @Schema(description = "Whether the place where a picture was taken is kept where all is kept") @NotNull
        Private place,

        @Schema(description = "Whether serial numbers of camera and lens are kept where all is kept") @NotNull
        Private serialNumbers,

        @Schema(description = "Words that take the place of the originals'") @NotNull @Valid
        Texts texts) {
    /** Words; what is null or empty is as in the original. */
    @Schema(name = "MetadataTexts")
    public record Texts(
            @Schema(nullable = true) @Size(max = 300) String title,
            @Schema(nullable = true) @Size(max = 2000) String caption,
            @NotNull @Size(max = 20) List<@NotNull @Size(max = 200) String> creators,

            @Schema(description = "The copyright notice", nullable = true) @Size(max = 500)
            String rights,

            @NotNull @Size(max = 100) List<@NotNull @Size(max = 100) String> keywords) {
        static final Texts NONE = new Texts(null, null, List.of(), null, List.of());

        MetadataTexts toTexts() {
            return new MetadataTexts(
                    Optional.ofNullable(title),
                    Optional.ofNullable(caption),
                    creators,
                    Optional.ofNullable(rights),
                    keywords);
        }

        /** These words, and where they are silent the other ones. */
        Texts or(Texts other) {
            return new Texts(
                    title == null ? other.title : title,
                    caption == null ? other.caption : caption,
                    creators.isEmpty() ? other.creators : creators,
                    rights == null ? other.rights : rights,
                    keywords.isEmpty() ? other.keywords : keywords);
        }
    }

    /** What a ticket does that says nothing of it. */
    public static MetadataDocument usual() {
        MetadataChoice usual = MetadataChoice.USUAL;
        return new MetadataDocument(usual.kept(), usual.place(), usual.serialNumbers(), Texts.NONE);
    }

    MetadataDocument with(Texts words) {
        return new MetadataDocument(kept, place, serialNumbers, words.or(texts));
    }

    MetadataChoice toChoice() {
        return new MetadataChoice(kept, place, serialNumbers, texts.toTexts());
    }
}
