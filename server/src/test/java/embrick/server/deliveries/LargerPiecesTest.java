package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A delivered piece once more, larger, by the ticket as it was then. */
@ExtendWith(RunningServer.class)
class LargerPiecesTest {
    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private String piece;

    @BeforeEach
    void aDelivery() {
        job = api.newJob("once more");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 400, 300));
        api.upload(job, "dune.jpg", TestPictures.drawn("jpg", 410, 300));
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        JsonNode run = api.finished(api.startRun(job));
        piece = run.path("pieces").path(1).path("id").asString();
        // Since then the ticket says something else.
        api.changeFirstTicket(job, document -> document.put("ppi", 35));
    }

    private Answer larger(Object value, String unit) {
        return api.post("/pieces/" + piece + "/larger", Map.of("longSide", Map.of("value", value, "unit", unit)));
    }

    @Test
    void itIsMadeOnALargerSheetOfTheSameShapeByTheTicketOfThen() {
        Answer answer = larger(20, "IN");
        assertThat(answer.status()).isEqualTo(201);
        JsonNode run = api.finished(answer.body().path("runId").asString());
        assertThat(run.path("pieces")).hasSize(1);
        JsonNode made = run.path("pieces").path(0);
        assertThat(made.path("state").asString()).as(made.toString()).isEqualTo("CHECKED");
        // 20 × 16 in at 20 ppi, the picture being wide.
        assertThat(List.of(made.path("width").asInt(), made.path("height").asInt()))
                .containsExactly(400, 320);
        assertThat(made.path("originalPath").asString()).isEqualTo("kite.jpg");

        JsonNode tickets = api.get("/jobs/" + job + "/tickets").body();
        assertThat(tickets).hasSize(2);
        JsonNode added = tickets.path(1);
        assertThat(added.path("id").asString())
                .isEqualTo(answer.body().path("ticketId").asString());
        assertThat(added.path("isOn").asBoolean(added.path("on").asBoolean(false)))
                .isFalse();
        assertThat(added.path("document").path("name").asString()).endsWith(", 16 × 20 in");
    }

    @Test
    void theOtherSideFollowsInTheUnitThatWasAskedFor() {
        JsonNode size = api.get("/jobs/" + larger(50, "CM").body().path("jobId").asString() + "/tickets")
                .body()
                .path(1)
                .path("document")
                .path("size");
        assertThat(List.of(
                        size.path("width").path("value").asDouble(),
                        size.path("height").path("value").asDouble()))
                .containsExactlyInAnyOrder(50.0, 40.0);
        assertThat(size.path("width").path("unit").asString()).isEqualTo("CM");
    }

    @Test
    void whatIsNotLargerOrHasNoOriginalIsRefusedAndAddsNothing() {
        assertThat(larger(10, "IN").code()).isEqualTo("not-larger");
        assertThat(larger(20, "CM").code()).isEqualTo("not-larger");
        assertThat(api.post("/pieces/" + piece + "/larger", Map.of()).status()).isEqualTo(422);
        String original = api.original(job, "kite.jpg");
        api.post("/jobs/" + job + "/originals/delete", Map.of("originalIds", List.of(original)));
        assertThat(larger(20, "IN").status()).isEqualTo(404);
        assertThat(api.get("/jobs/" + job + "/tickets").body()).hasSize(1);
    }
}
