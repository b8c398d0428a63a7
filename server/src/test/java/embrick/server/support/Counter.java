package embrick.server.support;

import embrick.standins.counter.CounterApplication;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/** The simulated counter, started once for the JVM's tests. */
public final class Counter {
    private static Counter started;

    private final StandIn running = new StandIn(CounterApplication.class);

    private Counter() {
        behave(Map.of());
    }

    public static synchronized Counter get() {
        if (started == null) {
            started = new Counter();
        }
        return started;
    }

    public String address() {
        return running.address();
    }

    /** As on a good and quick day, but for what is said. */
    public void behave(Map<String, Object> otherwise) {
        Map<String, Object> behaviour = new TreeMap<>(Map.of(
                "door", "OPEN",
                "bytesPerSecond", 0,
                "inspectionMillis", 100,
                "printingMillis", 100,
                "cutAfterBytes", 0,
                "cuts", 0));
        behaviour.putAll(otherwise);
        running.ask("PUT", "/behaviour", behaviour);
    }

    /** Replaces the file of a piece at the counter alone, before the application has stored the replacement. */
    public void replace(String order, int number, JsonNode piece) {
        running.ask(
                "POST",
                "/orders/" + order + "/pieces/" + number + "/replacement",
                Map.of(
                        "name", piece.path("name").asString(),
                        "bytes", piece.path("fileBytes").asLong(),
                        "sha256", piece.path("digest").asString()));
    }

    public JsonNode order(String id) {
        return running.ask("GET", "/orders/" + id, "");
    }

    /** Every order that it was given. */
    public JsonNode orders() {
        return running.ask("GET", "/orders", "");
    }
}
