package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.core.ticket.FileFormat.Compressed;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.FileFormat.PageMarks;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;

/** The file that a piece becomes. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = FileDocument.Jpeg.class, name = "jpeg"),
    @JsonSubTypes.Type(value = FileDocument.Tiff.class, name = "tiff"),
    @JsonSubTypes.Type(value = FileDocument.Png.class, name = "png"),
    @JsonSubTypes.Type(value = FileDocument.Pdf.class, name = "pdf"),
    @JsonSubTypes.Type(value = FileDocument.Webp.class, name = "webp"),
    @JsonSubTypes.Type(value = FileDocument.AsItIs.class, name = "as-it-is")
})
@Schema(
        oneOf = {
            FileDocument.Jpeg.class,
            FileDocument.Tiff.class,
            FileDocument.Png.class,
            FileDocument.Pdf.class,
            FileDocument.Webp.class,
            FileDocument.AsItIs.class
        })
public sealed interface FileDocument {
    record Jpeg(
            int quality,

            @Schema(description = "How finely colour is kept beside brightness", defaultValue = "FULL")
            Chroma chroma,

            @Schema(
                    description =
                            "Bytes that the file may have: quality is lowered as far as that needs; null for no limit",
                    nullable = true,
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED)
            Long mostBytes,

            @Schema(
                    description = "Whether a JPEG of which no pixel changes is compressed again",
                    defaultValue = "IF_CHANGED")
            Compressed compressed)
            implements FileDocument {
        public Jpeg {
            chroma = chroma == null ? Chroma.FULL : chroma;
            compressed = compressed == null ? Compressed.IF_CHANGED : compressed;
        }

        public Jpeg(int quality, Chroma chroma, Long mostBytes) {
            this(quality, chroma, mostBytes, Compressed.IF_CHANGED);
        }

        public Jpeg(int quality) {
            this(quality, Chroma.FULL, null);
        }
    }

    record Tiff(@NotNull Packing packing, @NotNull Depth depth) implements FileDocument {}

    record Png(@NotNull Depth depth) implements FileDocument {}

    record Pdf(
            @NotNull @Valid PagePixelsDocument pixels,
            @NotNull PageMarks marks) implements FileDocument {}

    record Webp(
            @Schema(
                    description = "1 to 100; null where nothing is to be lost",
                    nullable = true,
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED)
            Integer quality)
            implements FileDocument {}

    /** The original's own file, byte for byte, under a new name. */
    record AsItIs() implements FileDocument {}
}
