package embrick.server.documents;

import embrick.core.paper.PaperSize;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.ProductRule.Accepted;
import embrick.core.units.LengthUnit;
import embrick.core.units.Resolution;
import embrick.server.documents.TicketDocument.FitDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What one printed product asks of a file.
 *
 * @param unit in which its lengths are shown
 * @param width of the printed area; pictures turn it to suit
 * @param bleed that is cut off or turned over, 0 for none
 * @param safe distance inside the edge to keep clear, 0 for none
 * @param ppi that files are to have
 * @param leastPpi that a picture's own pixels must come to
 */
@Schema(name = "ProductRuleDocument", description = "What one printed product asks of a file")
public record ProductRuleDocument(
        int schemaVersion,
        @NotNull LengthUnit unit,
        @NotNull @Valid LengthDocument width,
        @NotNull @Valid LengthDocument height,
        @NotNull @Valid LengthDocument bleed,
        @NotNull @Valid LengthDocument safe,
        @NotNull BigDecimal ppi,
        @NotNull BigDecimal leastPpi,

        @Schema(nullable = true, description = "The profile that files are to be in; null for any") @Valid
        ColourDocument.ProfileDocument colour,

        @NotEmpty List<@NotNull Accepted> files,

        @Schema(nullable = true, description = "Bytes that a file may have; null for any number")
        Long mostBytes,

        @Schema(
                nullable = true,
                requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                description = "A picture that is laid over the product on the bench, never printed; null for none")
        @Valid
        Overlay overlay)
        implements KeptDocument {
    public static final int SCHEMA_VERSION = 1;

    public ProductRuleDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
    }

    /** A PNG with see-through parts that was sent before, as large as the printed area with its bleed. */
    @Schema(name = "ProductOverlay")
    public record Overlay(
            @NotNull @Pattern(regexp = "[0-9a-f]{64}") String digest,
            @Min(1) @Max(10_000) int width,
            @Min(1) @Max(10_000) int height) {}

    /** As a ticket carries it: the rule as it was, so that a later change of it is no surprise. */
    @Schema(name = "TicketProduct", description = "The product whose rule a ticket is held to, as the rule was")
    public record OfTicket(
            @NotNull @Size(min = 1, max = 120) String name,

            @NotNull @Valid ProductRuleDocument rule) {
        ProductRule toRule() {
            return rule.toRule(name);
        }
    }

    /**
     * @param name of the product
     * @throws IllegalArgumentException naming the part whose value cannot work
     */
    public ProductRule toRule(String name) {
        return new ProductRule(
                name,
                new PaperSize(width.toLength(), height.toLength()),
                bleed.toLength(),
                safe.toLength(),
                Resolution.perInch(ppi),
                leastPpi.doubleValue(),
                Optional.ofNullable(colour).map(ColourDocument.ProfileDocument::toRef),
                EnumSet.copyOf(files),
                Optional.ofNullable(mostBytes));
    }

    @Override
    public Map<String, Object> phrases(String name, TicketDocument under) {
        Map<String, Object> phrases = new LinkedHashMap<>();
        phrases.put("unit", unit);
        phrases.put("size", new SizeDocument.OnPaper(width, height));
        if (!(under.fit() instanceof FitDocument.Fill) && !(under.fit() instanceof FitDocument.Inside)) {
            phrases.put("fit", new FitDocument.Fill("#FFFFFF"));
        }
        phrases.put("edges", bleed.toLength().isZero() ? new EdgesDocument.NoEdges() : bleedEdges());
        phrases.put("ppi", ppi);
        if (colour != null) {
            phrases.put("colour", ColourDocument.convertedTo(colour));
        }
        phrases.put("file", fileLike(under.file()));
        phrases.put("product", new OfTicket(name, this));
        return phrases;
    }

    private EdgesDocument bleedEdges() {
        return new EdgesDocument.BleedEdges(bleed, safe, new EdgesDocument.FillDocument.MirrorFill());
    }

    /** The ticket's own file where the product takes it, else the first that it does. */
    private FileDocument fileLike(FileDocument present) {
        Optional<Accepted> now = Accepted.of(TicketDocuments.file(present));
        Accepted kind = now.filter(files::contains).orElse(files.getFirst());
        FileDocument file = now.filter(kind::equals).isPresent() ? present : usual(kind);
        return mostBytes != null && file instanceof FileDocument.Jpeg jpeg
                ? new FileDocument.Jpeg(jpeg.quality(), jpeg.chroma(), mostBytes, jpeg.compressed())
                : file;
    }

    private static FileDocument usual(Accepted kind) {
        return switch (kind) {
            case JPEG -> new FileDocument.Jpeg(95);
            case TIFF -> new FileDocument.Tiff(Packing.LZW, Depth.AS_ORIGINAL);
            case PNG -> new FileDocument.Png(Depth.EIGHT);
            case PDF -> new FileDocument.Pdf(new PagePixelsDocument.CodedPixels(95, Chroma.FULL), PageMarks.NONE);
            case WEBP -> new FileDocument.Webp(90);
        };
    }
}
