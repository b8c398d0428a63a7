package embrick.server.edits;

import embrick.server.documents.OverrideDocument;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** @param version of the override that was looked at, −1 where there was none */
record OverrideWish(
        @NotNull UUID originalId,
        @NotNull UUID ticketId,
        long version,
        @NotNull @Valid OverrideDocument document) {}
