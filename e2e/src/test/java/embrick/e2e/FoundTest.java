package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestBeds;
import embrick.server.support.TestBeds.Laid;
import java.awt.Color;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** What is found is offered, and taken by keys alone; a set is taken together and undone together. */
@InBrowser
class FoundTest {
    private static final Color GREY = new Color(130, 130, 128);

    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();

    private JsonNode framing(String job, String id) {
        for (JsonNode framing : api.get("/jobs/" + job + "/framings?shape=4:5").body()) {
            if (framing.path("originalId").asString().equals(id)) {
                return framing.path("document");
            }
        }
        return null;
    }

    private String add(String job, String name, byte[] file) {
        return api.upload(job, name, file).body().path("id").asString();
    }

    @Test
    void oneByOneByKeys() {
        String job = api.newJob("Crooked");
        String scan = add(job, "a scan.png", TestBeds.scan(GREY, new Laid(740, 545, 900, 640, -5)));
        String sea = add(job, "b sea.png", TestBeds.horizon(2.4));
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");

        browser.keys("d");
        browser.see(".found-bar", "Sure: all four sides are seen. Tilted 5.0° counterclockwise.");
        browser.find(".found-lines path");
        assertThat(framing(job, scan)).as("nothing is taken yet").isNull();
        browser.keys(Keys.ESCAPE);
        browser.until(_ -> browser.all(".found-lines").isEmpty() ? true : null);
        browser.keys("d");
        browser.find(".found-lines path");
        browser.keys("d");
        JsonNode cut = browser.until(_ -> framing(job, scan));
        assertThat(cut.path("tiltDegrees").asDouble()).isCloseTo(5, within(0.1));

        browser.keys(Keys.ENTER);
        browser.find(".stage-picture[alt='b sea.png']");
        browser.keys("f");
        browser.see(".found-bar", "lean right by 2.4°");
        browser.keys("f");
        JsonNode level = browser.until(_ -> framing(job, sea));
        assertThat(level.path("tiltDegrees").asDouble()).isCloseTo(-2.4, within(0.1));
    }

    @Test
    void aSetTogether() {
        String job = api.newJob("Album");
        String scan = add(job, "a scan.png", TestBeds.scan(GREY, new Laid(740, 545, 900, 640, -5)));
        String sea = add(job, "b sea.png", TestBeds.horizon(2.4));
        add(job, "c bed.png", TestBeds.scan(GREY, new Laid(380, 300, 520, 360, 3), new Laid(1090, 700, 540, 380, -4)));
        browser.open(address + "/jobs/" + job);
        browser.button("Borders and tilts").click();
        browser.see(".ant-drawer", "2 offers, 1 picture left alone");
        browser.button("Make 2 pictures").click();
        browser.until(_ -> api.get("/jobs/" + job + "/originals").body().size() == 5 ? true : null);
        browser.button("Take 2").click();
        browser.until(_ -> framing(job, scan));
        assertThat(browser.until(_ -> framing(job, sea)).path("tiltDegrees").asDouble())
                .isCloseTo(-2.4, within(0.1));

        String edit = api.get("/jobs/" + job + "/edits")
                .body()
                .path("undo")
                .path("id")
                .asString();
        api.post("/jobs/" + job + "/edits/" + edit + "/undo", Map.of());
        assertThat(framing(job, scan).path("tiltDegrees").asDouble()).isZero();
        assertThat(framing(job, sea).path("tiltDegrees").asDouble()).isZero();
    }
}
