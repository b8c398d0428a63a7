package embrick.server.framings;

import embrick.server.documents.FramingDocument;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** @param version to be sent back with a change; −1 where there is none yet */
public record FramingView(
        @NotNull UUID originalId,
        @NotNull String shapeKey,
        boolean accepted,
        long version,
        @NotNull FramingDocument document) {}
