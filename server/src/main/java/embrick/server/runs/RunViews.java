package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.documents.StoredJson;
import embrick.server.runs.Piece.State;
import embrick.server.workers.LiveProgress.Making;
import embrick.server.workers.MakingNow;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Runs and pieces as they are sent. */
@Component
class RunViews {
    private static final double MILLIS_PER_MINUTE = 60_000;

    private final PieceRepository pieces;
    private final RunOrderRepository orders;
    private final MakingNow makingNow;
    private final StoredJson json;
    private final Clock clock;

    RunViews(PieceRepository pieces, RunOrderRepository orders, MakingNow makingNow, StoredJson json, Clock clock) {
        this.pieces = pieces;
        this.orders = orders;
        this.makingNow = makingNow;
        this.json = json;
        this.clock = clock;
    }

    enum RunState {
        RUNNING,
        /** Held up for a reason that is no picture's; goes on by itself. */
        PAUSED,
        STOPPED,
        FINISHED
    }

    record Counts(long waiting, long making, long checked, long failed, long stopped, long all) {}

    /** A ticket that the run carries out, as it was when the run started, and its folder below the deliveries. */
    record OrderView(
            @NotNull UUID id,
            @NotNull UUID ticketId,
            @NotNull String ticketName,
            @NotNull String folder) {}

    record RunView(
            @NotNull UUID id,
            @NotNull UUID jobId,

            @Schema(description = "Of its first order") @NotNull
            UUID ticketId,

            @Schema(description = "Of its first order") @NotNull
            String ticketName,

            @Schema(description = "Of its first order") @NotNull
            String folder,

            @NotNull List<OrderView> orders,
            @NotNull RunState state,

            @Schema(description = "Whether its pieces come before those of other runs")
            boolean putFirst,

            @NotNull Instant startedAt,
            @Schema(nullable = true) Instant finishedAt,
            @Schema(nullable = true) Instant clearedAt,
            @Schema(nullable = true) Problem pause,
            @NotNull Counts counts,

            @Schema(description = "Of its checked files, as they were delivered; 0 when they were cleared")
            long fileBytes,

            double piecesPerMinute,
            @Schema(nullable = true) Long secondsLeft) {}

    record PieceView(
            @NotNull UUID id,
            @NotNull UUID orderId,
            @NotNull UUID originalId,
            @NotNull String originalPath,
            int position,
            @NotNull String name,
            int copies,
            @NotNull State state,
            int width,
            int height,
            @Schema(nullable = true) Long fileBytes,
            @Schema(nullable = true) String digest,
            @Schema(nullable = true) Problem problem,
            int strip,
            int strips,
            boolean checking) {}

    /** A run with pieces of it. */
    record WholeRun(@NotNull RunView run, @NotNull List<PieceView> pieces) {}

    RunView run(Run run) {
        return runs(List.of(run)).getFirst();
    }

    /** All of them with one query for their pieces. */
    List<RunView> runs(List<Run> all) {
        Map<UUID, Map<State, Long>> by = new HashMap<>();
        Map<UUID, Long> bytes = new HashMap<>();
        pieces.count(all.stream().map(Run::id).toList()).forEach(count -> {
            by.computeIfAbsent(count.getRunId(), _ -> new EnumMap<>(State.class))
                    .put(count.getState(), count.getPieces());
            if (count.getState() == State.CHECKED) {
                bytes.put(count.getRunId(), count.getBytes());
            }
        });
        Map<UUID, List<OrderView>> ofRun =
                orders.findByRunIdInOrderByPosition(all.stream().map(Run::id).toList()).stream()
                        .collect(Collectors.groupingBy(
                                RunOrder::runId, Collectors.mapping(this::order, Collectors.toList())));
        return all.stream()
                .map(run -> run(
                        run,
                        ofRun.get(run.id()),
                        by.getOrDefault(run.id(), Map.of()),
                        bytes.getOrDefault(run.id(), 0L)))
                .toList();
    }

    private RunView run(Run run, List<OrderView> ordered, Map<State, Long> by, long fileBytes) {
        Counts counts = new Counts(
                by.getOrDefault(State.WAITING, 0L),
                by.getOrDefault(State.MAKING, 0L),
                by.getOrDefault(State.CHECKED, 0L),
                by.getOrDefault(State.FAILED, 0L),
                by.getOrDefault(State.STOPPED, 0L),
                by.values().stream().mapToLong(Long::longValue).sum());
        RunState state = stateOf(run);
        // Of this stretch of work alone: a night's pause between two says nothing about the speed.
        Instant until = run.finishedAt().orElse(clock.instant());
        double minutes =
                Math.max(1, Duration.between(run.stretchStartedAt(), until).toMillis()) / MILLIS_PER_MINUTE;
        long checked = Math.max(0, counts.checked() - run.stretchChecked());
        double perMinute = checked / minutes;
        long open = counts.waiting() + counts.making();
        Long left = state == RunState.RUNNING && checked > 0 ? Math.round(open / perMinute * 60) : null;
        return new RunView(
                run.id(),
                run.jobId(),
                ordered.getFirst().ticketId(),
                ordered.getFirst().ticketName(),
                ordered.getFirst().folder(),
                ordered,
                state,
                run.isPutFirst(),
                run.startedAt(),
                run.finishedAt().orElse(null),
                run.clearedAt().orElse(null),
                run.pause().orElse(null),
                counts,
                run.clearedAt().isPresent() ? 0 : fileBytes,
                perMinute,
                left);
    }

    private OrderView order(RunOrder order) {
        return new OrderView(
                order.id(),
                order.ticketId(),
                json.ticket(order.ticketDocument()).name(),
                order.folder());
    }

    private static RunState stateOf(Run run) {
        if (run.isStopped()) {
            return RunState.STOPPED;
        }
        if (run.finishedAt().isPresent()) {
            return RunState.FINISHED;
        }
        return run.pause().isPresent() ? RunState.PAUSED : RunState.RUNNING;
    }

    List<PieceView> pieces(UUID runId) {
        Map<UUID, Making> making = makingNow.of(runId);
        return pieces.rows(runId).stream()
                .map(piece -> piece(piece, Optional.ofNullable(making.get(piece.id()))))
                .toList();
    }

    /** @param at how far it is, while it is being made */
    PieceView piece(PieceRow piece, Optional<Making> at) {
        Making making = at.orElse(null);
        return new PieceView(
                piece.id(),
                piece.orderId(),
                piece.originalId(),
                piece.originalPath(),
                piece.position(),
                piece.name(),
                piece.copies(),
                piece.state(),
                piece.width(),
                piece.height(),
                piece.bytes(),
                piece.sha256(),
                piece.problem().orElse(null),
                making == null ? 0 : making.strip(),
                making == null ? 0 : making.strips(),
                making != null && making.checking());
    }
}
