package embrick.server.runs;

import embrick.server.runs.RunEvents.Event;
import embrick.server.runs.RunViews.PieceView;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/**
 * One open page and what it is still to be told. A page that takes its time is told later and all at once: what is new about
 * a run or a piece takes the place of what was, so that at most each piece waits once.
 */
final class Listener {
    /** A comment now and then finds out who has left. */
    private static final long BEAT_MILLIS = 15_000;

    private final SseEmitter emitter = new SseEmitter(0L);
    private final Map<UUID, Event> untold = new LinkedHashMap<>();
    private final JsonMapper json;
    private boolean isGone;

    Listener(JsonMapper json) {
        this.json = json;
    }

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
        Event before = untold.remove(event.run().id());
        untold.put(event.run().id(), before == null ? event : merged(before, event));
        notifyAll();
    }

    private Event merged(Event before, Event event) {
        Map<UUID, PieceView> pieces = new LinkedHashMap<>();
        before.pieces().forEach(piece -> pieces.put(piece.id(), piece));
        event.pieces().forEach(piece -> pieces.put(piece.id(), piece));
        return new Event(event.run(), List.copyOf(pieces.values()), json);
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
                emitter.send(SseEmitter.event().name("run").data(event.json()));
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
        List<Event> next = new ArrayList<>(untold.values());
        untold.clear();
        return next;
    }
}
