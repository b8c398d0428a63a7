package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Fit.TrimMarks;
import embrick.core.ticket.NamePattern.LetterCase;
import embrick.core.ticket.NamePattern.Subfolders;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Size.Enlarging;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.LengthUnit;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;

/**
 * A ticket as it is stored and sent. {@link TicketDocuments} makes the core's ticket of it and judges its values.
 *
 * @param unit in which lengths are shown
 * @param ppi as a decimal number
 * @param folder the delivery's folder
 */
public record TicketDocument(
        int schemaVersion,
        @NotNull @Size(min = 1, max = 120) String name,
        @NotNull LengthUnit unit,
        @NotNull @Valid SizeDocument size,
        @NotNull Turn turn,
        @NotNull @Valid FitDocument fit,
        @NotNull @Valid EdgesDocument edges,
        @NotNull BigDecimal ppi,
        @NotNull ViewingDistance viewing,
        @NotNull @Valid ResamplingDocument resampling,
        @NotNull @Valid SharpeningDocument sharpening,
        @NotNull @Valid ColourDocument colour,
        @NotNull Rounding rounding,
        @NotNull @Valid FileDocument file,

        @Schema(
                description = "Where it is not said, creator, rights, contact, title and caption are kept",
                requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Valid
        MetadataDocument metadata,

        @NotEmpty @Size(min = 1, max = 20) List<@NotNull @Valid BrickDocument> names,

        @Schema(description = "How many prints are made of each file; the file is made once", defaultValue = "1")
        @Min(1)
        @Max(999)
        Integer copies,

        @Schema(description = "Letters of names", defaultValue = "AS_IT_IS")
        LetterCase letters,

        @Schema(
                description = "Whether the pile's subfolders are made below the delivery's folder",
                defaultValue = "FLATTENED")
        Subfolders subfolders,

        @NotNull @Size(min = 1, max = 120) String folder,

        @Schema(
                nullable = true,
                requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                description = "What is drawn over the pictures; null for none")
        @Valid
        MarkDocument mark,

        @Schema(
                nullable = true,
                requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                description = "The product whose rule it is held to; null for none")
        @Valid
        ProductRuleDocument.OfTicket product,

        @Schema(
                description = "Which try at growing a background: each has a chance of its own, the same every time",
                defaultValue = "1")
        @Min(1)
        @Max(999)
        Integer attempt) {
    public static final int SCHEMA_VERSION = 5;

    /** Stored documents are brought to this version before; one that is sent says it. */
    public TicketDocument {
        Upcasts.requirePresent(schemaVersion, SCHEMA_VERSION);
        // Tickets of before said nothing of it.
        metadata = metadata == null ? MetadataDocument.usual() : metadata;
        copies = copies == null ? 1 : copies;
        letters = letters == null ? LetterCase.AS_IT_IS : letters;
        attempt = attempt == null ? 1 : attempt;
        subfolders = subfolders == null ? Subfolders.FLATTENED : subfolders;
    }

    /** What one picture has of its own, in the ticket's own parts. */
    record Own(
            BigDecimal ppi,
            SharpeningDocument sharpening,
            MetadataDocument metadata,
            int copies,
            FitDocument fit,
            EdgesDocument edges,
            int attempt) {}

    /** The same ticket with what one picture has of its own. */
    TicketDocument with(Own own) {
        return new TicketDocument(
                schemaVersion,
                name,
                unit,
                size,
                turn,
                own.fit(),
                own.edges(),
                own.ppi(),
                viewing,
                resampling,
                own.sharpening(),
                colour,
                rounding,
                file,
                own.metadata(),
                names,
                own.copies(),
                letters,
                subfolders,
                folder,
                mark,
                product,
                own.attempt());
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = SizeDocument.OnPaper.class, name = "paper"),
        @JsonSubTypes.Type(value = SizeDocument.InPixels.class, name = "pixels"),
        @JsonSubTypes.Type(value = SizeDocument.Scaled.class, name = "scaled"),
        @JsonSubTypes.Type(value = SizeDocument.ShapeOnly.class, name = "shape"),
        @JsonSubTypes.Type(value = SizeDocument.FreeShape.class, name = "free"),
        @JsonSubTypes.Type(value = SizeDocument.OwnShape.class, name = "own")
    })
    @Schema(
            oneOf = {
                SizeDocument.OnPaper.class,
                SizeDocument.InPixels.class,
                SizeDocument.Scaled.class,
                SizeDocument.ShapeOnly.class,
                SizeDocument.FreeShape.class,
                SizeDocument.OwnShape.class
            })
    public sealed interface SizeDocument {
        record OnPaper(
                @NotNull @Valid LengthDocument width,
                @NotNull @Valid LengthDocument height) implements SizeDocument {}

        /** A sheet of so many pixels, either way up. */
        record InPixels(
                @Schema(description = "Pixels of one side") int width,

                @Schema(description = "Pixels of the other side")
                int height)
                implements SizeDocument {}

        /** The picture's own shape, scaled until a measure is met. */
        record Scaled(
                @NotNull @Valid MeasureDocument to,

                @Schema(description = "Whether a picture with fewer pixels is enlarged, or keeps its own") @NotNull
                Enlarging enlarging)
                implements SizeDocument {}

        record ShapeOnly(long shortSide, long longSide) implements SizeDocument {}

        record FreeShape() implements SizeDocument {}

        record OwnShape() implements SizeDocument {}
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = FitDocument.Fill.class, name = "fill"),
        @JsonSubTypes.Type(value = FitDocument.Inside.class, name = "inside"),
        @JsonSubTypes.Type(value = FitDocument.GrownInside.class, name = "grown"),
        @JsonSubTypes.Type(value = FitDocument.AtScale.class, name = "scale"),
        @JsonSubTypes.Type(value = FitDocument.Cut.class, name = "cut")
    })
    @Schema(
            oneOf = {
                FitDocument.Fill.class,
                FitDocument.Inside.class,
                FitDocument.GrownInside.class,
                FitDocument.AtScale.class,
                FitDocument.Cut.class
            })
    public sealed interface FitDocument {
        record Fill(@NotNull String paper) implements FitDocument {}

        /** @param margin of paper that the picture keeps to every side of the sheet */
        record Inside(
                @NotNull String paper,
                @NotNull Anchor anchor,
                @NotNull @Valid LengthDocument margin,
                @NotNull TrimMarks marks)
                implements FitDocument {}

        /** The whole picture; what the sheet has beside it is grown from its own texture, accepted for each picture. */
        record GrownInside(@NotNull String paper, @NotNull Anchor anchor) implements FitDocument {}

        /** @param printedPpi original pixels to an inch of paper; null: as the picture's own file says */
        record AtScale(
                @NotNull String paper,
                @Schema(nullable = true) BigDecimal printedPpi,
                @NotNull Anchor anchor,
                @NotNull TrimMarks marks)
                implements FitDocument {}

        /** Cut out pixel for pixel, nothing scaled; the anchor says which part. */
        record Cut(
                @NotNull String paper,
                @NotNull Anchor anchor,
                @NotNull TrimMarks marks) implements FitDocument {}
    }

    /** How pixels are made from pixels. */
    public record ResamplingDocument(
            @NotNull MethodChoice method,
            @NotNull Light light,
            @NotNull Ringing ringing) {}

    /** A method by its kernel, or none: then the planner picks by need. */
    public enum MethodChoice {
        BY_ITSELF,
        NEAREST,
        AREA,
        BILINEAR,
        KEYS,
        MITCHELL,
        LANCZOS3,
        CIRCULAR_LANCZOS,
        LEARNED,
        LEARNED_SOFTENING
    }

    /** Sharpening for the paper: strengths 0 to 100, radii on paper, the threshold in per cent. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = SharpeningDocument.NoSharpening.class, name = "none"),
        @JsonSubTypes.Type(value = SharpeningDocument.PaperSharpening.class, name = "paper"),
        @JsonSubTypes.Type(value = SharpeningDocument.ScreenSharpening.class, name = "screen"),
        @JsonSubTypes.Type(value = SharpeningDocument.ExactSharpening.class, name = "exact"),
        @JsonSubTypes.Type(value = SharpeningDocument.LocalContrast.class, name = "local-contrast"),
        @JsonSubTypes.Type(value = SharpeningDocument.OutOfFocus.class, name = "out-of-focus"),
        @JsonSubTypes.Type(value = SharpeningDocument.Moved.class, name = "moved")
    })
    @Schema(
            oneOf = {
                SharpeningDocument.NoSharpening.class,
                SharpeningDocument.PaperSharpening.class,
                SharpeningDocument.ScreenSharpening.class,
                SharpeningDocument.ExactSharpening.class,
                SharpeningDocument.LocalContrast.class,
                SharpeningDocument.OutOfFocus.class,
                SharpeningDocument.Moved.class
            })
    public sealed interface SharpeningDocument {
        record NoSharpening() implements SharpeningDocument {}

        record PaperSharpening(@NotNull PaperKind paper) implements SharpeningDocument {}

        /** For screens: a radius in pixels, whatever the ppi. */
        record ScreenSharpening() implements SharpeningDocument {}

        record ExactSharpening(int strength, @NotNull @Valid LengthDocument radius, double threshold)
                implements SharpeningDocument {}

        record LocalContrast(int strength, @NotNull @Valid LengthDocument radius) implements SharpeningDocument {}

        /** A blur undone: out of focus by a radius in the original's pixels; detail no stronger than the grain is left. */
        record OutOfFocus(int strength, double radius, double grain) implements SharpeningDocument {}

        /** A movement undone: so many of the original's pixels long, in degrees clockwise from the right. */
        record Moved(int strength, double length, double degrees, double grain) implements SharpeningDocument {}
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = BrickDocument.OriginalName.class, name = "original"),
        @JsonSubTypes.Type(value = BrickDocument.JobName.class, name = "job"),
        @JsonSubTypes.Type(value = BrickDocument.TicketName.class, name = "ticket"),
        @JsonSubTypes.Type(value = BrickDocument.SizeText.class, name = "size"),
        @JsonSubTypes.Type(value = BrickDocument.PixelsText.class, name = "pixels"),
        @JsonSubTypes.Type(value = BrickDocument.BarDepth.class, name = "bar"),
        @JsonSubTypes.Type(value = BrickDocument.Copies.class, name = "copies"),
        @JsonSubTypes.Type(value = BrickDocument.PictureNumber.class, name = "picture-number"),
        @JsonSubTypes.Type(value = BrickDocument.PictureDate.class, name = "picture-date"),
        @JsonSubTypes.Type(value = BrickDocument.RunningNumber.class, name = "number"),
        @JsonSubTypes.Type(value = BrickDocument.Date.class, name = "date"),
        @JsonSubTypes.Type(value = BrickDocument.Words.class, name = "words")
    })
    @Schema(
            oneOf = {
                BrickDocument.OriginalName.class,
                BrickDocument.JobName.class,
                BrickDocument.TicketName.class,
                BrickDocument.SizeText.class,
                BrickDocument.PixelsText.class,
                BrickDocument.BarDepth.class,
                BrickDocument.Copies.class,
                BrickDocument.PictureNumber.class,
                BrickDocument.PictureDate.class,
                BrickDocument.RunningNumber.class,
                BrickDocument.Date.class,
                BrickDocument.Words.class
            })
    public sealed interface BrickDocument {
        /** @param replace what is written in place of something in it */
        record OriginalName(
                @Schema(nullable = true, requiredMode = Schema.RequiredMode.NOT_REQUIRED) @Valid
                ReplacementDocument replace)
                implements BrickDocument {
            public OriginalName() {
                this(null);
            }
        }

        record JobName() implements BrickDocument {}

        record TicketName() implements BrickDocument {}

        record SizeText() implements BrickDocument {}

        record PixelsText() implements BrickDocument {}

        /** Of a wrap's bar; nothing without one. */
        record BarDepth() implements BrickDocument {}

        /** How many copies are printed; nothing where it is one. */
        record Copies() implements BrickDocument {}

        /** The last number in the original's own name; nothing where there is none. */
        record PictureNumber() implements BrickDocument {}

        /** The day on which the picture was taken. */
        record PictureDate() implements BrickDocument {}

        /** @param first 1 where it is not said */
        record RunningNumber(
                int digits,

                @Schema(nullable = true, defaultValue = "1") Integer first) implements BrickDocument {}

        record Date() implements BrickDocument {}

        record Words(@NotNull String text) implements BrickDocument {}
    }

    /** Text in an original's name, and what is written in its place. */
    public record ReplacementDocument(
            @NotNull String from, @NotNull String to) {}
}
