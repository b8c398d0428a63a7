package embrick.server.documents;

import embrick.server.documents.TicketDocument.SharpeningDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.math.BigDecimal;
import java.util.Optional;

/**
 * What one picture has of its own under a ticket. What is null is as on the ticket.
 *
 * @param ppi as a decimal number
 */
public record OverrideDocument(
        int schemaVersion,
        @Schema(nullable = true) BigDecimal ppi,
        @Schema(nullable = true) @Valid SharpeningDocument sharpening,

        @Schema(
                description = "Words that take the place of the ticket's and the original's",
                nullable = true,
                requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Valid
        MetadataDocument.Texts texts,

        @Schema(description = "How many prints are made of its file", nullable = true, defaultValue = "null")
        @Min(1)
        @Max(999)
        Integer copies) {
    public static final int SCHEMA_VERSION = 2;

    public OverrideDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    public static OverrideDocument none() {
        return new OverrideDocument(SCHEMA_VERSION, null, null, null, null);
    }

    public OverrideDocument withSharpening(SharpeningDocument other) {
        return new OverrideDocument(schemaVersion, ppi, other, texts, copies);
    }

    /** The ticket as it is for this picture. */
    public TicketDocument appliedTo(TicketDocument ticket) {
        return ticket.with(
                Optional.ofNullable(ppi).orElse(ticket.ppi()),
                Optional.ofNullable(sharpening).orElse(ticket.sharpening()),
                texts == null ? ticket.metadata() : ticket.metadata().with(texts),
                Optional.ofNullable(copies).orElse(ticket.copies()));
    }
}
