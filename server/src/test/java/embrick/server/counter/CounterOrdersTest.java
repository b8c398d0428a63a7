package embrick.server.counter;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.Counter;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Pieces ordered at the simulated counter, which inspects the files that really arrive. */
@ExtendWith(RunningServer.class)
class CounterOrdersTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Counter counter = Counter.get();

    @AfterEach
    void aGoodDayAgain() {
        counter.behave(Map.of());
    }

    /** Prints of 8 × 10 in. */
    private String job(String name, int pictures, Consumer<ObjectNode> ticket) {
        String job = api.newJob(name);
        for (int i = 0; i < pictures; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 400 + i, 300));
        }
        api.changeFirstTicket(job, document -> {
            document.put("ppi", 200);
            ticket.accept(document);
        });
        return job;
    }

    private String run(String job) {
        String run = api.startRun(job);
        api.finished(run);
        return run;
    }

    private static Map<String, Object> wish() {
        return Map.of("products", List.of(), "leftOut", List.of());
    }

    private JsonNode check(String run) {
        Answer checked = api.post("/runs/" + run + "/counter-orders/check", wish());
        assertThat(checked.status()).as("%s", checked.body()).isEqualTo(200);
        return checked.body();
    }

    private Answer order(String run, String key) {
        List<String> pieces = new ArrayList<>();
        check(run)
                .path("pieces")
                .forEach(piece -> pieces.add(piece.path("pieceId").asString()));
        return api.post(
                "/runs/" + run + "/counter-orders", Map.of("wish", wish(), "pieces", pieces), "Idempotency-Key", key);
    }

    private JsonNode is(String order, String run, String state) {
        return Await.until(
                "the order to be " + state,
                () -> at(run, order),
                found -> found.path("state").asString().equals(state));
    }

    private JsonNode at(String run, String order) {
        for (JsonNode one : api.get("/runs/" + run + "/counter-orders").body()) {
            if (one.path("id").asString().equals(order)) {
                return one;
            }
        }
        throw new AssertionError("no order " + order);
    }

    /** By their numbers there. */
    private List<String> ordersAtCounter(String name) {
        List<String> found = new ArrayList<>();
        for (JsonNode one : counter.orders()) {
            if (one.path("reference").asString().startsWith(name)) {
                found.add(one.path("id").asString());
            }
        }
        return found;
    }

    @Test
    void piecesAreCheckedByTheCountersOwnRulesAndOrdered() {
        String run = run(job("To the counter", 2, _ -> {}));
        JsonNode checked = check(run);
        // Of the products that take them all, the cheapest: 3.20 a piece.
        assertThat(checked.at("/tickets/0/product").asString()).isEqualTo("print-8x10");
        assertThat(checked.at("/pieces")).hasSize(2);
        assertThat(checked.at("/pieces/0/refusals")).isEmpty();

        JsonNode ordered = order(run, "once").body();
        assertThat(ordered.path("price").asDouble()).isEqualTo(6.4);
        JsonNode ready = is(ordered.path("id").asString(), run, "READY");
        assertThat(ready.at("/pieces/0/sentBytes").asLong())
                .isEqualTo(ready.at("/pieces/0/bytes").asLong())
                .isGreaterThan(100_000);
        assertThat(ready.at("/pieces/1/state").asString()).isEqualTo("ACCEPTED");
        assertThat(ready.path("currency").asString()).isEqualTo("Saltmere shillings");
    }

    @Test
    void oneKeyIsOneOrderHoweverOftenItIsAsked() {
        String run = run(job("Ordered once", 1, _ -> {}));
        String id = order(run, "k").body().path("id").asString();
        assertThat(order(run, "k").body().path("id").asString()).isEqualTo(id);
        is(id, run, "READY");
        assertThat(ordersAtCounter("Ordered once")).hasSize(1);
        Answer other = api.post(
                "/runs/" + run + "/counter-orders",
                Map.of("wish", wish(), "pieces", List.of(UUID.randomUUID().toString())),
                "Idempotency-Key",
                "k");
        assertThat(other.code()).isEqualTo("nothing-to-order");
    }

    @Test
    void aRefusedPieceIsMadeAgainSentAndAccepted() {
        String job = job("To be mended", 2, document -> document.put("ppi", 100));
        String run = run(job);
        JsonNode refusal = check(run).at("/pieces/0/refusals/0");
        assertThat(refusal.path("rule").asString()).isEqualTo("PPI");
        String id = order(run, "k").body().path("id").asString();
        JsonNode refused = is(id, run, "TO_MEND");
        assertThat(refused.at("/pieces/0/refusals/0")).isEqualTo(refusal);

        Answer nothing = api.post("/counter-orders/" + id + "/pieces/1/replacement", null);
        assertThat(nothing.code()).isEqualTo("nothing-newer");
        api.changeFirstTicket(job, document -> document.put("ppi", 200));
        run(job);
        assertThat(api.post("/counter-orders/" + id + "/pieces/1/replacement", null)
                        .status())
                .isEqualTo(200);
        // The other is not wanted after all.
        assertThat(api.delete("/counter-orders/" + id + "/pieces/2").status()).isEqualTo(200);
        JsonNode ready = is(id, run, "READY");
        assertThat(ready.at("/pieces/0/state").asString()).isEqualTo("ACCEPTED");
        assertThat(ready.at("/pieces/1/state").asString()).isEqualTo("WITHDRAWN");
        assertThat(ordersAtCounter("To be mended")).hasSize(1);
    }

    /** The counter learns of a replacement a moment before it is stored here. The refused file must not be sent for it. */
    @Test
    void aFileThatWasReplacedIsNotSentForTheOtherOne() {
        String job = job("Between two files", 1, document -> document.put("ppi", 100));
        String run = run(job);
        String id = order(run, "k").body().path("id").asString();
        is(id, run, "TO_MEND");
        api.changeFirstTicket(job, document -> document.put("ppi", 200));
        JsonNode newer = api.get("/runs/" + run(job)).body().at("/pieces/0");
        String there = ordersAtCounter("Between two files").getFirst();
        counter.replace(there, 1, newer);

        is(id, run, "RECEIVING");
        // Whatever a round would send, it has sent when another order has gone its whole way.
        String another = run(job("Another", 1, _ -> {}));
        is(order(another, "k").body().path("id").asString(), another, "READY");
        assertThat(counter.order(there).at("/pieces/0/received").asLong()).isZero();

        assertThat(api.post("/counter-orders/" + id + "/pieces/1/replacement", null)
                        .status())
                .isEqualTo(200);
        is(id, run, "READY");
    }

    @Test
    void aCutLineIsTakenUpWhereItWas() {
        String run = run(job("Cut twice", 1, _ -> {}));
        counter.behave(Map.of("cutAfterBytes", 30_000, "cuts", 2));
        String id = order(run, "k").body().path("id").asString();
        is(id, run, "READY");
        assertThat(ordersAtCounter("Cut twice")).hasSize(1);
    }

    @Test
    void aClosedCounterIsToldAndTriedAgain() {
        String run = run(job("Full house", 1, _ -> {}));
        counter.behave(Map.of("door", "FULL"));
        assertThat(api.get("/counter").body().path("state").asString()).isEqualTo("FULL");
        String id = order(run, "k").body().path("id").asString();
        JsonNode waiting = Await.until(
                "the order to have trouble",
                () -> at(run, id),
                found -> !found.path("trouble").isNull());
        assertThat(waiting.path("state").asString()).isEqualTo("WAITING");
        assertThat(waiting.path("trouble").asString()).contains("all the work it can do", "by itself");
        counter.behave(Map.of("door", "DOWN"));
        assertThat(api.get("/counter").body().path("state").asString()).isEqualTo("CLOSED");
        assertThat(api.post("/runs/" + run + "/counter-orders/check", wish()).code())
                .isEqualTo("counter-closed");
        counter.behave(Map.of());
        assertThat(is(id, run, "READY").path("trouble").isNull()).isTrue();
    }

    @Test
    void aLostFileIsRefusedBeforeAnythingIsSent() throws IOException {
        String run = run(job("Lost", 1, _ -> {}));
        JsonNode piece = check(run).at("/pieces/0");
        Path place = Path.of(
                api.get("/runs/" + run + "/delivery").body().path("place").asString());
        Files.delete(place.resolve(piece.path("name").asString()));
        assertThat(check(run).at("/pieces/0/refusals/0/rule").asString()).isEqualTo("WHOLE");
        Answer refused = order(run, "k");
        assertThat(refused.code()).isEqualTo("piece-lost");
        assertThat(refused.body().at("/problems/0/text").asString())
                .contains(piece.path("name").asString());
    }

    @Test
    void anOrderIsCancelledHereAndThere() {
        String run = run(job("Cancelled", 1, _ -> {}));
        counter.behave(Map.of("inspectionMillis", 3_600_000));
        String id = order(run, "k").body().path("id").asString();
        is(id, run, "INSPECTING");
        // Its files are needed meanwhile.
        assertThat(api.delete("/runs/" + run + "?files=DELETED").code()).isEqualTo("run-ordered");
        String job = api.get("/runs/" + run).body().at("/run/jobId").asString();
        Answer refused = api.delete("/jobs/" + job);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.code()).isEqualTo("run-ordered");
        assertThat(refused.body().at("/problems/0/text").asString()).contains("“Cancelled");
        assertThat(api.get("/runs/" + run + "/counter-orders").body()).isNotEmpty();
        assertThat(api.post("/counter-orders/" + id + "/cancel", null)
                        .body()
                        .path("state")
                        .asString())
                .isEqualTo("CANCELLED");
        for (JsonNode one : counter.orders()) {
            if (one.path("reference").asString().startsWith("Cancelled")) {
                assertThat(one.path("state").asString()).isEqualTo("CANCELLED");
            }
        }
        assertThat(api.delete("/runs/" + run + "?files=DELETED").status()).isEqualTo(204);
        assertThat(api.delete("/jobs/" + job).status()).isEqualTo(204);
    }

    @Test
    void anOrderThatIsCancelledBeforeItIsGivenIsNeverGiven() {
        String run = run(job("Never given", 1, _ -> {}));
        counter.behave(Map.of("door", "FULL"));
        String id = order(run, "k").body().path("id").asString();
        Await.until(
                "the order to have trouble",
                () -> at(run, id),
                found -> !found.path("trouble").isNull());
        assertThat(api.post("/counter-orders/" + id + "/cancel", null)
                        .body()
                        .path("state")
                        .asString())
                .isEqualTo("CANCELLED");
        counter.behave(Map.of());
        // Another order goes its whole way meanwhile.
        is(order(run, "another").body().path("id").asString(), run, "READY");
        assertThat(ordersAtCounter("Never given")).hasSize(1);
    }
}
