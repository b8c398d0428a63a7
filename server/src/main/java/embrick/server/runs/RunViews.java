package embrick.server.runs;

import embrick.server.documents.StoredJson;
import embrick.server.runs.Piece.State;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Runs and pieces as they are sent. */
@Component
class RunViews {
    private final PieceRepository pieces;
    private final LiveProgress progress;
    private final StoredJson json;
    private final Clock clock;

    RunViews(PieceRepository pieces, LiveProgress progress, StoredJson json, Clock clock) {
        this.pieces = pieces;
        this.progress = progress;
        this.json = json;
        this.clock = clock;
    }

    enum RunState {
        RUNNING,
        STOPPED,
        FINISHED
    }

    record Counts(long waiting, long making, long checked, long trouble, long stopped, long all) {}

    record RunView(
            @NotNull UUID id,
            @NotNull UUID jobId,
            @NotNull UUID ticketId,
            @NotNull String ticketName,
            @NotNull String folder,
            @NotNull RunState state,
            @NotNull Instant startedAt,
            @Schema(nullable = true) Instant finishedAt,
            @NotNull Counts counts,
            double piecesPerMinute,
            @Schema(nullable = true) Long secondsLeft) {}

    record PieceTrouble(
            @NotNull String code,
            @NotNull String text,
            @NotNull String remedy) {}

    record PieceView(
            @NotNull UUID id,
            @NotNull UUID originalId,
            @NotNull String originalPath,
            int position,
            @NotNull String name,
            @NotNull State state,
            int width,
            int height,
            @Schema(nullable = true) Long fileBytes,
            @Schema(nullable = true) String digest,
            @Schema(nullable = true) PieceTrouble trouble,
            int strip,
            int strips,
            boolean checking) {}

    RunView run(Run run) {
        Map<State, Long> by = new EnumMap<>(State.class);
        pieces.count(run.id()).forEach(count -> by.put(count.getState(), count.getPieces()));
        Counts counts = new Counts(
                by.getOrDefault(State.WAITING, 0L),
                by.getOrDefault(State.MAKING, 0L),
                by.getOrDefault(State.CHECKED, 0L),
                by.getOrDefault(State.TROUBLE, 0L),
                by.getOrDefault(State.STOPPED, 0L),
                by.values().stream().mapToLong(Long::longValue).sum());
        RunState state = run.isStopped()
                ? RunState.STOPPED
                : run.finishedAt().isPresent() ? RunState.FINISHED : RunState.RUNNING;
        Instant until = run.finishedAt().orElse(clock.instant());
        double minutes = Math.max(1, Duration.between(run.startedAt(), until).toMillis()) / 60_000.0;
        double perMinute = counts.checked() / minutes;
        long open = counts.waiting() + counts.making();
        Long left = state == RunState.RUNNING && counts.checked() > 0 ? Math.round(open / perMinute * 60) : null;
        return new RunView(
                run.id(),
                run.jobId(),
                run.ticketId(),
                json.ticket(run.ticketDocument()).name(),
                run.folder(),
                state,
                run.startedAt(),
                run.finishedAt().orElse(null),
                counts,
                perMinute,
                left);
    }

    List<PieceView> pieces(UUID runId) {
        return pieces.findByRunIdOrderByPosition(runId).stream()
                .map(this::piece)
                .toList();
    }

    PieceView piece(Piece piece) {
        LiveProgress.Making making = progress.of(piece.id()).orElse(null);
        return new PieceView(
                piece.id(),
                piece.originalId(),
                piece.originalPath(),
                piece.position(),
                piece.name(),
                piece.state(),
                piece.width(),
                piece.height(),
                piece.fileBytes().orElse(null),
                piece.digest().orElse(null),
                piece.trouble()
                        .map(trouble -> new PieceTrouble(trouble.code(), trouble.text(), trouble.remedy()))
                        .orElse(null),
                making == null ? 0 : making.strip(),
                making == null ? 0 : making.strips(),
                making != null && making.checking());
    }
}
