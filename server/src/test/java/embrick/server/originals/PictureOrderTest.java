package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Pile, strip on the jobs page, running numbers and pieces have one order: names as people sort them. */
@ExtendWith(RunningServer.class)
class PictureOrderTest {
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

        api.changeFirstTicket(job, PictureOrderTest::number);
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
        api.changeFirstTicket(job, PictureOrderTest::number);
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
}
