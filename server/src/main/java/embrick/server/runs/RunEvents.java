package embrick.server.runs;

import embrick.server.runs.RunViews.PieceView;
import embrick.server.runs.RunViews.RunView;
import embrick.server.runs.RunViews.WholeRun;
import embrick.server.workers.LiveProgress.Making;
import embrick.server.workers.MakingNow;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tells open pages what runs are doing. It looks into the database, so pieces made by any process are told: once for each
 * job that somebody has open, however many pages that are. Each page is told by a thread of its own; one that does not
 * listen holds up no other. While nobody listens it does nothing.
 *
 * <p>What has changed since the last look is known by the numbers of transactions, which do not depend on clocks: asked is
 * from the oldest that was still at work then, and what was told already is left out.
 */
@Component
class RunEvents {
    private static final Logger LOG = LoggerFactory.getLogger(RunEvents.class);
    private static final long EVERY_MILLIS = 250;
    private static final int AT_ONCE = 3;

    private final RunService runs;
    private final RunViews views;
    private final MakingNow makingNow;
    private final PieceRepository pieces;
    private final JsonMapper json;
    /** Pages that look up what is under way: many that open at once take their turn, and leave connections to others. */
    private final Semaphore lookups = new Semaphore(AT_ONCE, true);

    private final Map<UUID, Watch> watches = new ConcurrentHashMap<>();

    RunEvents(RunService runs, RunViews views, MakingNow makingNow, PieceRepository pieces, JsonMapper json) {
        this.json = json;
        this.runs = runs;
        this.views = views;
        this.makingNow = makingNow;
        this.pieces = pieces;
    }

    /** What is told of a run. Its JSON is written once, for however many pages. */
    static final class Event {
        private final RunView run;
        private final List<PieceView> pieces;
        private final Supplier<String> written;

        Event(RunView run, List<PieceView> pieces, JsonMapper json) {
            this.run = run;
            this.pieces = List.copyOf(pieces);
            this.written = SingletonSupplier.of(() -> json.writeValueAsString(new WholeRun(this.run, this.pieces)));
        }

        RunView run() {
            return run;
        }

        List<PieceView> pieces() {
            return pieces;
        }

        String json() {
            return written.get();
        }
    }

    /** One job that pages have open. */
    private static final class Watch {
        private final Set<Listener> listeners = ConcurrentHashMap.newKeySet();
        private final Map<UUID, Long> versions = new HashMap<>();
        private final Map<UUID, RunView> toldRuns = new HashMap<>();
        private final Map<UUID, PieceView> toldPieces = new HashMap<>();
        private long since;

        Watch(long since) {
            this.since = since;
        }
    }

    SseEmitter subscribe(UUID jobId) {
        lookups.acquireUninterruptibly();
        try {
            return subscribed(jobId);
        } finally {
            lookups.release();
        }
    }

    private SseEmitter subscribed(UUID jobId) {
        Listener listener = new Listener(json);
        long since = pieces.horizon();
        watches.compute(jobId, (_, known) -> {
            Watch watch = known == null ? new Watch(since) : known;
            watch.listeners.add(listener);
            return watch;
        });
        views.runs(runs.of(jobId).stream()
                        .filter(run -> run.finishedAt().isEmpty())
                        .toList())
                .forEach(run -> listener.hear(new Event(run, List.of(), json)));
        return listener.begin(() -> forget(jobId, listener));
    }

    private void forget(UUID jobId, Listener listener) {
        watches.computeIfPresent(jobId, (_, watch) -> {
            watch.listeners.remove(listener);
            return watch.listeners.isEmpty() ? null : watch;
        });
    }

    /** Open pages would otherwise hold up the end of the application; they connect again by themselves. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        watches.values().forEach(watch -> watch.listeners.forEach(Listener::end));
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void tell() {
        if (watches.isEmpty()) {
            return;
        }
        try {
            long horizon = pieces.horizon();
            watches.forEach((jobId, watch) -> {
                tell(jobId, watch);
                watch.since = horizon;
            });
        } catch (RuntimeException later) {
            // The same is asked for again, from the same number on.
            LOG.warn("pages are told later: {}", later.toString());
        }
    }

    private void tell(UUID jobId, Watch watch) {
        List<Run> news = runs.of(jobId).stream()
                .filter(run -> run.finishedAt().isEmpty()
                        || !run.version().equals(watch.versions.put(run.id(), run.version())))
                .toList();
        for (RunView run : views.runs(news)) {
            RunView before = watch.toldRuns.put(run.id(), run);
            List<PieceView> changed = changed(watch, run.id());
            if (before == null) {
                // A run of thousands has begun: pieces that only wait are in its own list, which pages ask for.
                changed.removeIf(piece -> piece.state() == Piece.State.WAITING);
            }
            if (!changed.isEmpty() || before == null || !isSame(before, run)) {
                Event event = new Event(run, changed, json);
                watch.listeners.forEach(listener -> listener.hear(event));
            }
        }
    }

    private List<PieceView> changed(Watch watch, UUID runId) {
        Map<UUID, PieceRow> rows = new HashMap<>();
        pieces.rowsChanged(runId, watch.since).forEach(row -> rows.put(row.id(), row));
        Map<UUID, Making> making = makingNow.of(runId);
        making.keySet().stream()
                .filter(id -> !rows.containsKey(id))
                .forEach(id -> pieces.row(id).ifPresent(row -> rows.put(id, row)));
        List<PieceView> changed = new ArrayList<>();
        rows.values().stream()
                .sorted(Comparator.comparingInt(PieceRow::position))
                .map(row -> views.piece(row, Optional.ofNullable(making.get(row.id()))))
                .filter(piece -> !piece.equals(watch.toldPieces.put(piece.id(), piece)))
                .forEach(changed::add);
        return changed;
    }

    /** Whether nothing is new but what the clock alone changes. */
    private static boolean isSame(RunView before, RunView now) {
        return before.state() == now.state()
                && before.counts().equals(now.counts())
                && Objects.equals(before.finishedAt(), now.finishedAt())
                && Objects.equals(before.pause(), now.pause());
    }
}
