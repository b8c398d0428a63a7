package embrick.server.kept;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Saved sizes, name patterns and product rules: kept, laid over tickets, as files. */
@ExtendWith(RunningServer.class)
class KeptShelfTest {
    private static final Set<String> OF_A_SIZE = Set.of(
            "unit", "size", "turn", "fit", "edges", "ppi", "viewing", "sharpening", "colour", "rounding", "file");

    private final Api api = new Api(RunningServer.get().address());
    private final JsonMapper mapper = new JsonMapper();

    private ObjectNode ticket() {
        return (ObjectNode) api.firstTicket(api.newJob("kept")).path("document").deepCopy();
    }

    private ObjectNode size(Consumer<ObjectNode> change) {
        ObjectNode size = ticket();
        size.properties().stream()
                .map(Map.Entry::getKey)
                .filter(name -> !OF_A_SIZE.contains(name))
                .toList()
                .forEach(size::remove);
        size.put("kind", "size").put("schemaVersion", 1);
        change.accept(size);
        return size;
    }

    private ObjectNode names() {
        ObjectNode names = mapper.createObjectNode().put("kind", "names").put("schemaVersion", 1);
        names.put("letters", "LOWER").put("subfolders", "KEPT");
        names.putArray("names").addObject().put("kind", "words").put("text", "kite-");
        names.withArray("names")
                .addObject()
                .put("kind", "number")
                .put("digits", 4)
                .put("first", 12);
        return names;
    }

    private JsonNode keep(String name, ObjectNode document) {
        Answer kept = api.post("/kept", Map.of("name", name, "document", document));
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
        return kept.body();
    }

    private JsonNode laid(JsonNode kept, ObjectNode ticket) {
        Answer laid = api.post("/kept/" + kept.path("id").asString() + "/lay-over", ticket);
        assertThat(laid.status()).as(laid.body().toString()).isEqualTo(200);
        return laid.body();
    }

    private static String name(String begin) {
        return begin + " " + UUID.randomUUID();
    }

    @Test
    void aSavedSizeKeepsAllOfItAndNothingElse() {
        JsonNode kept = keep(name("Canvas"), size(size -> {
            size.put("ppi", 150);
            size.putObject("sharpening").put("kind", "paper").put("paper", "CANVAS");
        }));
        ObjectNode under = ticket().put("name", "Mine").put("folder", "mine").put("copies", 3);
        JsonNode laid = laid(kept, under);
        assertThat(laid.path("ppi").asInt()).isEqualTo(150);
        assertThat(laid.path("sharpening").path("paper").asString()).isEqualTo("CANVAS");
        assertThat(laid.path("name").asString()).isEqualTo("Mine");
        assertThat(laid.path("copies").asInt()).isEqualTo(3);
        assertThat(laid.path("names")).isEqualTo(under.path("names"));
    }

    @Test
    void aNamePatternIsUsedByAnotherTicket() {
        JsonNode laid = laid(keep(name("Numbered"), names()), ticket());
        assertThat(laid.path("names").get(1).path("first").asInt()).isEqualTo(12);
        assertThat(laid.path("letters").asString()).isEqualTo("LOWER");
        assertThat(laid.path("subfolders").asString()).isEqualTo("KEPT");
        assertThat(laid.path("ppi").asInt()).isEqualTo(300);
    }

    @Test
    void ofAProductATicketIsMadeThatIsHeldToIt() {
        JsonNode mug = product("Mug wrap 200 × 90 mm");
        ObjectNode ticket = (ObjectNode) laid(mug, ticket());
        assertThat(ticket.path("size").path("width").path("value").asInt()).isEqualTo(200);
        assertThat(ticket.path("edges").path("kind").asString()).isEqualTo("bleed");
        assertThat(ticket.path("file").path("mostBytes").asLong()).isEqualTo(20_000_000);
        assertThat(ticket.path("product").path("name").asString()).isEqualTo("Mug wrap 200 × 90 mm");

        String job = api.newJob("mugs");
        // 200 mm at 150 ppi are 1181 px.
        api.upload(job, "large.png", TestPictures.drawn("png", 1400, 900));
        api.upload(job, "small.png", TestPictures.drawn("png", 1000, 600));
        JsonNode asProduct = estimated(job, ticket);
        assertThat(asProduct.get(0).path("problems")).isEmpty();
        assertThat(asProduct.get(1).path("problems").get(0).path("code").asString())
                .isEqualTo("below-product");
        JsonNode other = estimated(job, ticket.put("ppi", 200));
        assertThat(other.get(0).path("problems").get(0).path("code").asString()).isEqualTo("not-as-product");
        assertThat(other.get(0).path("problems").get(0).path("subject").asString())
                .isEqualTo("ppi");
    }

    private JsonNode product(String name) {
        for (JsonNode one : api.get("/kept?kind=PRODUCT").body()) {
            if (one.path("name").asString().equals(name)) {
                return one;
            }
        }
        throw new AssertionError("expected a product rule " + name + " to ship");
    }

    private JsonNode estimated(String job, ObjectNode ticket) {
        return api.post("/jobs/" + job + "/estimate", Map.of("ticket", ticket, "jobName", "mugs"))
                .body()
                .path("pictures");
    }

    @Test
    void eachPictureIsToldWhichProductsItCanServeAndWhyNot() {
        String job = api.newJob("products");
        api.upload(job, "large.png", TestPictures.drawn("png", 1400, 900));
        api.upload(job, "small.png", TestPictures.drawn("png", 1000, 600));
        api.upload(job, "broken.png", new byte[] {1, 2, 3});
        for (JsonNode one : api.get("/jobs/" + job + "/products").body()) {
            assertThat(one.path("pictures")).hasSize(2);
            if (one.path("name").asString().startsWith("Mug")) {
                assertThat(one.path("pictures").get(0).path("problem").isNull()).isTrue();
                assertThat(one.path("pictures")
                                .get(1)
                                .path("problem")
                                .path("text")
                                .asString())
                        .contains("150 ppi", "Mug wrap");
            }
        }
    }

    @Test
    void eachLeavesAsAFileAndComesBack() {
        for (ObjectNode document : new ObjectNode[] {
            size(_ -> {}),
            names(),
            (ObjectNode) product("Tile 20 × 20 cm").path("document").deepCopy()
        }) {
            JsonNode kept = keep(name("Leaving"), document);
            String path = "/kept/" + kept.path("id").asString();
            JsonNode file = api.get(path + "/file").body();
            assertThat(api.post("/kept/file", file).code()).isEqualTo("name-taken");
            api.delete(path);
            Answer back = api.post("/kept/file", file);
            assertThat(back.status()).as(back.body().toString()).isEqualTo(201);
            assertThat(back.body().path("document")).isEqualTo(kept.path("document"));
        }
    }

    @Test
    void aFileThatCannotBeReadIsToldPlainly() {
        JsonNode kept = keep(name("Wrong"), size(_ -> {}));
        ObjectNode file = (ObjectNode)
                api.get("/kept/" + kept.path("id").asString() + "/file").body();
        refused(file, wrong -> wrong.put("version", 2), "newer-version", "A newer Embrick wrote this size");
        refused(file, wrong -> document(wrong).put("schemaVersion", 9), "newer-version", "9");
        refused(file, wrong -> wrong.put("kind", "moon"), "not-a-kept-part", "no file of a saved size");
        refused(file, wrong -> document(wrong).put("unit", "FURLONG"), "invalid", "document.unit");
        refused(file, wrong -> document(wrong).putObject("size").put("kind", "paper"), "invalid", "document.size");
        refused(file, wrong -> document(wrong).put("ppi", -5), "ticket-value", "ppi");
        refused(
                file,
                wrong -> ((ObjectNode) document(wrong).path("size").path("width")).put("unit", "PARSEC"),
                "invalid",
                "document.size.width.unit");
    }

    private static ObjectNode document(ObjectNode file) {
        return (ObjectNode) file.path("document");
    }

    private void refused(ObjectNode file, Consumer<ObjectNode> change, String code, String words) {
        ObjectNode wrong = file.deepCopy();
        wrong.put("name", name("Refused"));
        change.accept(wrong);
        Answer answer = api.post("/kept/file", wrong);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
        assertThat(answer.code()).as(answer.body().toString()).isEqualTo(code);
        assertThat(answer.body().toString()).contains(words);
    }

    @Test
    void aRuleThatCannotWorkIsRefused() {
        ObjectNode rule =
                (ObjectNode) product("Mug wrap 200 × 90 mm").path("document").deepCopy();
        ((ObjectNode) rule.path("safe")).put("value", 45);
        Answer answer = api.post("/kept", Map.of("name", name("Narrow"), "document", rule));
        assertThat(answer.code()).isEqualTo("ticket-value");
        assertThat(answer.body().toString()).contains("safe distance: expected less than half");
    }

    @Test
    void aDocumentOfAnotherVersionIsNotKept() {
        for (ObjectNode document : new ObjectNode[] {
            size(_ -> {}),
            names(),
            (ObjectNode) product("Tile 20 × 20 cm").path("document").deepCopy()
        }) {
            Answer answer =
                    api.post("/kept", Map.of("name", name("Newer"), "document", document.put("schemaVersion", 9)));
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.body().toString()).contains("expected 1, got 9");
        }
    }

    @Test
    void changesAreHeldToTheVersionLookedAtAndKeepTheirKind() {
        JsonNode kept = keep(name("Before"), names());
        String path = "/kept/" + kept.path("id").asString();
        Map<String, Object> renamed = Map.of("name", name("After"), "document", names());
        assertThat(api.put(path, renamed, "If-Match", "\"0\"").status()).isEqualTo(200);
        assertThat(api.put(path, renamed, "If-Match", "\"0\"").code()).isEqualTo("stale-version");
        Answer other = api.put(path, Map.of("name", name("Other"), "document", size(_ -> {})), "If-Match", "\"1\"");
        assertThat(other.code()).isEqualTo("other-kind");
    }
}
