package embrick.server.runs;

import embrick.server.runs.RunViews.PieceView;
import embrick.server.runs.RunViews.RunView;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Runs: started, watched, stopped, resumed. */
@RestController
@RequestMapping("/api/v1")
class RunController {
    private final RunService runs;
    private final RunViews views;
    private final RunEvents events;

    RunController(RunService runs, RunViews views, RunEvents events) {
        this.runs = runs;
        this.views = views;
        this.events = events;
    }

    record StartRun(@Schema(nullable = true) List<UUID> originalIds) {}

    record Retry(@Schema(nullable = true) List<UUID> pieceIds) {}

    record WholeRun(@NotNull RunView run, @NotNull List<PieceView> pieces) {}

    /** {@code Idempotency-Key} makes a start that is sent twice one run. */
    @PostMapping("/tickets/{ticketId}/runs")
    @ResponseStatus(HttpStatus.CREATED)
    RunView start(
            @PathVariable UUID ticketId,
            @RequestHeader(name = "Idempotency-Key", required = false) String key,
            @RequestBody StartRun start) {
        List<UUID> only = start.originalIds() == null ? List.of() : start.originalIds();
        return views.run(runs.start(ticketId, Optional.ofNullable(key), only));
    }

    @GetMapping("/jobs/{jobId}/runs")
    List<RunView> list(@PathVariable UUID jobId) {
        return runs.of(jobId).stream().map(views::run).toList();
    }

    @GetMapping("/runs/{id}")
    WholeRun get(@PathVariable UUID id) {
        return new WholeRun(views.run(runs.get(id)), views.pieces(id));
    }

    @PostMapping("/runs/{id}/stop")
    RunView stop(@PathVariable UUID id) {
        return views.run(runs.stop(id));
    }

    @PostMapping("/runs/{id}/resume")
    RunView resume(@PathVariable UUID id) {
        return views.run(runs.resume(id));
    }

    @PostMapping("/runs/{id}/retry")
    RunView retry(@PathVariable UUID id, @RequestBody Retry retry) {
        return views.run(runs.retry(id, retry.pieceIds() == null ? List.of() : retry.pieceIds()));
    }

    /** Server-sent events named {@code run}, each a run with the pieces that changed; at most four a second. */
    @GetMapping(path = "/jobs/{jobId}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable UUID jobId) throws IOException {
        return events.subscribe(jobId);
    }
}
