package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.problems.ProblemException;
import embrick.server.runs.RunViews.RunView;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.data.domain.Limit;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Deliveries that have been kept long enough: told, and cleared when somebody says so, never by themselves. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/runs")
class ClearingController {
    private static final int MOST_SHOWN = 500;
    private static final int LONGEST_DAYS = 3650;

    private final RunRepository runs;
    private final RunRemoval removal;
    private final RunViews views;
    private final Clock clock;

    ClearingController(RunRepository runs, RunRemoval removal, RunViews views, Clock clock) {
        this.runs = runs;
        this.removal = removal;
        this.views = views;
        this.clock = clock;
    }

    record RunsToClear(
            @NotNull @Size(min = 1, max = MOST_SHOWN) List<@NotNull UUID> runIds) {}

    /** @param refused runs that were not cleared, each by its id */
    record Cleared(int runs, @NotNull List<Problem> refused) {}

    /** Runs that finished so many days ago or more and still have their files; the oldest first. */
    @GetMapping("/kept")
    List<RunView> listKeptRuns(@RequestParam @Min(0) @Max(LONGEST_DAYS) int days) {
        return views.runs(runs.keptSince(clock.instant().minus(Duration.ofDays(days)), Limit.of(MOST_SHOWN)));
    }

    /** Each run by itself: one that cannot be cleared stops none of the others. */
    @PostMapping("/clear")
    Cleared clearRuns(@Valid @RequestBody RunsToClear asked) {
        List<Problem> refused = new ArrayList<>();
        int cleared = 0;
        for (UUID id : asked.runIds().stream().distinct().toList()) {
            try {
                removal.clear(id);
                cleared++;
            } catch (ProblemException problem) {
                Problem first = problem.problems().getFirst();
                refused.add(new Problem(first.code(), id.toString(), first.text(), first.remedy()));
            } catch (UncheckedIOException failed) {
                refused.add(new Problem(
                        "not-cleared",
                        id.toString(),
                        "Files could not be deleted: " + failed.getCause().getMessage() + ".",
                        "See that its folder can be written to, then clear it again."));
            }
        }
        return new Cleared(cleared, refused);
    }
}
