package embrick.server.support;

import embrick.standins.common.StandIns;
import embrick.standins.counter.CounterApplication;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The simulated counter, started once for the JVM's tests. */
public final class Counter {
    private static final JsonMapper JSON = new JsonMapper();
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static Counter started;

    private final String address;

    private Counter(String address) {
        this.address = address;
    }

    public static synchronized Counter get() {
        if (started == null) {
            try {
                var context = StandIns.start(CounterApplication.class, 0, Files.createTempDirectory("embrick-counter"));
                started = new Counter(
                        "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"));
                started.behave(Map.of());
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
        return started;
    }

    public String address() {
        return address;
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
        ask("PUT", "/behaviour", JSON.writeValueAsString(behaviour));
    }

    /** Every order that it was given. */
    public JsonNode orders() {
        return ask("GET", "/orders", "");
    }

    private JsonNode ask(String method, String path, String body) {
        try {
            return JSON.readTree(HTTP.send(
                            HttpRequest.newBuilder(URI.create(address + path))
                                    .header("Content-Type", "application/json")
                                    .method(method, BodyPublishers.ofString(body))
                                    .build(),
                            BodyHandlers.ofString())
                    .body());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }
}
