package embrick.server.acts;

import embrick.server.documents.DepartureDocument;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** @param version of the departure that was looked at, −1 where there was none */
record DepartureWish(
        @NotNull UUID originalId,
        @NotNull UUID ticketId,
        long version,
        @NotNull @Valid DepartureDocument document) {}
