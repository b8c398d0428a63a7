package embrick.server.documents;

import embrick.core.ticket.Rounding;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.LengthUnit;
import embrick.server.documents.TicketDocument.FitDocument;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;

/** A size with all that belongs to it: how pictures meet it, its edges, ppi, sharpening, colours and file. */
@Schema(name = "SavedSizeDocument", description = "A size with all that belongs to it, of no job and no name")
public record SavedSizeDocument(
        int schemaVersion,
        @NotNull LengthUnit unit,
        @NotNull @Valid SizeDocument size,
        @NotNull Turn turn,
        @NotNull @Valid FitDocument fit,
        @NotNull @Valid EdgesDocument edges,
        @NotNull BigDecimal ppi,
        @NotNull ViewingDistance viewing,
        @NotNull @Valid SharpeningDocument sharpening,
        @NotNull @Valid ColourDocument colour,
        @NotNull Rounding rounding,
        @NotNull @Valid FileDocument file)
        implements KeptDocument {
    public static final int SCHEMA_VERSION = 1;

    public SavedSizeDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    @Override
    public Map<String, Object> phrases(String name, TicketDocument under) {
        Map<String, Object> phrases = new LinkedHashMap<>();
        phrases.put("unit", unit);
        phrases.put("size", size);
        phrases.put("turn", turn);
        phrases.put("fit", fit);
        phrases.put("edges", edges);
        phrases.put("ppi", ppi);
        phrases.put("viewing", viewing);
        phrases.put("sharpening", sharpening);
        phrases.put("colour", colour);
        phrases.put("rounding", rounding);
        phrases.put("file", file);
        return phrases;
    }
}
