package embrick.server.documents;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.testing.Sha256;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Scripts that were written for names which are others now. */
@ExtendWith(RunningServer.class)
class EarlierNamesTest {
    private final Api api = new Api(RunningServer.get().address());

    private static ObjectNode inches(ObjectNode into, String name, double value) {
        into.putObject(name).put("value", value).put("unit", "IN");
        return into;
    }

    @Test
    void aTicketIsTakenByThemAndAnsweredByTheNewOnes() {
        String job = api.newJob("earlier names");
        api.changeFirstTicket(job, document -> {
            ObjectNode border =
                    document.putObject("edges").put("kind", "border").put("colour", "#FFFFFF");
            inches(inches(border.putObject("size").put("kind", "foot"), "band", 1), "foot", 2);
            ObjectNode fit = document.putObject("fit")
                    .put("kind", "inside")
                    .put("paper", "#FFFFFF")
                    .put("anchor", "FOOT_LEFT")
                    .put("marks", "NONE");
            inches(fit, "margin", 0);
        });
        JsonNode kept = api.firstTicket(job).path("document");
        assertThat(kept.at("/edges/size/kind").asString()).isEqualTo("heavier-bottom");
        assertThat(kept.at("/edges/size/bottom/value").asInt()).isEqualTo(2);
        assertThat(kept.at("/edges/size").has("foot")).isFalse();
        assertThat(kept.at("/fit/anchor").asString()).isEqualTo("BOTTOM_LEFT");
    }

    @Test
    void filesAreOfferedByThem() {
        String job = api.newJob("earlier offers");
        Answer answer = api.post(
                "/jobs/" + job + "/intake",
                Map.of("files", List.of(Map.of("path", "a.jpg", "bytes", 3, "sha256", Sha256.of(new byte[3])))));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().path("missing").get(0).asString()).isEqualTo("a.jpg");
    }
}
