package embrick.server.framings;

import embrick.server.documents.OverrideDocument;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** @param version to be sent back with a change; −1 where there is none yet */
public record OverrideView(
        @NotNull UUID originalId,
        @NotNull UUID ticketId,
        long version,
        @NotNull OverrideDocument document) {}
