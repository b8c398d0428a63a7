package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A scan of 900 × 600 px whose file says no size. */
@ExtendWith(RunningServer.class)
class TrueSizeTest {
    private final Api api = new Api(RunningServer.get().address());
    private String job;
    private String scan;

    @BeforeEach
    void aScan() {
        job = api.newJob("sizes");
        scan = api.upload(job, "scan.png", TestPictures.drawn("png", 900, 600))
                .body()
                .path("id")
                .asString();
    }

    private Answer state(Object wish) {
        return api.put("/originals/" + scan + "/true-size", wish);
    }

    private static Map<String, Object> known(double fromX, double toX, double value, String unit) {
        return Map.of(
                "known",
                Map.of(
                        "from", Map.of("x", fromX, "y", 0.5),
                        "to", Map.of("x", toX, "y", 0.5),
                        "length", Map.of("value", value, "unit", unit)));
    }

    /** 450 px are 38.1 mm, 1.5 in: 300 ppi. */
    @Test
    void twoPointsAndTheLengthBetweenThemGiveThePpi() {
        JsonNode view = state(known(0.25, 0.75, 38.1, "MM")).body();
        assertThat(view.path("statedPpi").asDouble()).isCloseTo(300, within(0.005));
        assertThat(view.path("facts").path("ppiAcross").asDouble()).isCloseTo(300, within(0.005));
    }

    @Test
    void theScannersPpiIsTakenAndForgottenAgain() {
        assertThat(state(Map.of("ppi", 600)).body().path("statedPpi").asDouble())
                .isEqualTo(600);
        Map<String, Object> none = new HashMap<>();
        none.put("ppi", null);
        JsonNode view = state(none).body();
        assertThat(view.path("statedPpi").isNull()).isTrue();
        assertThat(view.path("facts").path("ppiAcross").isNull()).isTrue();
    }

    /** At its own size, on a sheet of 300 ppi, each pixel of 200 ppi takes one and a half. */
    @Test
    void printsAtTheirOwnSizeFollowWhatWasStated() {
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document");
        ticket.putObject("fit")
                .put("kind", "scale")
                .put("paper", "#FFFFFF")
                .put("anchor", "MIDDLE")
                .put("marks", "NONE")
                .putNull("printedPpi");
        Map<String, Object> wish = Map.of("ticket", ticket);
        JsonNode refused = api.post("/originals/" + scan + "/plan", wish).body();
        assertThat(refused.path("problems").get(0).path("code").asString()).isEqualTo("no-own-ppi");
        state(Map.of("ppi", 200));
        JsonNode plan = api.post("/originals/" + scan + "/plan", wish).body().path("plan");
        assertThat(plan.path("markedPpi").asDouble()).isEqualTo(300);
        assertThat(plan.path("frame").path("scale").asDouble()).isCloseTo(200 / 300.0, within(1e-3));
    }

    @Test
    void whatGivesNoSizeIsRefusedWithARemedy() {
        assertThat(state(known(0.5, 0.501, 10, "MM")).status()).isEqualTo(422);
        assertThat(state(known(0.25, 0.75, 0.0001, "MM")).status()).isEqualTo(422);
        assertThat(state(Map.of("ppi", 0)).status()).isEqualTo(422);
        Map<String, Object> both = new HashMap<>(known(0.25, 0.75, 38.1, "MM"));
        both.put("ppi", 300);
        Answer refused = state(both);
        assertThat(refused.code()).isEqualTo("true-size");
        assertThat(refused.body().path("remedy").asString()).isNotBlank();
    }
}
