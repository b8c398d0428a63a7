package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Pile, strip on the jobs page, running numbers and pieces have one order: names as people sort them. */
@ExtendWith(RunningServer.class)
class PileOrderTest {
    private static final List<String> IN_ORDER =
            List.of("a1.png", "a2.png", "a10.png", "b/2.png", "b/11.png", "B3.png", "é.png", "z.png");

    private final Api api = new Api(RunningServer.get().address());

    private String job(String name) {
        String job = api.newJob(name);
        for (String path : List.of("B3.png", "z.png", "a10.png", "b/11.png", "a2.png", "é.png", "b/2.png", "a1.png")) {
            api.upload(job, path, TestPictures.drawn("png", 60 + path.hashCode() % 20, 60));
        }
        return job;
    }

    private static List<String> all(JsonNode list, String field) {
        List<String> all = new ArrayList<>();
        list.forEach(one -> all.add(one.path(field).asString()));
        return all;
    }

    @Test
    void oneOrderForAll() {
        String job = job("order");
        JsonNode originals = api.get("/jobs/" + job + "/originals").body();
        assertThat(all(originals, "path")).isEqualTo(IN_ORDER);
        List<String> strip = new ArrayList<>();
        api.get("/jobs/" + job).body().path("strip").forEach(id -> strip.add(id.asString()));
        assertThat(all(originals, "id")).startsWith(strip.toArray(String[]::new));

        api.changeFirstTicket(job, PileOrderTest::number);
        JsonNode pieces = api.finished(api.startRun(job)).path("pieces");
        assertThat(all(pieces, "originalPath")).isEqualTo(IN_ORDER);
        assertThat(all(pieces, "name")).isSorted().startsWith("01.jpg", "02.jpg");
    }

    private static void number(ObjectNode ticket) {
        ticket.put("ppi", 20);
        ((ArrayNode) ticket.putArray("names"))
                .addObject()
                .put("kind", "number")
                .put("digits", 2)
                .put("first", 1);
    }

    /** Some of the pile are run in its order, whatever order they were chosen in. */
    @Test
    void aPartIsInTheSameOrder() {
        String job = job("part order");
        api.changeFirstTicket(job, PileOrderTest::number);
        JsonNode originals = api.get("/jobs/" + job + "/originals").body();
        List<String> ids = all(originals, "id");
        String ticket = api.firstTicket(job).path("id").asString();
        String run = api.post("/tickets/" + ticket + "/runs", Map.of("originalIds", List.of(ids.get(5), ids.get(2))))
                .body()
                .path("id")
                .asString();
        JsonNode pieces = api.finished(run).path("pieces");
        assertThat(all(pieces, "originalPath")).containsExactly("a10.png", "B3.png");
        assertThat(all(pieces, "name")).containsExactly("01.jpg", "02.jpg");
    }

    private List<String> paths(String job) {
        return all(api.get("/jobs/" + job + "/originals").body(), "path");
    }

    private List<String> ids(String job, String... paths) {
        Map<String, String> byPath = new HashMap<>();
        api.get("/jobs/" + job + "/originals")
                .body()
                .forEach(one ->
                        byPath.put(one.path("path").asString(), one.path("id").asString()));
        return Stream.of(paths).map(byPath::get).toList();
    }

    private JsonNode edit(String job, Map<String, Object> order) {
        Answer answer = api.post(
                "/jobs/" + job + "/edits",
                Map.of("words", "order", "framings", List.of(), "overrides", List.of(), "pileOrder", order));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        return answer.body();
    }

    private static Map<String, Object> byHand(List<String> moved, String before) {
        Map<String, Object> order = new HashMap<>(Map.of("by", "HAND", "moved", moved));
        order.put("before", before);
        return order;
    }

    private void step(String job, String which) {
        JsonNode history = api.get("/jobs/" + job + "/edits").body();
        api.post("/jobs/" + job + "/edits/" + history.path(which).path("id").asString() + "/" + which, Map.of());
    }

    @Test
    void whatIsMovedByHandStaysThereAndIsNumberedSo() {
        String job = job("by hand");
        edit(job, byHand(ids(job, "z.png", "b/11.png"), ids(job, "a2.png").getFirst()));
        List<String> moved = List.of("a1.png", "z.png", "b/11.png", "a2.png", "a10.png", "b/2.png", "B3.png", "é.png");
        assertThat(paths(job)).isEqualTo(moved);
        assertThat(api.get("/jobs/" + job).body().path("pileOrder").asString()).isEqualTo("HAND");

        // A second move changes the keys of what moves alone; one that comes in is last.
        edit(job, byHand(ids(job, "é.png"), ids(job, "z.png").getFirst()));
        api.upload(job, "0 first by name.png", TestPictures.drawn("png", 64, 61));
        assertThat(paths(job))
                .containsExactly(
                        "a1.png",
                        "é.png",
                        "z.png",
                        "b/11.png",
                        "a2.png",
                        "a10.png",
                        "b/2.png",
                        "B3.png",
                        "0 first by name.png");
        api.changeFirstTicket(job, PileOrderTest::number);
        JsonNode pieces = api.finished(api.startRun(job)).path("pieces");
        assertThat(all(pieces, "originalPath")).isEqualTo(paths(job));
        assertThat(all(pieces, "name")).isSorted();

        // To the end, behind one that has no number yet.
        edit(job, byHand(ids(job, "a1.png"), null));
        assertThat(paths(job)).startsWith("é.png").endsWith("B3.png", "0 first by name.png", "a1.png");

        step(job, "undo");
        step(job, "undo");
        step(job, "undo");
        assertThat(paths(job))
                .isEqualTo(Stream.concat(Stream.of("0 first by name.png"), IN_ORDER.stream())
                        .toList());
        assertThat(api.get("/jobs/" + job).body().path("pileOrder").asString()).isEqualTo("NAME");
        step(job, "redo");
        assertThat(paths(job))
                .isEqualTo(Stream.concat(moved.stream(), Stream.of("0 first by name.png"))
                        .toList());
    }

    /** Every place that one picture can be moved to, against a list that is changed as plainly as can be. */
    @Test
    void anyMovesAreThoseOfAList() {
        String job = job("many moves");
        List<String> expected = new ArrayList<>(ids(job, IN_ORDER.toArray(String[]::new)));
        Random random = new Random(7);
        for (int i = 0; i < 60; i++) {
            String moved = expected.remove(random.nextInt(expected.size()));
            // Often between the same two, until there is no room between their keys.
            int at = i % 3 == 0 ? random.nextInt(expected.size() + 1) : 1;
            edit(job, byHand(List.of(moved), at == expected.size() ? null : expected.get(at)));
            expected.add(at, moved);
        }
        assertThat(all(api.get("/jobs/" + job + "/originals").body(), "id")).isEqualTo(expected);
    }

    @Test
    void byDateTaken() throws IOException {
        String job = api.newJob("by date");
        for (String taken : List.of("c 2025:06:03 09:00:00", "a 2025:06:05 10:00:00", "b 2025:06:03 08:59:59")) {
            api.upload(job, taken.charAt(0) + ".jpg", taken(taken.substring(2)));
        }
        api.upload(job, "0 undated.jpg", TestPictures.drawn("jpg", 63, 60));
        assertThat(paths(job)).containsExactly("0 undated.jpg", "a.jpg", "b.jpg", "c.jpg");
        edit(job, Map.of("by", "DATE"));
        assertThat(paths(job)).containsExactly("b.jpg", "c.jpg", "a.jpg", "0 undated.jpg");
        api.upload(job, "d.jpg", taken("2025:06:04 00:00:00"));
        assertThat(paths(job)).containsExactly("b.jpg", "c.jpg", "d.jpg", "a.jpg", "0 undated.jpg");
        edit(job, Map.of("by", "NAME"));
        assertThat(paths(job)).containsExactly("0 undated.jpg", "a.jpg", "b.jpg", "c.jpg", "d.jpg");
    }

    private byte[] taken(String when) throws IOException {
        Path file = Files.createTempFile("taken", ".jpg");
        try {
            Files.write(file, TestPictures.drawn("jpg", 60, 40 + when.hashCode() % 7));
            Outside.run(List.of("exiftool", "-q", "-overwrite_original", "-DateTimeOriginal=" + when, file.toString()));
            return Files.readAllBytes(file);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void excludingIsUndone() {
        String job = job("excluded");
        String id = ids(job, "a2.png").getFirst();
        JsonNode outcome = api.post(
                        "/jobs/" + job + "/edits",
                        Map.of(
                                "words",
                                "exclude a2",
                                "framings",
                                List.of(),
                                "overrides",
                                List.of(),
                                "exclusions",
                                List.of(Map.of("originalId", id, "leftOut", true))))
                .body();
        assertThat(outcome.path("picturesChanged").asBoolean()).isTrue();
        assertThat(isLeftOut(job, id)).isTrue();
        step(job, "undo");
        assertThat(isLeftOut(job, id)).isFalse();
        step(job, "redo");
        assertThat(isLeftOut(job, id)).isTrue();
    }

    private boolean isLeftOut(String job, String id) {
        for (JsonNode one : api.get("/jobs/" + job + "/originals").body()) {
            if (one.path("id").asString().equals(id)) {
                return one.path("leftOut").asBoolean();
            }
        }
        throw new AssertionError(id);
    }

    @Test
    void whatIsNotOfTheJobIsRefused() {
        String job = job("foreign");
        String other = ids(job("other"), "a1.png").getFirst();
        Map<String, Object> order = byHand(List.of(other), null);
        Answer refused = api.post(
                "/jobs/" + job + "/edits",
                Map.of("words", "order", "framings", List.of(), "overrides", List.of(), "pileOrder", order));
        assertThat(refused.status()).isEqualTo(404);
        assertThat(paths(job)).isEqualTo(IN_ORDER);
    }
}
