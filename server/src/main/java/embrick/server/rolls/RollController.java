package embrick.server.rolls;

import embrick.server.rolls.RollClient.End;
import embrick.server.rolls.RollClient.Job;
import embrick.server.rolls.RollClient.Printer;
import embrick.server.rolls.RollClient.Stop;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The roll printer as it is now, with its jobs, and what a person does at it. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/roll")
class RollController {
    private final RollClient roll;

    RollController(RollClient roll) {
        this.roll = roll;
    }

    /** Whether it can be asked. */
    enum RollState {
        NOT_SET_UP,
        NOT_REACHED,
        REACHED
    }

    record LoadedRoll(double width, @NotNull String paper, double left) {}

    record InkLeft(@NotNull String name, double percent) {}

    /** @param printed whether it is whole on paper */
    record RollPiece(
            int number,
            @NotNull String name,
            double x,
            double y,
            double width,
            double height,
            boolean turned,
            boolean printed,
            @Schema(nullable = true) UUID originalId) {}

    record RollPage(double length, @NotNull List<RollPiece> pieces) {}

    /**
     * What lies on paper.
     *
     * @param at how far it is; the end where it is not under way
     * @param picture its number, by which it can be looked at; null until it is drawn
     */
    record RollStretch(
            int page,
            int roll,
            double from,
            double at,
            @NotNull End end,
            @Schema(nullable = true) Integer picture) {}

    record RollJob(
            @NotNull String id,
            @NotNull String name,
            @NotNull Instant receivedAt,
            @NotNull RollClient.State state,
            double width,
            @NotNull List<UUID> runIds,
            @NotNull List<RollPage> pages,
            @NotNull List<RollStretch> stretches) {}

    record RollView(
            @NotNull RollState state,
            @Schema(nullable = true) Stop stop,
            LoadedRoll loaded,
            @NotNull List<InkLeft> inks,
            double speed,
            @NotNull List<RollJob> jobs) {
        static RollView without(RollState state) {
            return new RollView(state, null, null, List.of(), 0, List.of());
        }
    }

    record RollToLoad(
            @DecimalMin("100") @DecimalMax("3000") double width,
            @NotBlank @Size(max = 60) String paper,
            @DecimalMin("100") @DecimalMax("200000") double length) {}

    @GetMapping
    RollView getRoll() {
        if (!roll.isSetUp()) {
            return RollView.without(RollState.NOT_SET_UP);
        }
        try {
            return view(roll.printer(), roll.jobs());
        } catch (IOException away) {
            return RollView.without(RollState.NOT_REACHED);
        }
    }

    @PutMapping("/paper")
    RollView loadRoll(@Valid @RequestBody RollToLoad wanted) {
        return after(() -> roll.load(new RollClient.WantedRoll(wanted.width(), wanted.paper(), wanted.length())));
    }

    @PostMapping("/inks")
    RollView fillInks() {
        return after(roll::fill);
    }

    @PostMapping("/jam/clear")
    RollView clearJam() {
        return after(roll::clearJam);
    }

    @PostMapping("/jobs/{id}/cancel")
    RollView cancelRollJob(@PathVariable String id) {
        return after(() -> roll.cancel(id));
    }

    @GetMapping(path = "/jobs/{id}/stretches/{number}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> getRollStretch(@PathVariable String id, @PathVariable int number) {
        return ResponseEntity.ok(RollProblems.of(roll, () -> roll.picture(id, number)));
    }

    private interface Act {
        void act() throws IOException;
    }

    private RollView after(Act act) {
        return RollProblems.of(roll, () -> {
            act.act();
            return view(roll.printer(), roll.jobs());
        });
    }

    private static RollView view(Printer printer, List<Job> jobs) {
        return new RollView(
                RollState.REACHED,
                printer.stop(),
                new LoadedRoll(
                        printer.roll().width(),
                        printer.roll().paper(),
                        printer.roll().left()),
                printer.inks().stream()
                        .map(ink -> new InkLeft(ink.name(), ink.percent()))
                        .toList(),
                printer.speed(),
                jobs.stream().map(RollController::view).toList());
    }

    private static RollJob view(Job job) {
        RollMemo memo = RollMemo.read(job.ticket().memo());
        Map<Integer, RollMemo.Of> known =
                memo.pieces().stream().collect(Collectors.toMap(RollMemo.Of::number, Function.identity()));
        return new RollJob(
                job.id(),
                job.name(),
                job.receivedAt(),
                job.state(),
                job.ticket().width(),
                memo.runIds(),
                job.ticket().pages().stream()
                        .map(page -> new RollPage(
                                page.length(),
                                page.pieces().stream()
                                        .map(piece -> view(piece, job, known.get(piece.number())))
                                        .toList()))
                        .toList(),
                job.stretches().stream().map(RollController::view).toList());
    }

    private static RollPiece view(RollClient.TicketPiece piece, Job job, RollMemo.Of known) {
        return new RollPiece(
                piece.number(),
                piece.name(),
                piece.x(),
                piece.y(),
                piece.width(),
                piece.height(),
                known != null && known.turned(),
                job.printed().contains(piece.number()),
                known == null ? null : known.originalId());
    }

    private static RollStretch view(RollClient.Stretch stretch) {
        return new RollStretch(
                stretch.page(),
                stretch.roll(),
                stretch.from(),
                stretch.at(),
                stretch.end(),
                stretch.isDrawn() ? stretch.number() : null);
    }
}
