package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.ticket.Edges.WrapMarks;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** What goes round the sheet, as it is stored and sent; colours as {@code #RRGGBB}. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = EdgesDocument.NoEdges.class, name = "none"),
    @JsonSubTypes.Type(value = EdgesDocument.BleedEdges.class, name = "bleed"),
    @JsonSubTypes.Type(value = EdgesDocument.WrapEdges.class, name = "wrap"),
    @JsonSubTypes.Type(value = EdgesDocument.BorderEdges.class, name = "border")
})
@Schema(
        oneOf = {
            EdgesDocument.NoEdges.class,
            EdgesDocument.BleedEdges.class,
            EdgesDocument.WrapEdges.class,
            EdgesDocument.BorderEdges.class
        })
public sealed interface EdgesDocument {
    record NoEdges() implements EdgesDocument {}

    record BleedEdges(
            @NotNull @Valid LengthDocument band,
            @NotNull @Valid LengthDocument safe,
            @NotNull @Valid FillDocument fill) implements EdgesDocument {}

    record WrapEdges(
            @NotNull @Valid SidesDocument bar,
            @NotNull @Valid SidesDocument allowance,
            @NotNull @Valid FillDocument fill,
            @NotNull WrapMarks marks)
            implements EdgesDocument {}

    record BorderEdges(
            @NotNull @Valid BorderSizeDocument size,
            @NotNull String colour,
            @Valid @Schema(nullable = true) KeyLineDocument keyLine,
            @Valid @Schema(nullable = true) CaptionDocument caption)
            implements EdgesDocument {}

    record SidesDocument(
            @NotNull @Valid LengthDocument top,
            @NotNull @Valid LengthDocument right,
            @NotNull @Valid @JsonAlias("foot") LengthDocument bottom,
            @NotNull @Valid LengthDocument left) {
        LengthDocument deepest() {
            return Stream.of(top, right, bottom, left)
                    .max(Comparator.comparing(side -> side.toLength().toInches()))
                    .orElseThrow();
        }
    }

    record KeyLineDocument(
            @NotNull @Valid LengthDocument width, @NotNull String colour) {}

    record CaptionDocument(
            @NotEmpty @Size(max = 20) List<@NotNull @Valid CaptionPartDocument> parts,
            @NotNull @Valid LengthDocument letters,
            @NotNull String colour) {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = FillDocument.PictureFill.class, name = "picture"),
        @JsonSubTypes.Type(value = FillDocument.MirrorFill.class, name = "mirror"),
        @JsonSubTypes.Type(value = FillDocument.DrawnOutFill.class, name = "drawn-out"),
        @JsonSubTypes.Type(value = FillDocument.PlainFill.class, name = "plain"),
        @JsonSubTypes.Type(value = FillDocument.RimMeanFill.class, name = "rim-mean"),
        @JsonSubTypes.Type(value = FillDocument.GrownFill.class, name = "grown")
    })
    @Schema(
            oneOf = {
                FillDocument.PictureFill.class,
                FillDocument.MirrorFill.class,
                FillDocument.DrawnOutFill.class,
                FillDocument.PlainFill.class,
                FillDocument.RimMeanFill.class,
                FillDocument.GrownFill.class
            })
    sealed interface FillDocument {
        record PictureFill() implements FillDocument {}

        record MirrorFill() implements FillDocument {}

        record DrawnOutFill() implements FillDocument {}

        record PlainFill(@NotNull String colour) implements FillDocument {}

        record RimMeanFill() implements FillDocument {}

        /** Grown from the picture's own texture; accepted for each picture. */
        record GrownFill() implements FillDocument {}
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = BorderSizeDocument.InsideBorder.class, name = "inside"),
        @JsonSubTypes.Type(value = BorderSizeDocument.EvenBorder.class, name = "even"),
        @JsonSubTypes.Type(
                value = BorderSizeDocument.HeavierBottomBorder.class,
                name = "heavier-bottom",
                names = {"foot"}),
        @JsonSubTypes.Type(value = BorderSizeDocument.GrownBorder.class, name = "outer")
    })
    @Schema(
            oneOf = {
                BorderSizeDocument.InsideBorder.class,
                BorderSizeDocument.EvenBorder.class,
                BorderSizeDocument.HeavierBottomBorder.class,
                BorderSizeDocument.GrownBorder.class
            })
    sealed interface BorderSizeDocument {
        /** Inside the ticket's paper, which stays as large as it is: the picture gets smaller. */
        record InsideBorder(@NotNull @Valid LengthDocument band) implements BorderSizeDocument {}

        record EvenBorder(@NotNull @Valid LengthDocument band) implements BorderSizeDocument {}

        record HeavierBottomBorder(
                @NotNull @Valid LengthDocument band,
                @NotNull @Valid @JsonAlias("foot") LengthDocument bottom) implements BorderSizeDocument {}

        record GrownBorder(
                @NotNull @Valid LengthDocument width,
                @NotNull @Valid LengthDocument height) implements BorderSizeDocument {}
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = CaptionPartDocument.FileNamePart.class, name = "file-name"),
        @JsonSubTypes.Type(value = CaptionPartDocument.TitlePart.class, name = "title"),
        @JsonSubTypes.Type(value = CaptionPartDocument.NumberPart.class, name = "number"),
        @JsonSubTypes.Type(value = CaptionPartDocument.WordsPart.class, name = "words")
    })
    @Schema(
            oneOf = {
                CaptionPartDocument.FileNamePart.class,
                CaptionPartDocument.TitlePart.class,
                CaptionPartDocument.NumberPart.class,
                CaptionPartDocument.WordsPart.class
            })
    sealed interface CaptionPartDocument {
        record FileNamePart() implements CaptionPartDocument {}

        record TitlePart() implements CaptionPartDocument {}

        record NumberPart(int digits) implements CaptionPartDocument {}

        record WordsPart(@NotNull String text) implements CaptionPartDocument {}
    }
}
