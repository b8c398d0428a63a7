package embrick.server.edits;

import embrick.server.documents.FramingDocument;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;

/** @param version of the framing that was looked at, −1 where there was none */
public record FramingWish(
        @NotNull UUID originalId,
        @NotNull @Size(min = 1, max = 60) String shapeKey,
        long version,
        @NotNull @Valid FramingDocument document,
        boolean accepted) {}
