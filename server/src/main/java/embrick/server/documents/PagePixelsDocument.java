package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat.Chroma;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** How a page holds its picture. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = PagePixelsDocument.CodedPixels.class, name = "jpeg"),
    @JsonSubTypes.Type(value = PagePixelsDocument.WholePixels.class, name = "whole")
})
@Schema(oneOf = {PagePixelsDocument.CodedPixels.class, PagePixelsDocument.WholePixels.class})
public sealed interface PagePixelsDocument {
    record CodedPixels(
            int quality,

            @Schema(description = "How finely colour is kept beside brightness", defaultValue = "FULL")
            Chroma chroma)
            implements PagePixelsDocument {
        public CodedPixels {
            chroma = chroma == null ? Chroma.FULL : chroma;
        }
    }

    record WholePixels(@NotNull Depth depth) implements PagePixelsDocument {}
}
