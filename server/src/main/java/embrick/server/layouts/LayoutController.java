package embrick.server.layouts;

import embrick.core.nest.Placed;
import embrick.core.problem.Problem;
import embrick.server.layouts.Layouts.Laid;
import embrick.server.layouts.Layouts.Layout;
import embrick.server.layouts.Layouts.Page;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Pieces laid together on paper: looked at, moved, and handed over as PDF. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/layouts")
class LayoutController {
    private static final int PER_CENT = 100;

    private final Layouts layouts;
    private final LayoutPdf pdf;
    private final LayoutPrinting printing;

    LayoutController(Layouts layouts, LayoutPdf pdf, LayoutPrinting printing) {
        this.printing = printing;
        this.layouts = layouts;
        this.pdf = pdf;
    }

    /** All lengths are millimetres, from the paper's left and beginning, as the piece lies. */
    record LaidView(
            int number,
            @NotNull UUID pieceId,
            @NotNull UUID runId,
            @NotNull UUID originalId,
            @NotNull String name,
            int copy,
            int part,
            int parts,
            double x,
            double y,
            double width,
            double height,
            boolean turned) {}

    record LaidPaper(double width, double height, @NotNull List<LaidView> laid) {}

    record LayoutView(
            @NotNull List<LaidPaper> pages,
            double length,
            double wastePercent,
            @Schema(nullable = true) Double cost,
            @NotNull List<Problem> refused,
            @NotNull List<Problem> wrong) {}

    @PostMapping
    LayoutView layPieces(@Valid @RequestBody LayoutWish wish) {
        return view(layouts.lay(wish), wish);
    }

    @PostMapping(path = "/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<StreamingResponseBody> getLayoutPdf(@Valid @RequestBody LayoutWish wish) {
        Layout layout = sound(wish);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + nameOf(wish) + "\"")
                .body(out -> pdf.write("Embrick, pieces laid on paper", layout, wish.gap(), out));
    }

    record RollJobSent(@NotNull String jobId) {}

    /** Puts the pieces on the roll printer. The same Idempotency-Key is the same job. */
    @PostMapping("/print")
    RollJobSent printLayout(@RequestHeader("Idempotency-Key") String key, @Valid @RequestBody LayoutWish wish) {
        if (wish.height() != null) {
            throw ProblemException.invalid(
                    "no-roll",
                    "height",
                    "Sheets are not printed on a roll.",
                    "Choose a roll, or save the sheets as PDF.");
        }
        return new RollJobSent(printing.print(key, sound(wish), wish));
    }

    /** @throws ProblemException if it cannot be printed as it lies */
    private Layout sound(LayoutWish wish) {
        Layout layout = layouts.lay(wish);
        if (!layout.wrong().isEmpty()) {
            throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, layout.wrong());
        }
        List<Problem> lost = layout.refused().stream()
                .filter(problem -> problem.code().equals(LayoutPieces.LOST))
                .toList();
        if (!lost.isEmpty()) {
            throw new ProblemException(HttpStatus.CONFLICT, lost);
        }
        if (layout.pages().isEmpty()) {
            throw layout.refused().isEmpty()
                    ? ProblemException.invalid(
                            "nothing-to-lay", "run", "No piece is finished yet.", "Wait for the run.")
                    : new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, layout.refused());
        }
        return layout;
    }

    private static String nameOf(LayoutWish wish) {
        return (wish.height() == null ? "roll " : "sheets ") + Math.round(wish.width()) + " mm.pdf";
    }

    private static LayoutView view(Layout layout, LayoutWish wish) {
        return new LayoutView(
                layout.pages().stream().map(page -> view(page, layout)).toList(),
                Layouts.millimetres(layout.length()),
                layout.waste() * PER_CENT,
                wish.price() == null ? null : cost(layout, wish),
                layout.refused(),
                layout.wrong());
    }

    private static double cost(Layout layout, LayoutWish wish) {
        double amount = wish.height() == null
                ? Layouts.millimetres(layout.length()) / 1000
                : layout.pages().size();
        return amount * wish.price();
    }

    private static LaidPaper view(Page page, Layout layout) {
        return new LaidPaper(
                Layouts.millimetres(page.width()),
                Layouts.millimetres(page.height()),
                page.placed().stream()
                        .map(placed ->
                                view(placed, layout.laid().get(placed.item().number())))
                        .toList());
    }

    private static LaidView view(Placed placed, Laid what) {
        return new LaidView(
                placed.item().number(),
                what.copy().piece().id(),
                what.copy().runId(),
                what.copy().piece().originalId(),
                what.copy().piece().name(),
                what.copy().copy(),
                what.part(),
                what.parts(),
                Layouts.millimetres(placed.x()),
                Layouts.millimetres(placed.y()),
                Layouts.millimetres(placed.width()),
                Layouts.millimetres(placed.height()),
                placed.turned());
    }
}
