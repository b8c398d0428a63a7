package embrick.server.counter;

import embrick.core.lab.LabProduct;
import embrick.core.lab.Refusal;
import embrick.server.counter.CounterPiece.State;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Speaks with the counter. Everything it does may be done again: an order has a key, a part its place in the file.
 *
 * <p>All methods throw {@link CounterRefusedException} for what the counter refuses, and another {@link IOException} if it is
 * not reached or the line breaks.
 */
@Component
class CounterClient {
    private static final Duration TO_CONNECT = Duration.ofSeconds(3);
    private static final Duration TO_ANSWER = Duration.ofSeconds(15);

    /** A part on a slow line; a dead one is noticed after this. */
    private static final Duration TO_SEND = Duration.ofMinutes(5);

    private static final int OK = 200;
    private static final int REDIRECTS = 300;

    private final CounterSettings settings;
    private final JsonMapper json = new JsonMapper();
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(TO_CONNECT)
            .build();

    CounterClient(CounterSettings settings) {
        this.settings = settings;
    }

    /** What the counter says of itself. */
    record Counter(String lab, Door door) {}

    enum Door {
        OPEN,
        FULL,
        DOWN
    }

    record Products(String lab, String currency, List<LabProduct> products) {}

    record WantedPiece(String name, String product, int copies, long bytes, String sha256) {}

    record Wanted(String reference, List<WantedPiece> pieces) {}

    record Replacement(String name, long bytes, String sha256) {}

    /** An order as the counter has it. */
    record RemoteOrder(String id, CounterOrder.State state, BigDecimal price, List<RemotePiece> pieces) {}

    record RemotePiece(int number, State state, String sha256, long bytes, long received, List<Refusal> refusals) {}

    Counter counter() throws IOException {
        return json(send(request("/").GET(), TO_ANSWER), Counter.class);
    }

    Products products() throws IOException {
        return json(send(request("/products").GET(), TO_ANSWER), Products.class);
    }

    RemoteOrder give(UUID key, Wanted wanted) throws IOException {
        return json(
                send(
                        request("/orders")
                                .header("Idempotency-Key", key.toString())
                                .header("Content-Type", "application/json")
                                .POST(body(wanted)),
                        TO_ANSWER),
                RemoteOrder.class);
    }

    RemoteOrder order(String id) throws IOException {
        return json(send(request("/orders/" + id).GET(), TO_ANSWER), RemoteOrder.class);
    }

    RemoteOrder replace(String id, int number, Replacement replacement) throws IOException {
        return json(
                send(
                        request("/orders/" + id + "/pieces/" + number + "/replacement")
                                .header("Content-Type", "application/json")
                                .POST(body(replacement)),
                        TO_ANSWER),
                RemoteOrder.class);
    }

    RemoteOrder withdraw(String id, int number) throws IOException {
        return json(send(request("/orders/" + id + "/pieces/" + number).DELETE(), TO_ANSWER), RemoteOrder.class);
    }

    RemoteOrder cancel(String id) throws IOException {
        return json(
                send(request("/orders/" + id + "/cancel").POST(BodyPublishers.noBody()), TO_ANSWER), RemoteOrder.class);
    }

    /** How many bytes of a piece's file the counter has. */
    long received(String id, int number) throws IOException {
        return offset(send(request(file(id, number)).method("HEAD", BodyPublishers.noBody()), TO_ANSWER));
    }

    /** Sends the next part of a file, from a place on, and gives how many bytes of it the counter has then. */
    long append(String id, int number, Path file, long from, int most) throws IOException {
        ByteBuffer part = ByteBuffer.allocate(most);
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            while (part.hasRemaining() && in.read(part, from + part.position()) >= 0) {
                // Until the part is full, or the file ends.
            }
        }
        return offset(send(
                request(file(id, number))
                        .header("Content-Type", "application/partial-upload")
                        .header("Upload-Offset", String.valueOf(from))
                        .method("PATCH", BodyPublishers.ofByteArray(part.array(), 0, part.position())),
                TO_SEND));
    }

    private static String file(String id, int number) {
        return "/orders/" + id + "/pieces/" + number + "/file";
    }

    private HttpRequest.Builder request(String path) throws IOException {
        String address =
                settings.counter().orElseThrow(() -> new IOException("No counter's address is in the settings."));
        try {
            return HttpRequest.newBuilder(URI.create(address + path));
        } catch (IllegalArgumentException unfit) {
            throw new IOException("“" + address + "” is no address of a counter.", unfit);
        }
    }

    private BodyPublisher body(Object value) {
        return BodyPublishers.ofByteArray(json.writeValueAsBytes(value));
    }

    private HttpResponse<String> send(HttpRequest.Builder request, Duration patience) throws IOException {
        try {
            HttpResponse<String> answer = http.send(request.timeout(patience).build(), BodyHandlers.ofString());
            if (answer.statusCode() < OK || answer.statusCode() >= REDIRECTS) {
                throw refusal(answer);
            }
            return answer;
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
            throw new IOException("Embrick is ending.", ending);
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    private CounterRefusedException refusal(HttpResponse<String> answer) {
        String code = "unknown";
        String text = "The counter answered with " + answer.statusCode() + ".";
        try {
            JsonNode problem = json.readTree(answer.body());
            code = problem.path("code").asString(code);
            text = problem.path("detail").asString(text);
        } catch (JacksonException _) {
            // Then there is only its number to tell.
        }
        return new CounterRefusedException(answer.statusCode(), code, text);
    }

    private <T> T json(HttpResponse<String> answer, Class<T> kind) throws IOException {
        try {
            return json.readValue(answer.body(), kind);
        } catch (JacksonException unreadable) {
            throw new IOException("What answers there is no counter: " + unreadable.getOriginalMessage(), unreadable);
        }
    }

    private static long offset(HttpResponse<String> answer) throws IOException {
        return answer.headers()
                .firstValueAsLong("Upload-Offset")
                .orElseThrow(() -> new IOException("What answers there is no counter: it does not say what it has."));
    }
}
