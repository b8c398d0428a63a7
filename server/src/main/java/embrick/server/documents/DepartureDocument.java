package embrick.server.documents;

import embrick.server.documents.TicketDocument.LiftDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.math.BigDecimal;
import java.util.Optional;

/**
 * What one picture has of its own under a ticket. What is null is as on the ticket.
 *
 * @param ppi as a decimal number
 */
public record DepartureDocument(
        int schemaVersion,
        @Schema(nullable = true) BigDecimal ppi,
        @Schema(nullable = true) @Valid LiftDocument lift) {
    public static final int SCHEMA_VERSION = 1;

    public DepartureDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    public static DepartureDocument none() {
        return new DepartureDocument(SCHEMA_VERSION, null, null);
    }

    public DepartureDocument withLift(LiftDocument other) {
        return new DepartureDocument(schemaVersion, ppi, other);
    }

    /** The ticket as it is for this picture. */
    public TicketDocument appliedTo(TicketDocument ticket) {
        return ticket.with(
                Optional.ofNullable(ppi).orElse(ticket.ppi()),
                Optional.ofNullable(lift).orElse(ticket.lift()));
    }
}
