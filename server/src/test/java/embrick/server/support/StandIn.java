package embrick.server.support;

import embrick.standins.common.StandIns;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A simulated service outside, running in this process for the JVM's tests. */
final class StandIn {
    private static final JsonMapper JSON = new JsonMapper();
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final String address;

    StandIn(Class<?> parts) {
        try {
            var context = StandIns.start(parts, 0, Files.createTempDirectory("embrick-outside"));
            this.address = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    String address() {
        return address;
    }

    JsonNode ask(String method, String path, Object body) {
        try {
            return JSON.readTree(HTTP.send(
                            HttpRequest.newBuilder(URI.create(address + path))
                                    .header("Content-Type", "application/json")
                                    .method(method, BodyPublishers.ofByteArray(JSON.writeValueAsBytes(body)))
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
