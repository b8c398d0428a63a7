package embrick.server.documents;

import embrick.core.ticket.NamePattern.LetterCase;
import embrick.core.ticket.NamePattern.Subfolders;
import embrick.server.documents.TicketDocument.BrickDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;

/** How files are named. */
@Schema(name = "NamePatternDocument", description = "How files are named, for any ticket")
public record NamePatternDocument(
        int schemaVersion,
        @NotEmpty @Size(min = 1, max = 20) List<@NotNull @Valid BrickDocument> names,
        @NotNull LetterCase letters,
        @NotNull Subfolders subfolders)
        implements KeptDocument {
    public static final int SCHEMA_VERSION = 1;

    public NamePatternDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    @Override
    public Map<String, Object> phrases(String name, TicketDocument under) {
        return Map.of("names", names, "letters", letters, "subfolders", subfolders);
    }
}
