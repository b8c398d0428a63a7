package embrick.server.found;

import embrick.core.found.Confidence;
import embrick.core.found.level.LevelFinder.Level;
import embrick.core.found.scan.FoundPrint;
import embrick.core.found.scan.LeftOver;
import embrick.core.found.scan.Rectangle;
import embrick.core.found.scan.ScanBorder.Scan;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Mirror;
import embrick.core.plan.PrintCut;
import embrick.core.units.PixelSize;
import embrick.server.documents.FramingDocument;
import embrick.server.framings.PlanRequest;
import embrick.server.framings.Plans;
import embrick.server.originals.OriginalView;
import embrick.server.originals.OriginalViews;
import embrick.server.problems.ProblemException;
import embrick.server.web.HttpAsker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a picture shows of its own accord, and the framings that would follow if it were taken. */
@RestController
@RequestMapping("/api/v1")
class FoundController {
    private final Findings findings;
    private final Plans plans;

    private final SeparatePrints separate;
    private final Separations separations;
    private final OriginalViews views;

    FoundController(
            Findings findings, Plans plans, SeparatePrints separate, Separations separations, OriginalViews views) {
        this.separations = separations;
        this.separate = separate;
        this.views = views;
        this.findings = findings;
        this.plans = plans;
    }

    /** As fractions of the upright original. */
    record FoundPlace(double x, double y) {}

    /** @param corners left top, right top, right bottom, left bottom of the print */
    record FoundPrintView(
            @NotNull List<FoundPlace> corners,
            double degrees,
            @NotNull Confidence confidence,
            @NotNull String text) {}

    record FoundScanView(@NotNull String text, @NotNull List<FoundPrintView> prints) {}

    record FoundLevelView(
            @NotNull FoundPlace from,
            @NotNull FoundPlace to,
            double degrees,
            @NotNull Confidence confidence,
            @NotNull String text) {}

    record FoundView(
            @NotNull FoundScanView scan,
            @Schema(nullable = true) FoundLevelView level) {}

    /** What is found in one picture. Nothing is changed. */
    @GetMapping("/originals/{id}/found")
    FoundView findInPicture(@PathVariable UUID id, HttpServletRequest request) throws IOException {
        Findings.Found found = findings.of(id, HttpAsker.of(request));
        List<FoundPrintView> prints = found.scan() instanceof Scan.Prints(List<FoundPrint> all)
                ? all.stream().map(print -> view(print, found)).toList()
                : List.of();
        return new FoundView(
                new FoundScanView(FoundWords.of(found.scan()), prints),
                found.level().map(level -> view(level, found)).orElse(null));
    }

    private static FoundPrintView view(FoundPrint print, Findings.Found found) {
        return new FoundPrintView(
                print.outline().corners().stream()
                        .map(corner -> place(corner.x(), corner.y(), found))
                        .toList(),
                print.outline().degrees(),
                print.confidence(),
                FoundWords.of(print));
    }

    private static FoundLevelView view(Level level, Findings.Found found) {
        return new FoundLevelView(
                place(level.line().x1(), level.line().y1(), found),
                place(level.line().x2(), level.line().y2(), found),
                level.leans(),
                level.confidence(),
                FoundWords.of(level));
    }

    private static FoundPlace place(double x, double y, Findings.Found found) {
        return new FoundPlace(x / found.width(), y / found.height());
    }

    /**
     * @param wish the ticket, and the framing whose turns stay
     * @param print which of the prints, from 0
     * @param insetPercent taken off inside each side, of the print's short side; 0.3 if nothing is said
     */
    record ScanBorderRequest(
            @NotNull @Valid PlanRequest wish,
            @Schema(defaultValue = "0") Integer print,

            @Schema(defaultValue = "0.3") @DecimalMin("0") @DecimalMax("10")
            Double insetPercent) {
        int number() {
            return print == null ? 0 : print;
        }

        double inset() {
            return (insetPercent == null ? INSET_PERCENT : insetPercent) / 100;
        }
    }

    private static final double INSET_PERCENT = 0.3;

    /** @param left where a line of the bed would be left along the cut, in words */
    record ScanBorderOffer(
            @NotNull FramingDocument framing,
            @Schema(nullable = true) String left) {}

    /** The framing that keeps what lies inside a print's sides. Nothing is stored. */
    @PostMapping("/originals/{id}/found/scan-border")
    ScanBorderOffer offerScanBorder(
            @PathVariable UUID id, @Valid @RequestBody ScanBorderRequest request, HttpServletRequest http)
            throws IOException {
        Findings.Found found = findings.of(id, HttpAsker.of(http));
        Rectangle outline = print(found, request.number()).outline();
        Rectangle cut = outline.inside(request.inset() * outline.shortSide());
        Plans.Planned planned = plans.of(id, request.wish().wish());
        PixelSize own = planned.facts().orientation().seenSize(planned.facts().stored());
        Framing framing = PrintCut.framed(
                planned.facts(),
                planned.ticket(),
                planned.framing(),
                cut.scaled((double) own.width() / found.width(), (double) own.height() / found.height()),
                one -> plans.reframed(planned, one));
        List<LeftOver.Line> left = LeftOver.along(findings.pixels(id, HttpAsker.of(http)), cut);
        return new ScanBorderOffer(
                FramingDocument.of(framing), FoundWords.ofLeft(left).orElse(null));
    }

    record SeparationRequest(
            @Schema(defaultValue = "0.3") @DecimalMin("0") @DecimalMax("10")
            Double insetPercent) {}

    /** Makes a picture of each print on the bed, framed for all of the job's tickets; the scan is left out of runs. */
    @PostMapping("/originals/{id}/found/prints")
    List<OriginalView> separatePrints(
            @PathVariable UUID id, @Valid @RequestBody SeparationRequest request, HttpServletRequest http)
            throws IOException {
        double inset = (request.insetPercent() == null ? INSET_PERCENT : request.insetPercent()) / 100;
        return separate.of(id, inset, HttpAsker.of(http)).stream()
                .map(views::of)
                .toList();
    }

    /** How far cutting a scan's prints apart has come; none of none if nothing is under way. */
    @GetMapping("/originals/{id}/found/prints/progress")
    Separations.Progress separationProgress(@PathVariable UUID id) {
        return separations.of(id);
    }

    private static FoundPrint print(Findings.Found found, int number) {
        if (found.scan() instanceof Scan.Prints(List<FoundPrint> prints) && number >= 0 && number < prints.size()) {
            return prints.get(number);
        }
        throw ProblemException.invalid(
                "no-scan-border",
                "print",
                FoundWords.of(found.scan()),
                "Frame it by hand, or tilt it by a level line along one of its sides.");
    }

    record FoundLevelRequest(@NotNull @Valid FramingDocument framing) {}

    /** The framing that brings what was found level, with the loosest frame there is then. Nothing is stored. */
    @PostMapping("/originals/{id}/found/level")
    FramingDocument offerLevel(
            @PathVariable UUID id, @Valid @RequestBody FoundLevelRequest request, HttpServletRequest http)
            throws IOException {
        Level level = findings.of(id, HttpAsker.of(http))
                .level()
                .orElseThrow(() -> ProblemException.invalid(
                        "no-lines",
                        "framing",
                        "No long straight lines are found in the picture.",
                        "Draw a level line by hand."));
        Framing framing = request.framing().toFraming();
        double tilt = framing.mirror() == Mirror.MIRRORED ? level.leans() : -level.leans();
        return FramingDocument.of(framing.withTilt(tilt).withTightness(1));
    }
}
