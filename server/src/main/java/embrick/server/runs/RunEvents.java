package embrick.server.runs;

import embrick.server.runs.RunViews.PieceView;
import embrick.server.runs.RunViews.RunView;
import java.io.IOException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells open pages what runs are doing. It looks into the database, so pieces made by any process are told; while nobody
 * listens it does nothing.
 */
@Component
class RunEvents {
    private static final long EVERY_MILLIS = 250;
    /** A comment now and then finds out who has left. */
    private static final long BEAT_MILLIS = 15_000;

    private final RunService runs;
    private final RunViews views;
    private final PieceRepository pieces;
    private final List<Listener> listeners = new CopyOnWriteArrayList<>();

    RunEvents(RunService runs, RunViews views, PieceRepository pieces) {
        this.runs = runs;
        this.views = views;
        this.pieces = pieces;
    }

    record Event(RunView run, List<PieceView> pieces) {}

    /** One open page. */
    private static final class Listener {
        private final UUID jobId;
        private final SseEmitter emitter = new SseEmitter(0L);
        private final Map<UUID, Instant> seen = new HashMap<>();
        private final Map<UUID, Event> sent = new HashMap<>();
        private long beatAt = System.currentTimeMillis();

        Listener(UUID jobId) {
            this.jobId = jobId;
        }
    }

    SseEmitter subscribe(UUID jobId) throws IOException {
        Listener listener = new Listener(jobId);
        // Sent at once, so that the page knows it is connected before anything happens.
        listener.emitter.send(SseEmitter.event().comment("here"));
        listener.emitter.onCompletion(() -> listeners.remove(listener));
        listener.emitter.onError(_ -> listeners.remove(listener));
        listeners.add(listener);
        return listener.emitter;
    }

    /** Open pages would otherwise hold up the end of the application; they connect again by themselves. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        listeners.forEach(listener -> listener.emitter.complete());
    }

    /** Listeners that have left are taken out of a list that allows it while it is walked. */
    @SuppressWarnings("ModifyCollectionInEnhancedForLoop")
    @Scheduled(fixedDelay = EVERY_MILLIS)
    void tell() {
        for (Listener listener : listeners) {
            try {
                tell(listener);
            } catch (IOException | IllegalStateException gone) {
                listeners.remove(listener);
            }
        }
    }

    private void tell(Listener listener) throws IOException {
        for (Run run : runs.of(listener.jobId)) {
            boolean known = listener.seen.containsKey(run.id());
            if (known && run.finishedAt().isPresent() && isLast(listener, run)) {
                continue;
            }
            Instant since = listener.seen.getOrDefault(run.id(), Instant.EPOCH);
            List<Piece> changed = pieces.findByRunIdAndChangedAtAfterOrderByPosition(run.id(), since);
            Event event =
                    new Event(views.run(run), changed.stream().map(views::piece).toList());
            changed.stream()
                    .map(Piece::changedAt)
                    .max(Instant::compareTo)
                    // A neighbour may commit with an earlier time: half a second is looked at again.
                    .ifPresent(last -> listener.seen.put(run.id(), last.minusMillis(500)));
            listener.seen.putIfAbsent(run.id(), run.startedAt());
            if (!event.equals(listener.sent.put(run.id(), event))) {
                listener.emitter.send(SseEmitter.event().name("run").data(event, MediaType.APPLICATION_JSON));
            }
        }
        if (System.currentTimeMillis() - listener.beatAt > BEAT_MILLIS) {
            listener.beatAt = System.currentTimeMillis();
            listener.emitter.send(SseEmitter.event().comment("here"));
        }
    }

    private static boolean isLast(Listener listener, Run run) {
        Event last = listener.sent.get(run.id());
        return last != null
                && last.run().finishedAt() != null
                && last.run().finishedAt().equals(run.finishedAt().orElse(null));
    }
}
