package embrick.server.documents;

import embrick.core.ticket.Fit;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Pattern;
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
        Integer copies,

        @Schema(
                description = "What becomes of the background that the ticket grows",
                nullable = true,
                requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Valid
        Background background) {
    public static final int SCHEMA_VERSION = 2;

    /**
     * A picture's own say over the background that is grown for it.
     *
     * @param accepted the key of the background that a person has looked at and taken
     */
    public record Background(
            @Schema(
                    description = "Which try is taken; null for the first",
                    nullable = true,
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED)
            @Min(1)
            @Max(999)
            Integer attempt,

            @Schema(
                    description = "The key of the grown background that was looked at and accepted",
                    nullable = true,
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED)
            @Pattern(regexp = "[0-9a-f]{64}")
            String accepted,

            @Schema(
                    description =
                            "How it is filled instead of grown; paper beside a picture that does not fill its sheet",
                    nullable = true,
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED)
            Instead instead) {}

    /** Fills that need nobody's eye. */
    public enum Instead {
        MIRROR,
        DRAWN_OUT
    }

    public OverrideDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    public static OverrideDocument none() {
        return new OverrideDocument(SCHEMA_VERSION, null, null, null, null, null);
    }

    public OverrideDocument withSharpening(SharpeningDocument other) {
        return new OverrideDocument(schemaVersion, ppi, other, texts, copies, background);
    }

    /** The ticket as it is for this picture. */
    public TicketDocument appliedTo(TicketDocument ticket) {
        Optional<Background> own = Optional.ofNullable(background);
        Optional<Instead> instead = own.map(Background::instead);
        return ticket.with(new TicketDocument.Own(
                Optional.ofNullable(ppi).orElse(ticket.ppi()),
                Optional.ofNullable(sharpening).orElse(ticket.sharpening()),
                texts == null ? ticket.metadata() : ticket.metadata().with(texts),
                Optional.ofNullable(copies).orElse(ticket.copies()),
                instead.map(_ -> notGrown(ticket.fit())).orElse(ticket.fit()),
                instead.map(fill -> EdgesDocuments.filled(ticket.edges(), fill)).orElse(ticket.edges()),
                own.map(Background::attempt).orElse(ticket.attempt())));
    }

    private static TicketDocument.FitDocument notGrown(TicketDocument.FitDocument fit) {
        return fit instanceof TicketDocument.FitDocument.GrownInside grown
                ? new TicketDocument.FitDocument.Inside(
                        grown.paper(), grown.anchor(), LengthDocument.none(), Fit.TrimMarks.NONE)
                : fit;
    }
}
