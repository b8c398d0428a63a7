package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Mark.Content;
import embrick.core.units.PixelSize;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;

/** What is drawn over a picture: its size in per cent of the short side, its strength in per cent of full. */
@Schema(description = "What is drawn over a picture, to say whose it is")
public record MarkDocument(
        @NotNull @Valid MarkContentDocument content,
        @NotNull Mark.Place place,
        @Min(1) @Max(100) int sizePercent,
        @Min(1) @Max(100) int strengthPercent) {
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = MarkContentDocument.MarkWords.class, name = "words"),
        @JsonSubTypes.Type(value = MarkContentDocument.MarkPicture.class, name = "picture")
    })
    @Schema(oneOf = {MarkContentDocument.MarkWords.class, MarkContentDocument.MarkPicture.class})
    public sealed interface MarkContentDocument {
        record MarkWords(@NotNull @Size(min = 1, max = 120) String text) implements MarkContentDocument {}

        /** A PNG that was sent before, by the SHA-256 of its bytes and its pixels. */
        record MarkPicture(
                @NotNull @Pattern(regexp = "[0-9a-f]{64}") String digest,
                @Min(1) @Max(10_000) int width,
                @Min(1) @Max(10_000) int height)
                implements MarkContentDocument {}
    }

    Mark toMark() {
        Content drawn = switch (content) {
            case MarkContentDocument.MarkWords words -> new Content.Words(words.text());
            case MarkContentDocument.MarkPicture picture ->
                new Content.Stencil(picture.digest(), new PixelSize(picture.width(), picture.height()));
        };
        return new Mark(drawn, place, sizePercent, strengthPercent);
    }
}
