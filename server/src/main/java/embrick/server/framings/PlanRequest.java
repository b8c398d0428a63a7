package embrick.server.framings;

import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.TicketDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;

/** What is to be planned: a ticket, and a framing and an override that need not be stored. */
public record PlanRequest(
        @NotNull @Valid TicketDocument ticket,
        @Schema(nullable = true) @Valid FramingDocument framing,
        @Schema(nullable = true) @Valid OverrideDocument override) {
    public Plans.Wish wish() {
        return Plans.Wish.of(ticket, framing, override);
    }
}
