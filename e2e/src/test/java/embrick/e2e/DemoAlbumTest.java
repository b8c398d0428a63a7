package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.demo.DrawPictures;
import embrick.demo.FillDemoJob;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.testing.Await;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The demo's second job holds what can be found, and one scan in which nothing can. */
@ExtendWith(RunningServer.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoAlbumTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Map<String, String> ids = new HashMap<>();
    private String job;

    @BeforeAll
    void fill() throws Exception {
        Path pictures = Path.of("target/demo-pictures").toAbsolutePath();
        DrawPictures.albumInto(pictures);
        job = FillDemoJob.albumInto(RunningServer.get().address(), pictures);
        for (JsonNode original : api.get("/jobs/" + job + "/originals").body()) {
            ids.put(original.path("path").asString(), original.path("id").asString());
        }
    }

    private JsonNode found(String path) {
        return api.get("/originals/" + ids.get(path) + "/found").body();
    }

    @Test
    void printsOnBedsAreFoundAndTheOneWithoutAnEdgeIsNot() {
        JsonNode three = found("three-on-the-bed.jpg").path("scan").path("prints");
        assertThat(three)
                .hasSize(3)
                .allMatch(print -> print.path("confidence").asString().equals("SURE"));
        JsonNode black = found("print-on-black.jpg").path("scan").path("prints").get(0);
        assertThat(black.path("degrees").asDouble()).isCloseTo(-3.4, within(0.1));
        JsonNode pale = found("pale-sky-on-white.jpg").path("scan").path("prints");
        assertThat(pale).noneMatch(print -> print.path("confidence").asString().equals("SURE"));
    }

    @Test
    void leaningPicturesLean() {
        assertThat(found("leaning-left.jpg").path("level").path("degrees").asDouble())
                .isCloseTo(-2.1, within(0.3));
        assertThat(found("leaning-right.jpg").path("level").path("degrees").asDouble())
                .isCloseTo(1.4, within(0.3));
    }

    @Test
    void theBeachGetsTheSkyThatItWants() {
        JsonNode grown = api.get("/jobs/" + job + "/tickets").body().get(2);
        assertThat(grown.path("isOn").asBoolean()).isFalse();
        Map<String, Object> wish = Map.of("ticket", grown.path("document"));
        String address = "/originals/" + ids.get("wants-more-sky.jpg") + "/background";
        JsonNode background = Await.until(
                "the sky to be grown",
                () -> api.post(address, wish).body(),
                now -> !now.path("state").asString().equals("GROWING"));
        assertThat(background.path("state").asString()).as("%s", background).isEqualTo("READY");
        assertThat(background.path("likeness").asDouble()).isGreaterThan(0.8);
    }

    @Test
    void theKiteAtTheFoldIsToldAndCleared() {
        JsonNode canvas = api.get("/jobs/" + job + "/tickets").body().get(1).path("document");
        String kite = ids.get("kite-at-the-fold.jpg");
        Map<String, Object> wish = Map.of("ticket", canvas);
        JsonNode near = api.post("/originals/" + kite + "/crossings", wish).body();
        assertThat(near.path("crossings").get(0).path("side").asString()).isEqualTo("LEFT");
        JsonNode offer =
                api.post("/originals/" + kite + "/crossings/offer", wish).body();
        JsonNode after = api.post(
                        "/originals/" + kite + "/crossings", Map.of("ticket", canvas, "framing", offer.path("framing")))
                .body();
        assertThat(after.path("figure").asInt()).as("%s", offer).isLessThan(10);
    }
}
