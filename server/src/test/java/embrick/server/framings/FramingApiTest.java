package embrick.server.framings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class FramingApiTest {
    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private String original;

    @BeforeEach
    void aPicture() {
        job = api.newJob("framing");
        original = api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 600, 400))
                .body()
                .path("id")
                .asString();
    }

    private Answer keep(Map<String, Object> framing, int version) {
        return api.put(
                "/originals/" + original + "/framings/4:5",
                Map.of("document", framing, "accepted", true),
                "If-Match",
                "\"" + version + "\"");
    }

    @Test
    void belongsToPictureAndShapeAndIsSharedByPapersOfOneShape() {
        assertThat(keep(Api.framing(0.46, 1), -1).status()).isEqualTo(200);
        JsonNode kept = api.get("/jobs/" + job + "/framings?shape=4:5").body();
        assertThat(kept).hasSize(1);
        assertThat(api.get("/jobs/" + job + "/framings?shape=2:3").body()).isEmpty();
        JsonNode ticket = api.firstTicket(job).path("document");
        JsonNode plan = api.post("/originals/" + original + "/plan", Map.of("ticket", ticket))
                .body()
                .path("plan");
        assertThat(plan.path("frame").path("centreX").asDouble()).isCloseTo(0.46 * 600, within(1e-6));
    }

    @Test
    void aSecondWindowNeverOverwritesSilently() {
        assertThat(keep(Api.framing(0.46, 1), -1).status()).isEqualTo(200);
        Answer blind = keep(Api.framing(0.54, 1), -1);
        assertThat(blind.status()).isEqualTo(412);
        assertThat(blind.code()).isEqualTo("stale-version");
        assertThat(keep(Api.framing(0.54, 1), 0).status()).isEqualTo(200);
    }

    @Test
    void numbersOutOfBoundsAreRefused() {
        assertThat(keep(Api.framing(1.7, 1), -1).code()).isEqualTo("framing-value");
        assertThat(keep(Api.framing(0.5, 0.3), -1).code()).isEqualTo("framing-value");
    }

    @Test
    void thePlanHasTheTicketsPixelsAndTheLimitsOfTheFrame() {
        JsonNode ticket = api.firstTicket(job).path("document");
        JsonNode plan = api.post(
                        "/originals/" + original + "/plan", Map.of("ticket", ticket, "framing", Api.framing(0.9, 1)))
                .body()
                .path("plan");
        assertThat(plan.path("width").asInt()).isEqualTo(3000);
        assertThat(plan.path("height").asInt()).isEqualTo(2400);
        // 600 × 400 under 5:4 is 500 × 400: the centre is held at 600 − 250.
        assertThat(plan.path("frame").path("centreX").asDouble()).isCloseTo(350, within(1e-6));
        assertThat(plan.path("verdict").asString()).isEqualTo("POOR");
        assertThat(plan.path("limits")).hasSize(6);
    }

    @Test
    void theEstimateNamesEveryPictureAndItsProblem() {
        api.upload(job, "sub/kite.png", TestPictures.drawn("png", 300, 200));
        api.upload(job, "zz-cut.jpg", TestPictures.cutShort(TestPictures.drawn("jpg", 600, 400)));
        JsonNode ticket = api.firstTicket(job).path("document");
        JsonNode estimate = api.post("/jobs/" + job + "/estimate", Map.of("ticket", ticket, "jobName", "framing"))
                .body();
        assertThat(estimate.path("shapeKey").asString()).isEqualTo("4:5");
        assertThat(estimate.path("pictures")).hasSize(3);
        assertThat(estimate.path("pictures").get(0).path("name").asString()).isEqualTo("kite_8x10in.jpg");
        assertThat(estimate.path("pictures").get(1).path("name").asString()).isEqualTo("kite_8x10in-2.jpg");
        assertThat(estimate.path("pictures")
                        .get(2)
                        .path("problems")
                        .get(0)
                        .path("code")
                        .asString())
                .isEqualTo("cut-short");
        assertThat(estimate.path("nameNotices")).hasSize(1);
    }
}
