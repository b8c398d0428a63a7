package embrick.server.savedtickets;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Tickets that outlive their job. */
@ExtendWith(RunningServer.class)
class SavedTicketsTest {
    private final Api api = new Api(RunningServer.get().address());

    private ObjectNode document(Consumer<ObjectNode> edit) {
        ObjectNode document = (ObjectNode)
                api.firstTicket(api.newJob("saved")).path("document").deepCopy();
        edit.accept(document);
        return document;
    }

    private static String name(String begin) {
        return begin + " " + UUID.randomUUID();
    }

    private JsonNode save(String name, ObjectNode document) {
        Answer saved = api.post("/saved-tickets", Map.of("name", name, "document", document));
        assertThat(saved.status()).as(saved.body().toString()).isEqualTo(201);
        return saved.body();
    }

    @Test
    void aTicketOfOneJobIsUsedInAnother() {
        JsonNode saved = save(name("Exhibition"), document(ticket -> ticket.put("ppi", 240)));
        String other = api.newJob("another");
        Answer taken = api.post("/jobs/" + other + "/tickets", saved.path("document"));
        assertThat(taken.status()).isEqualTo(201);
        assertThat(taken.body().path("document").path("ppi").asInt()).isEqualTo(240);
        assertThat(api.delete("/saved-tickets/" + saved.path("id").asString()).status())
                .isEqualTo(204);
        assertThat(api.get("/jobs/" + other + "/tickets").body()).hasSize(2);
    }

    @Test
    void namesAreNotAlikeWhateverTheirLetters() {
        String name = name("Wall");
        save(name, document(_ -> {}));
        Answer again = api.post(
                "/saved-tickets",
                Map.of("name", name.toUpperCase(java.util.Locale.ROOT), "document", document(_ -> {})));
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.code()).isEqualTo("name-taken");
    }

    @Test
    void aStaleChangeIsRefusedAndARenameIsKept() {
        JsonNode saved = save(name("Before"), document(_ -> {}));
        String path = "/saved-tickets/" + saved.path("id").asString();
        String after = name("After");
        Map<String, Object> renamed = Map.of("name", after, "document", saved.path("document"));
        assertThat(api.put(path, renamed, "If-Match", "\"0\"").status()).isEqualTo(200);
        assertThat(api.put(path, renamed, "If-Match", "\"0\"").code()).isEqualTo("stale-version");
        assertThat(api.get(path).body().path("name").asString()).isEqualTo(after);
    }

    @Test
    void aNewJobBeginsWithTheOneThatWasSaid() {
        JsonNode first = save(name("First"), document(ticket -> ticket.put("ppi", 200)));
        JsonNode second = save(name("Second"), document(ticket -> ticket.put("ppi", 250)));
        for (JsonNode saved : new JsonNode[] {first, second}) {
            api.put("/saved-tickets/" + saved.path("id").asString() + "/for-new-jobs", Map.of("forNewJobs", true));
        }
        try {
            assertThat(api.firstTicket(api.newJob("begins"))
                            .path("document")
                            .path("ppi")
                            .asInt())
                    .isEqualTo(250);
            assertThat(api.get("/saved-tickets/" + first.path("id").asString())
                            .body()
                            .path("forNewJobs")
                            .asBoolean())
                    .isFalse();
        } finally {
            api.put("/saved-tickets/" + second.path("id").asString() + "/for-new-jobs", Map.of("forNewJobs", false));
        }
        assertThat(api.firstTicket(api.newJob("usual"))
                        .path("document")
                        .path("ppi")
                        .asInt())
                .isEqualTo(300);
    }

    @Test
    void itLeavesAsAFileAndComesBack() {
        JsonNode saved = save(name("Leaving"), document(ticket -> ticket.put("ppi", 180)));
        String path = "/saved-tickets/" + saved.path("id").asString();
        ObjectNode file = (ObjectNode) api.get(path + "/file").body();
        assertThat(file.path("kind").asString()).isEqualTo("ticket");
        assertThat(api.post("/saved-tickets/file", file).code()).isEqualTo("name-taken");
        api.delete(path);
        Answer back = api.post("/saved-tickets/file", file);
        assertThat(back.status()).isEqualTo(201);
        assertThat(back.body().path("document")).isEqualTo(saved.path("document"));
    }

    @Test
    void aFileThatCannotBeReadIsToldPlainly() {
        JsonNode saved = save(name("Wrong"), document(_ -> {}));
        ObjectNode file =
                (ObjectNode) api.get("/saved-tickets/" + saved.path("id").asString() + "/file")
                        .body();
        refused(file, wrong -> wrong.put("version", 2), "newer-version", "A newer Embrick wrote this ticket");
        refused(file, wrong -> ticket(wrong).put("schemaVersion", 99), "newer-version", "99");
        refused(file, wrong -> wrong.put("kind", "profile"), "not-a-ticket", "no file of a saved ticket");
        refused(file, wrong -> wrong.put("name", " "), "invalid", "name");
        refused(
                file,
                wrong -> ticket(wrong).put("unit", "FURLONG"),
                "invalid",
                "ticket.unit: expected one of IN, CM, MM, PT, got FURLONG");
        refused(file, wrong -> ticket(wrong).withArray("names").addObject().put("kind", "moon"), "invalid", "moon");
        refused(file, wrong -> ticket(wrong).putArray("names"), "invalid", "names");
        refused(file, wrong -> ticket(wrong).put("ppi", -5), "ticket-value", "ppi");
    }

    private static ObjectNode ticket(ObjectNode file) {
        return (ObjectNode) file.path("ticket");
    }

    private void refused(ObjectNode file, Consumer<ObjectNode> change, String code, String words) {
        ObjectNode wrong = file.deepCopy();
        wrong.put("name", name("Refused"));
        change.accept(wrong);
        Answer answer = api.post("/saved-tickets/file", wrong);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
        assertThat(answer.code()).as(answer.body().toString()).isEqualTo(code);
        assertThat(answer.body().toString()).contains(words);
    }
}
