package embrick.server.runs;

import embrick.server.runs.RunEvents.Event;
import embrick.server.runs.RunViews.PieceView;
import embrick.server.runs.RunViews.RunView;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One open page and what it is still to be told. A page that takes its time is told later and all at once: what is new about
 * a run or a piece takes the place of what was, so that at most each piece waits once.
 */
final class Listener {
    /** A comment now and then finds out who has left. */
    private static final long BEAT_MILLIS = 15_000;

    private final SseEmitter emitter = new SseEmitter(0L);
    private final Map<UUID, Untold> untold = new LinkedHashMap<>();
    private boolean isGone;

    private record Untold(RunView run, Map<UUID, PieceView> pieces) {}

    /** Begins to tell, on a thread of its own that costs nothing while it waits. */
    SseEmitter begin(Runnable whenGone) {
        Runnable leave = () -> {
            leave();
            whenGone.run();
        };
        emitter.onCompletion(leave);
        emitter.onError(_ -> leave.run());
        Thread.ofVirtual().name("events").start(() -> {
            try {
                // Sent at once, so that the page knows it is connected before anything happens.
                emitter.send(SseEmitter.event().comment("here"));
                tell();
            } catch (IOException | IllegalStateException gone) {
                leave.run();
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                leave.run();
            }
        });
        return emitter;
    }

    synchronized void hear(Event event) {
        Untold before = untold.remove(event.run().id());
        Map<UUID, PieceView> pieces = before == null ? new LinkedHashMap<>() : before.pieces();
        event.pieces().forEach(piece -> pieces.put(piece.id(), piece));
        untold.put(event.run().id(), new Untold(event.run(), pieces));
        notifyAll();
    }

    synchronized void leave() {
        isGone = true;
        notifyAll();
    }

    void end() {
        emitter.complete();
    }

    private void tell() throws IOException, InterruptedException {
        while (true) {
            List<Event> next = next();
            if (next == null) {
                return;
            }
            if (next.isEmpty()) {
                emitter.send(SseEmitter.event().comment("here"));
            }
            for (Event event : next) {
                emitter.send(SseEmitter.event().name("run").data(event, MediaType.APPLICATION_JSON));
            }
        }
    }

    /** What is untold; nothing after a while without news, null when the page has gone. */
    private synchronized List<Event> next() throws InterruptedException {
        long until = System.nanoTime() + BEAT_MILLIS * 1_000_000;
        while (untold.isEmpty() && !isGone) {
            long millis = (until - System.nanoTime()) / 1_000_000;
            if (millis <= 0) {
                return List.of();
            }
            wait(millis);
        }
        if (isGone) {
            return null;
        }
        List<Event> next = new ArrayList<>();
        untold.values()
                .forEach(one ->
                        next.add(new Event(one.run(), List.copyOf(one.pieces().values()))));
        untold.clear();
        return next;
    }
}
