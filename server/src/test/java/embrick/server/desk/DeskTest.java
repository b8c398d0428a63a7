package embrick.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is reckoned at the desk; the values are those of common practice in PrintRelationTest. */
@ExtendWith(RunningServer.class)
class DeskTest {
    private final Api api = new Api(RunningServer.get().address());

    private Answer relate(int width, int height, int ppi, String changed, String held, String key, Object value) {
        Map<String, Object> asked = new HashMap<>(Map.of(
                "shapeWidth",
                width,
                "shapeHeight",
                height,
                "width",
                width,
                "height",
                height,
                "ppi",
                ppi,
                "unit",
                "IN"));
        asked.putAll(Map.of("changed", changed, "held", held, key, value));
        return api.post("/desk/relation", asked);
    }

    @Test
    void twoAreFixedAndTheThirdFollowsAndItIsSaidWhatHappensToThePixels() {
        JsonNode marked = relate(2100, 1500, 300, "PPI", "PIXELS", "toPpi", 100).body();
        assertThat(marked.path("widthLength").asDouble()).isEqualTo(21);
        assertThat(marked.path("pixelsKept").asBoolean()).isTrue();
        assertThat(marked.path("sentence").asString()).contains("pixels stay as they are");
        JsonNode made = relate(1024, 768, 72, "PPI", "SIZE", "toPpi", 300).body();
        assertThat(made.path("width").asInt()).isEqualTo(4267);
        assertThat(made.path("sentence").asString()).contains("no new detail");
        JsonNode larger = relate(4800, 6000, 300, "HEIGHT", "PIXELS", "toLength", Map.of("value", 30, "unit", "IN"))
                .body();
        assertThat(larger.path("ppi").asInt()).isEqualTo(200);
        assertThat(larger.path("widthLength").asDouble()).isEqualTo(24);
    }

    @Test
    void whatCannotBeIsToldPlainly() {
        assertThat(relate(100, 100, 100, "PPI", "PPI", "toPpi", 50).code()).isEqualTo("relation");
        assertThat(relate(100, 100, 100, "WIDTH", "PPI", "toPixels", 50).code()).isEqualTo("relation");
        assertThat(api.get("/desk/sizes?width=0&height=10").code()).isEqualTo("pixels");
        assertThat(api.get("/desk/distances?metres=-1").code()).isEqualTo("distance");
    }

    @Test
    void ppiByViewingDistanceIsToldByPracticeAndByTheEye() {
        JsonNode all = api.get("/desk/distances").body();
        assertThat(all).hasSize(4);
        assertThat(all.get(2).path("ppiNeeded").asInt()).isEqualTo(100);
        assertThat(all.get(2).path("eyePpi").asDouble()).isCloseTo(87, within(0.5));
        assertThat(api.get("/desk/distances?metres=0.254")
                        .body()
                        .get(0)
                        .path("eyePpi")
                        .asDouble())
                .isCloseTo(344, within(0.5));
    }

    @Test
    void pixelsAndPilesAreJudgedOnEverySavedSize() {
        String job = api.newJob("desk");
        api.upload(job, "large.png", TestPictures.drawn("png", 3000, 2400));
        api.upload(job, "small.png", TestPictures.drawn("png", 500, 400));
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document").deepCopy();
        ObjectNode size = ticket.objectNode().put("kind", "size").put("schemaVersion", 1);
        for (String part : new String[] {
            "unit", "size", "turn", "fit", "edges", "ppi", "viewing", "sharpening", "colour", "rounding", "file"
        }) {
            size.set(part, ticket.path(part));
        }
        String name = "8 × 10 " + UUID.randomUUID();
        String id = api.post("/kept", Map.of("name", name, "document", size))
                .body()
                .path("id")
                .asString();
        JsonNode grade = of(api.get("/desk/sizes?width=1024&height=768").body(), id);
        // 768 px on 8 in.
        assertThat(grade.path("realPpi").asDouble()).isCloseTo(96, within(0.1));
        assertThat(grade.path("verdict").asString()).isEqualTo("POOR");
        JsonNode pile = of(api.get("/jobs/" + job + "/saved-sizes").body(), id);
        assertThat(pile.path("fine").asInt()).isEqualTo(1);
        assertThat(pile.path("poor").asInt()).isEqualTo(1);
    }

    private static JsonNode of(JsonNode grades, String id) {
        for (JsonNode grade : grades) {
            if (grade.path("keptId").asString().equals(id)) {
                return grade;
            }
        }
        throw new AssertionError("expected a grade of " + id + " in " + grades);
    }
}
