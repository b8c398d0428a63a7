package embrick.server.outside;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A service outside that speaks JSON over HTTP.
 *
 * <p>All methods throw {@link OutsideRefusedException} for what it refuses, and another {@link IOException} if it is not reached
 * or the line breaks.
 */
public final class OutsideService {
    /** Enough for an answer; whoever sends much gives more. */
    public static final Duration TO_ANSWER = Duration.ofSeconds(15);

    private static final Duration TO_CONNECT = Duration.ofSeconds(3);
    private static final int OK = 200;
    private static final int REDIRECTS = 300;

    private final String name;
    private final Optional<String> address;
    private final JsonMapper json = new JsonMapper();
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(TO_CONNECT)
            .build();

    /**
     * @param name as in "the counter"
     * @param address as http://127.0.0.1:8791; empty where there is none
     */
    public OutsideService(String name, String address) {
        this.name = name;
        this.address = address.isBlank() ? Optional.empty() : Optional.of(address.replaceAll("/+$", ""));
    }

    /** Whether there is one at all, reached or not. */
    public boolean isSetUp() {
        return address.isPresent();
    }

    public HttpRequest.Builder request(String path) throws IOException {
        String at = address.orElseThrow(() -> new IOException("No address of the " + name + " is in the settings."));
        try {
            return HttpRequest.newBuilder(URI.create(at + path));
        } catch (IllegalArgumentException unfit) {
            throw new IOException("“" + at + "” is no address of a " + name + ".", unfit);
        }
    }

    public HttpRequest.Builder sending(String path, Object value) throws IOException {
        return request(path).header("Content-Type", "application/json").POST(body(value));
    }

    public BodyPublisher body(Object value) {
        return BodyPublishers.ofByteArray(json.writeValueAsBytes(value));
    }

    public HttpResponse<String> send(HttpRequest.Builder request, Duration patience) throws IOException {
        return send(request, patience, BodyHandlers.ofString(), HttpResponse::body);
    }

    public byte[] bytes(HttpRequest.Builder request) throws IOException {
        return send(
                        request,
                        TO_ANSWER,
                        BodyHandlers.ofByteArray(),
                        answer -> new String(answer.body(), StandardCharsets.UTF_8))
                .body();
    }

    /** @throws IOException also if what answers is no such service */
    public <T> T ask(HttpRequest.Builder request, Duration patience, Class<T> kind) throws IOException {
        try {
            return json.readValue(send(request, patience).body(), kind);
        } catch (JacksonException unreadable) {
            throw new IOException(
                    "What answers there is no " + name + ": " + unreadable.getOriginalMessage(), unreadable);
        }
    }

    public <T> T ask(HttpRequest.Builder request, Class<T> kind) throws IOException {
        return ask(request, TO_ANSWER, kind);
    }

    private interface Words<T> {
        String of(HttpResponse<T> answer);
    }

    private <T> HttpResponse<T> send(
            HttpRequest.Builder request, Duration patience, HttpResponse.BodyHandler<T> handler, Words<T> words)
            throws IOException {
        try {
            HttpResponse<T> answer = http.send(request.timeout(patience).build(), handler);
            if (answer.statusCode() < OK || answer.statusCode() >= REDIRECTS) {
                throw refusal(answer.statusCode(), words.of(answer));
            }
            return answer;
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
            throw new IOException("Embrick is ending.", ending);
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    private OutsideRefusedException refusal(int status, String body) {
        String code = "unknown";
        String text = "The " + name + " answered with " + status + ".";
        try {
            JsonNode problem = json.readTree(body);
            code = problem.path("code").asString(code);
            text = problem.path("detail").asString(text);
        } catch (JacksonException _) {
            // Then there is only its number to tell.
        }
        return new OutsideRefusedException(status, code, text);
    }
}
