package embrick.server.runs;

import embrick.server.jobs.TargetView;
import embrick.server.runs.RunRemoval.FilesThen;
import embrick.server.runs.RunViews.RunView;
import embrick.server.runs.RunViews.WholeRun;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Runs: started, watched, stopped, resumed. */
@RestController
@RequestMapping("/api/v1")
class RunController {
    private final RunStart starts;
    private final RunService runs;
    private final RunRemoval removal;
    private final RunViews views;
    private final RunEvents events;

    RunController(RunStart starts, RunService runs, RunRemoval removal, RunViews views, RunEvents events) {
        this.starts = starts;
        this.runs = runs;
        this.removal = removal;
        this.views = views;
        this.events = events;
    }

    /**
     * @param originalIds the pictures wanted; null for all of the job, an empty list for none
     * @param target where its deliveries go; null for where the job's go
     * @param changedOnly whether what was made already, as it would be now, is left out; null for no
     */
    record StartRun(
            @Schema(nullable = true) List<@NotNull UUID> originalIds,
            @Schema(nullable = true) @Valid TargetView target,
            @Schema(nullable = true) Boolean changedOnly) {}

    /**
     * @param ticketIds the tickets wanted; null for all that are switched on
     * @param originalIds the pictures wanted; null for all of the job, an empty list for none
     * @param target where its deliveries go; null for where the job's go
     * @param changedOnly whether what was made already, as it would be now, is left out; null for no
     */
    record StartRunOfJob(
            @Schema(nullable = true) @Size(min = 1) List<@NotNull UUID> ticketIds,
            @Schema(nullable = true) List<@NotNull UUID> originalIds,
            @Schema(nullable = true) @Valid TargetView target,
            @Schema(nullable = true) Boolean changedOnly) {}

    /** @param pieceIds the pieces wanted; null for all that need it, an empty list for none */
    record Retry(@Schema(nullable = true) List<@NotNull UUID> pieceIds) {}

    /**
     * {@code Idempotency-Key} makes a start that is sent twice one run; the same key with another request is refused. Starting
     * again without it makes a run by today's framings.
     */
    @PostMapping("/tickets/{ticketId}/runs")
    @ResponseStatus(HttpStatus.CREATED)
    RunView startRun(
            @PathVariable UUID ticketId,
            @RequestHeader(name = "Idempotency-Key", required = false) @Size(min = 1, max = 200) String key,
            @Valid @RequestBody StartRun start) {
        return views.run(starts.startTicket(
                ticketId,
                Optional.ofNullable(start.originalIds()),
                Optional.ofNullable(start.target()).map(TargetView::toTarget),
                Boolean.TRUE.equals(start.changedOnly()),
                Optional.ofNullable(key)));
    }

    /** As above, of several tickets at once: each gets a folder of its own, and each original is decoded once for all. */
    @PostMapping("/jobs/{jobId}/runs")
    @ResponseStatus(HttpStatus.CREATED)
    RunView startRunOfJob(
            @PathVariable UUID jobId,
            @RequestHeader(name = "Idempotency-Key", required = false) @Size(min = 1, max = 200) String key,
            @Valid @RequestBody StartRunOfJob start) {
        return views.run(starts.start(
                new RunStart.Wanted(
                        jobId,
                        Optional.ofNullable(start.ticketIds()),
                        Optional.ofNullable(start.originalIds()),
                        Optional.ofNullable(start.target()).map(TargetView::toTarget),
                        Boolean.TRUE.equals(start.changedOnly())),
                Optional.ofNullable(key)));
    }

    @GetMapping("/jobs/{jobId}/runs")
    List<RunView> listRuns(@PathVariable UUID jobId) {
        return views.runs(runs.of(jobId));
    }

    /** Runs of all jobs that are not finished, as their pieces take turns: those put first, then in the order they began. */
    @GetMapping("/runs")
    List<RunView> listOpenRuns() {
        return views.runs(runs.open());
    }

    @GetMapping("/runs/{id}")
    WholeRun getRun(@PathVariable UUID id) {
        return new WholeRun(views.run(runs.get(id)), views.pieces(id));
    }

    /** Stopping, resuming and trying again are commands: sent twice they do no more than once, and need no version. */
    @PostMapping("/runs/{id}/stop")
    RunView stopRun(@PathVariable UUID id) {
        return views.run(runs.stop(id));
    }

    /** Its pieces come before all that wait, until they are made or it is put back. */
    @PostMapping("/runs/{id}/put-first")
    RunView putRunFirst(@PathVariable UUID id) {
        return views.run(runs.putFirst(id, true));
    }

    /** Back among the others, each of which gets the same share of the workers. */
    @PostMapping("/runs/{id}/put-back")
    RunView putRunBack(@PathVariable UUID id) {
        return views.run(runs.putFirst(id, false));
    }

    @PostMapping("/runs/{id}/resume")
    RunView resumeRun(@PathVariable UUID id) {
        return views.run(runs.resume(id));
    }

    @PostMapping("/runs/{id}/retry")
    RunView retryPieces(@PathVariable UUID id, @Valid @RequestBody Retry retry) {
        return views.run(runs.retry(id, Optional.ofNullable(retry.pieceIds())));
    }

    /** Without {@code files} they stay; what was changed since it was checked, and what is not of the run, stays in any case. */
    @DeleteMapping("/runs/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteRun(@PathVariable UUID id, @RequestParam(defaultValue = "KEPT") FilesThen files) {
        removal.remove(id, files);
    }

    /**
     * Server-sent events named {@code run}, each a run with the pieces that changed; at most four a second. The first events
     * tell the runs that are not finished, without pieces: {@code GET /runs/{id}} has them.
     */
    @ApiResponse(
            responseCode = "200",
            description = "Events named run, each with this as its data",
            content =
                    @Content(
                            mediaType = MediaType.TEXT_EVENT_STREAM_VALUE,
                            schema = @Schema(implementation = RunViews.WholeRun.class)))
    @GetMapping(path = "/jobs/{jobId}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter followJob(@PathVariable UUID jobId) {
        return events.subscribe(jobId);
    }
}
