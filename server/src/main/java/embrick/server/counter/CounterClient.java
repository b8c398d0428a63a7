package embrick.server.counter;

import embrick.core.lab.LabProduct;
import embrick.core.lab.Refusal;
import embrick.server.counter.CounterPiece.State;
import embrick.server.outside.OutsideRefusedException;
import embrick.server.outside.OutsideService;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * Speaks with the counter. Everything it does may be done again: an order has a key, a part its place in the file.
 *
 * <p>All methods throw {@link OutsideRefusedException} for what the counter refuses, and another {@link IOException} if it is
 * not reached or the line breaks.
 */
@Component
class CounterClient {
    /** A part on a slow line; a dead one is noticed after this. */
    private static final Duration TO_SEND = Duration.ofMinutes(5);

    private final OutsideService outside;

    CounterClient(CounterSettings settings) {
        this.outside = new OutsideService("counter", settings.address());
    }

    boolean isSetUp() {
        return outside.isSetUp();
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
        return outside.ask(outside.request("/").GET(), Counter.class);
    }

    Products products() throws IOException {
        return outside.ask(outside.request("/products").GET(), Products.class);
    }

    RemoteOrder give(UUID key, Wanted wanted) throws IOException {
        return outside.ask(
                outside.sending("/orders", wanted).header("Idempotency-Key", key.toString()), RemoteOrder.class);
    }

    RemoteOrder order(String id) throws IOException {
        return outside.ask(outside.request("/orders/" + id).GET(), RemoteOrder.class);
    }

    RemoteOrder replace(String id, int number, Replacement replacement) throws IOException {
        return outside.ask(
                outside.sending("/orders/" + id + "/pieces/" + number + "/replacement", replacement),
                RemoteOrder.class);
    }

    RemoteOrder withdraw(String id, int number) throws IOException {
        return outside.ask(
                outside.request("/orders/" + id + "/pieces/" + number).DELETE(), RemoteOrder.class);
    }

    RemoteOrder cancel(String id) throws IOException {
        return outside.ask(
                outside.request("/orders/" + id + "/cancel").POST(BodyPublishers.noBody()), RemoteOrder.class);
    }

    /** How many bytes of a piece's file the counter has. */
    long received(String id, int number) throws IOException {
        return offset(outside.send(
                outside.request(file(id, number)).method("HEAD", BodyPublishers.noBody()), OutsideService.TO_ANSWER));
    }

    /** Sends the next part of a file, from a place on, and gives how many bytes of it the counter has then. */
    long append(String id, int number, Path file, long from, int most) throws IOException {
        ByteBuffer part = ByteBuffer.allocate(most);
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            while (part.hasRemaining() && in.read(part, from + part.position()) >= 0) {
                // Until the part is full, or the file ends.
            }
        }
        return offset(outside.send(
                outside.request(file(id, number))
                        .header("Content-Type", "application/partial-upload")
                        .header("Upload-Offset", String.valueOf(from))
                        .method("PATCH", BodyPublishers.ofByteArray(part.array(), 0, part.position())),
                TO_SEND));
    }

    private static String file(String id, int number) {
        return "/orders/" + id + "/pieces/" + number + "/file";
    }

    private static long offset(HttpResponse<String> answer) throws IOException {
        return answer.headers()
                .firstValueAsLong("Upload-Offset")
                .orElseThrow(() -> new IOException("What answers there is no counter: it does not say what it has."));
    }
}
