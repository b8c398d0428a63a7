package embrick.standins.counter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.ticket.FileFormat;
import embrick.standins.Http;
import embrick.standins.Http.Answer;
import embrick.standins.TestPieces;
import embrick.standins.common.StandIns;
import embrick.testing.Await;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/** The counter as a program elsewhere sees it. */
class CounterTest {
    @TempDir
    private Path home;

    private ConfigurableApplicationContext running;
    private Http counter;

    @BeforeEach
    void begin() throws Exception {
        start();
        behave(Map.of());
    }

    @AfterEach
    void end() {
        running.close();
    }

    private void start() {
        running = StandIns.start(CounterApplication.class, 0, home);
        counter = new Http("http://127.0.0.1:" + running.getEnvironment().getProperty("local.server.port"));
    }

    @Test
    void anOrderIsReceivedLookedAtAcceptedAndReady() throws Exception {
        byte[] piece = TestPieces.jpeg("8", "10", 200);
        JsonNode order = give("a", piece("kites.jpg", "print-8x10", 3, piece)).body();
        assertThat(order.path("state").asString()).isEqualTo("RECEIVING");
        // 3.20 for the first copy and 1.10 for each of two more.
        assertThat(order.path("price").asDouble()).isEqualTo(5.4);
        String id = order.path("id").asString();
        assertThat(append(id, 1, 0, piece).status()).isEqualTo(204);
        assertThat(await(id, "READY").at("/pieces/0/state").asString()).isEqualTo("ACCEPTED");
    }

    @Test
    void aPieceIsRefusedByItsRulesReplacedAndTaken() throws Exception {
        byte[] low = TestPieces.piece("8", "10", 100, new FileFormat.Png());
        String id = give("a", piece("low.png", "print-8x10", 1, low))
                .body()
                .path("id")
                .asString();
        append(id, 1, 0, low);
        JsonNode refused = await(id, "TO_MEND");
        assertThat(refused.at("/pieces/0/refusals"))
                .extracting(refusal -> refusal.path("rule").asString())
                .containsExactlyInAnyOrder("FILE_TYPE", "PPI");

        byte[] good = TestPieces.jpeg("8", "10", 200);
        Map<String, Object> replacement = Map.of("name", "good.jpg", "bytes", good.length, "sha256", sha256(good));
        for (int asked = 0; asked < 2; asked++) {
            JsonNode again = counter.send("POST", "/orders/" + id + "/pieces/1/replacement", replacement)
                    .body();
            assertThat(again.at("/pieces/0/attempt").asInt()).isEqualTo(2);
        }
        append(id, 1, 0, good);
        await(id, "READY");
    }

    @Test
    void aDamagedFileIsRefusedThoughItsHeaderIsFine() throws Exception {
        byte[] whole = TestPieces.jpeg("8", "10", 200);
        byte[] cut = Arrays.copyOf(whole, whole.length / 2);
        String id = give("a", piece("cut.jpg", "print-8x10", 1, cut))
                .body()
                .path("id")
                .asString();
        append(id, 1, 0, cut);
        assertThat(await(id, "TO_MEND").at("/pieces/0/refusals/0/rule").asString())
                .isEqualTo("WHOLE");
        // The only piece withdrawn leaves nothing to print.
        counter.send("DELETE", "/orders/" + id + "/pieces/1", null);
        assertThat(await(id, "CANCELLED").path("price").asDouble()).isZero();
    }

    @Test
    void theSameKeyIsTheSameOrder() throws Exception {
        byte[] piece = TestPieces.jpeg("5", "7", 200);
        Map<String, Object> wanted = piece("a.jpg", "print-5x7", 1, piece);
        Answer first = give("key", wanted);
        Answer again = give("key", wanted);
        assertThat(first.status()).isEqualTo(201);
        assertThat(again.status()).isEqualTo(200);
        assertThat(again.body().path("id")).isEqualTo(first.body().path("id"));
        assertThat(counter.get("/orders").body()).hasSize(1);
        assertThat(give("key", piece("a.jpg", "print-5x7", 2, piece)).status()).isEqualTo(409);
    }

    @Test
    void aCutLineKeepsWhatCameAndGoesOnThere() throws Exception {
        byte[] piece = TestPieces.piece("8", "10", 200, new FileFormat.Tiff(FileFormat.Packing.PLAIN));
        String id = give("a", piece("a.tif", "print-8x10", 1, piece))
                .body()
                .path("id")
                .asString();
        behave(Map.of("cutAfterBytes", 1_000_000, "cuts", 1));
        assertThatThrownBy(() -> append(id, 1, 0, piece)).isInstanceOf(IOException.class);
        long there = Long.parseLong(where(id).header("Upload-Offset"));
        assertThat(there).isBetween(1_000_000L, piece.length - 1L);
        assertThat(where(id).header("Upload-Complete")).isEqualTo("?0");
        // One who believes to be elsewhere is told so, and nothing is written twice.
        assertThat(append(id, 1, there - 5, Arrays.copyOf(piece, (int) there + 100))
                        .status())
                .isEqualTo(409);
        assertThat(append(id, 1, there, piece).header("Upload-Complete")).isEqualTo("?1");
        await(id, "READY");
    }

    @Test
    void otherBytesThanAnnouncedAreNotKept() throws Exception {
        byte[] piece = TestPieces.jpeg("5", "7", 200);
        byte[] other = piece.clone();
        other[other.length - 10] ^= 1;
        String id = give("a", piece("a.jpg", "print-5x7", 1, piece))
                .body()
                .path("id")
                .asString();
        assertThat(append(id, 1, 0, other).status()).isEqualTo(422);
        assertThat(where(id).header("Upload-Offset")).isEqualTo("0");
        assertThat(append(id, 1, 0, piece).status()).isEqualTo(204);
    }

    @Test
    void aRestartForgetsNothing() throws Exception {
        byte[] piece = TestPieces.jpeg("8", "10", 200);
        String id = give("a", piece("a.jpg", "print-8x10", 1, piece))
                .body()
                .path("id")
                .asString();
        counter.ask(
                "PATCH",
                "/orders/" + id + "/pieces/1/file",
                BodyPublishers.ofByteArray(piece, 0, 1000),
                "Upload-Offset",
                "0",
                "Content-Type",
                "application/partial-upload");
        running.close();
        start();
        assertThat(where(id).header("Upload-Offset")).isEqualTo("1000");
        append(id, 1, 1000, piece);
        await(id, "READY");
    }

    @Test
    void aClosedCounterAnswersThatAndAFullOneTakesNoMore() throws Exception {
        byte[] piece = TestPieces.jpeg("5", "7", 200);
        behave(Map.of("door", "FULL"));
        assertThat(give("a", piece("a.jpg", "print-5x7", 1, piece))
                        .body()
                        .path("code")
                        .asString())
                .isEqualTo("full");
        assertThat(counter.get("/products").status()).isEqualTo(200);
        behave(Map.of("door", "DOWN"));
        Answer closed = counter.get("/products");
        assertThat(closed.status()).isEqualTo(503);
        assertThat(closed.header("Retry-After")).isEqualTo("5");
        behave(Map.of());
        assertThat(give("a", piece("a.jpg", "print-5x7", 1, piece)).status()).isEqualTo(201);
    }

    @Test
    void anOrderIsCancelledUntilItIsAccepted() throws Exception {
        byte[] piece = TestPieces.jpeg("5", "7", 200);
        String open = give("a", piece("a.jpg", "print-5x7", 1, piece))
                .body()
                .path("id")
                .asString();
        assertThat(counter.send("POST", "/orders/" + open + "/cancel", null).status())
                .isEqualTo(200);
        assertThat(append(open, 1, 0, piece).status()).isEqualTo(409);
        String made = give("b", piece("a.jpg", "print-5x7", 1, piece))
                .body()
                .path("id")
                .asString();
        append(made, 1, 0, piece);
        await(made, "READY");
        assertThat(counter.send("POST", "/orders/" + made + "/cancel", null).status())
                .isEqualTo(409);
    }

    @Test
    void whatMakesNoOrderIsRefusedWithItsReason() throws Exception {
        byte[] piece = TestPieces.jpeg("5", "7", 200);
        assertThat(give("a", piece("a.jpg", "mug", 1, piece))
                        .body()
                        .path("detail")
                        .asString())
                .contains("no product mug");
        assertThat(give("a", piece("a.jpg", "print-5x7", 0, piece)).status()).isEqualTo(400);
        assertThat(counter.get("/orders/none").status()).isEqualTo(404);
    }

    private void behave(Map<String, Object> otherwise) throws Exception {
        Map<String, Object> behaviour = new java.util.HashMap<>(Map.of(
                "door", "OPEN",
                "bytesPerSecond", 0,
                "inspectionMillis", 50,
                "printingMillis", 50,
                "cutAfterBytes", 0,
                "cuts", 0));
        behaviour.putAll(otherwise);
        assertThat(counter.send("PUT", "/behaviour", behaviour).status()).isEqualTo(200);
    }

    private Answer give(String key, Map<String, Object> piece) throws Exception {
        return counter.send(
                "POST", "/orders", Map.of("reference", "kite days", "pieces", List.of(piece)), "Idempotency-Key", key);
    }

    private static Map<String, Object> piece(String name, String product, int copies, byte[] file) {
        return Map.of("name", name, "product", product, "copies", copies, "bytes", file.length, "sha256", sha256(file));
    }

    private Answer where(String id) throws Exception {
        return counter.ask("HEAD", "/orders/" + id + "/pieces/1/file", BodyPublishers.noBody());
    }

    private Answer append(String id, int number, long offset, byte[] file) throws IOException, InterruptedException {
        return counter.ask(
                "PATCH",
                "/orders/" + id + "/pieces/" + number + "/file",
                BodyPublishers.ofByteArray(file, (int) offset, file.length - (int) offset),
                "Upload-Offset",
                String.valueOf(offset),
                "Content-Type",
                "application/partial-upload");
    }

    private JsonNode await(String id, String state) throws Exception {
        return Await.until(
                "order " + id + " to be " + state,
                () -> counter.got("/orders/" + id),
                order -> order.path("state").asString().equals(state));
    }

    private static String sha256(byte[] bytes) {
        return HexFormat.of().formatHex(PartFiles.sha256().digest(bytes));
    }
}
