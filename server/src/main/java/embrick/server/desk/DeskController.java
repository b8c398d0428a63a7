package embrick.server.desk;

import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.PrintRelation;
import embrick.core.units.PrintRelation.Held;
import embrick.core.units.PrintRelation.Side;
import embrick.core.units.Resolution;
import embrick.server.documents.LengthDocument;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Answers what somebody reckons at the desk. */
@RestController
@RequestMapping("/api/v1")
class DeskController {
    private static final int MOST_PIXELS = 300_000;
    private static final double MOST_METRES = 1000;

    private final SavedSizeGrades grades;

    DeskController(SavedSizeGrades grades) {
        this.grades = grades;
    }

    /** What is changed: one of ppi, a side's length or a side's pixels. */
    enum Changed {
        PPI,
        WIDTH,
        HEIGHT,
        PIXELS_ACROSS,
        PIXELS_DOWN
    }

    /**
     * @param shapeWidth pixels whose shape is kept, those that it began with
     * @param pixels for a change of pixels
     */
    record RelationRequest(
            @Min(1) @Max(MOST_PIXELS) int shapeWidth,
            @Min(1) @Max(MOST_PIXELS) int shapeHeight,
            @Min(1) @Max(MOST_PIXELS) int width,
            @Min(1) @Max(MOST_PIXELS) int height,
            @NotNull BigDecimal ppi,
            @NotNull LengthUnit unit,
            @NotNull Changed changed,
            @NotNull Held held,
            @Schema(nullable = true) BigDecimal toPpi,
            @Schema(nullable = true) @Valid LengthDocument toLength,
            @Schema(nullable = true) Integer toPixels) {}

    /** @param sentence what happened to the pixels, in a line */
    record RelationView(
            int width,
            int height,
            @NotNull BigDecimal ppi,
            double widthLength,
            double heightLength,
            boolean pixelsKept,
            @NotNull String sentence) {}

    /** Changes one of pixels, size and ppi, holds another, and tells the third. */
    @PostMapping("/desk/relation")
    RelationView relate(@Valid @RequestBody RelationRequest asked) {
        try {
            PrintRelation before = new PrintRelation(
                    new PixelSize(asked.shapeWidth(), asked.shapeHeight()),
                    new PixelSize(asked.width(), asked.height()),
                    Resolution.perInch(asked.ppi()));
            return view(before, changed(before, asked), asked.unit());
        } catch (IllegalArgumentException | ArithmeticException wrong) {
            throw ProblemException.invalid(
                    "relation", "relation", wrong.getMessage(), "Change another value, or hold another.");
        }
    }

    private static PrintRelation changed(PrintRelation before, RelationRequest asked) {
        return switch (asked.changed()) {
            case PPI ->
                asked.toPpi() == null ? before : before.withPpi(Resolution.perInch(asked.toPpi()), asked.held());
            case WIDTH -> before.withLength(Side.WIDTH, length(asked), asked.held());
            case HEIGHT -> before.withLength(Side.HEIGHT, length(asked), asked.held());
            case PIXELS_ACROSS -> before.withPixels(Side.WIDTH, pixels(asked), asked.held());
            case PIXELS_DOWN -> before.withPixels(Side.HEIGHT, pixels(asked), asked.held());
        };
    }

    private static Length length(RelationRequest asked) {
        if (asked.toLength() == null) {
            throw new IllegalArgumentException("toLength: expected a length, got none");
        }
        return Length.of(asked.toLength().value(), asked.toLength().unit());
    }

    private static int pixels(RelationRequest asked) {
        if (asked.toPixels() == null || asked.toPixels() < 1 || asked.toPixels() > MOST_PIXELS) {
            throw new IllegalArgumentException("toPixels: expected 1 to " + MOST_PIXELS + ", got " + asked.toPixels());
        }
        return asked.toPixels();
    }

    private static RelationView view(PrintRelation before, PrintRelation after, LengthUnit unit) {
        boolean kept = before.pixels().equals(after.pixels());
        String sentence;
        if (kept && before.ppi().equals(after.ppi())) {
            sentence = "Nothing is changed.";
        } else if (kept) {
            sentence = "The pixels stay as they are; only the size in print changes.";
        } else {
            sentence = before.pixels().pixels() < after.pixels().pixels()
                    ? "New pixels are made: the picture is enlarged, and gets no new detail."
                    : "New pixels are made: the picture is reduced.";
        }
        return new RelationView(
                after.pixels().width(),
                after.pixels().height(),
                BigDecimal.valueOf(after.ppi().toPpi())
                        .round(new MathContext(10))
                        .stripTrailingZeros(),
                in(after.length(Side.WIDTH, unit), unit),
                in(after.length(Side.HEIGHT, unit), unit),
                kept,
                sentence);
    }

    private static double in(Length length, LengthUnit unit) {
        return length.in(unit).doubleValue();
    }

    /**
     * @param viewing null for a distance that was asked for
     * @param ppiNeeded null likewise
     */
    record DistanceView(
            @Schema(nullable = true) ViewingDistance viewing,
            double metres,
            @Schema(nullable = true) Integer ppiNeeded,
            double eyePpi) {
        static DistanceView of(ViewingDistance viewing) {
            return new DistanceView(
                    viewing, viewing.metres(), viewing.ppiNeeded(), ViewingDistance.eyePpi(viewing.metres()));
        }
    }

    /** The ppi a print needs by its viewing distance, by practice and by the eye's acuity; {@code metres} for another one. */
    @GetMapping("/desk/distances")
    List<DistanceView> listDistances(@RequestParam(required = false) Double metres) {
        if (metres == null) {
            return Stream.of(ViewingDistance.values()).map(DistanceView::of).toList();
        }
        if (!(metres > 0 && metres <= MOST_METRES)) {
            throw ProblemException.invalid(
                    "distance",
                    "metres",
                    "metres: expected more than 0 and at most 1000, got " + metres,
                    "Say the distance in metres.");
        }
        return List.of(new DistanceView(null, metres, null, ViewingDistance.eyePpi(metres)));
    }

    /** What a picture of so many pixels gives on every saved size. */
    @GetMapping("/desk/sizes")
    List<SavedSizeGrades.SizeGrade> gradePixels(@RequestParam int width, @RequestParam int height) {
        if (width < 1 || height < 1 || width > MOST_PIXELS || height > MOST_PIXELS) {
            throw ProblemException.invalid(
                    "pixels",
                    "width",
                    "pixels: expected sides of 1 to " + MOST_PIXELS + ", got " + width + " × " + height,
                    "Say the picture's pixels.");
        }
        return grades.ofPixels(new PixelSize(width, height));
    }

    /** What a job's pictures give on every saved size. */
    @GetMapping("/jobs/{jobId}/saved-sizes")
    List<SavedSizeGrades.PileGrade> gradePile(@PathVariable UUID jobId) {
        return grades.ofPile(jobId);
    }
}
