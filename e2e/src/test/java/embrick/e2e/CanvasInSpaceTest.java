package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A canvas of 8 × 6 in at 40 px to the inch, which fits the page at 1:1: its sides are the file's own pixels. */
@InBrowser
class CanvasInSpaceTest {
    private static final int PPI = 40;
    private static final int BAR = PPI;
    private static final int BAND = BAR + PPI / 2;

    /** What a hundred turns change on the page, each named once. */
    private static final String CHANGED_BY_TURNING = """
            const hold = document.querySelector('.space-hold');
            const changes = new MutationObserver(() => undefined);
            changes.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
            for (let i = 0; i < 100; i++) {
              hold.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
            }
            const seen = changes.takeRecords().map((one) => `${one.attributeName ?? one.type} of ${one.target.className}`);
            changes.disconnect();
            return [...new Set(seen)];
            """;

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    private static void even(ObjectNode edges, String name, double inches) {
        for (String side : new String[] {"left", "top", "right", "bottom"}) {
            edges.withObject(name).putObject(side).put("value", inches).put("unit", "IN");
        }
    }

    private static void wrapped(ObjectNode document) {
        ObjectNode size = document.putObject("size").put("kind", "paper");
        size.putObject("width").put("value", 8).put("unit", "IN");
        size.putObject("height").put("value", 6).put("unit", "IN");
        document.put("ppi", PPI);
        ObjectNode edges = document.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        even(edges, "bar", 1);
        even(edges, "allowance", 0.5);
        edges.putObject("fill").put("kind", "mirror");
        document.putObject("file").put("kind", "png").put("depth", "EIGHT");
    }

    private int[] box(String css) {
        @SuppressWarnings("unchecked")
        Map<String, Number> box = (Map<String, Number>) browser.script(
                "const b = document.querySelector(arguments[0]).getBoundingClientRect();"
                        + "return {x: b.x, y: b.y, width: b.width, height: b.height}",
                css);
        return new int[] {
            (int) Math.round(box.get("x").doubleValue()),
            (int) Math.round(box.get("y").doubleValue()),
            (int) Math.round(box.get("width").doubleValue()),
            (int) Math.round(box.get("height").doubleValue())
        };
    }

    private String turn() {
        return (String) browser.script(
                "return getComputedStyle(document.querySelector('[data-testid=canvas-in-space]')).transform");
    }

    @Test
    void laidFlatItsSidesAreTheFilesPixelsAndKeysTurnIt() throws IOException {
        String job = api.newJob("A canvas");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 900, 700));
        api.changeFirstTicket(job, CanvasInSpaceTest::wrapped);
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".figures", "the total");
        browser.keys("v");
        browser.find(".space-left[style*='blob:']");
        browser.find("[data-testid=canvas-on-wall] image");

        String folded = turn();
        browser.keys(Keys.ARROW_RIGHT);
        assertThat(turn()).startsWith("matrix3d").isNotEqualTo(folded);
        browser.keys("0");
        assertThat(turn()).isEqualTo(folded);
        assertThat(browser.script(CHANGED_BY_TURNING))
                .as("a turn changes the style of one element and draws nothing anew")
                .isEqualTo(List.of("style of space-body"));

        browser.keys("f");
        browser.until(_ -> turn().equals("none") ? true : null);
        BufferedImage page = ImageIO.read(new ByteArrayInputStream(browser.picture()));
        JsonNode run = api.finished(api.startRun(job));
        BufferedImage file = ImageIO.read(RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString())
                .resolve("kite_8x6in.png")
                .toFile());
        int width = 8 * PPI;
        int height = 6 * PPI;
        assertThat(file.getWidth()).isEqualTo(width + 2 * BAND);
        requireSame(page, file, box(".space-left"), BAND - BAR, BAND, BAR, height);
        requireSame(page, file, box(".space-right"), BAND + width, BAND, BAR, height);
        requireSame(page, file, box(".space-top"), BAND, BAND - BAR, width, BAR);
        requireSame(page, file, box(".space-bottom"), BAND, BAND + height, width, BAR);
    }

    private static void requireSame(
            BufferedImage page, BufferedImage file, int[] box, int x, int y, int width, int height) {
        assertThat(box[2]).isEqualTo(width);
        assertThat(box[3]).isEqualTo(height);
        int same = 0;
        for (int i = 0; i < width * height; i++) {
            int seen = page.getRGB(box[0] + i % width, box[1] + i / width) & 0xffffff;
            int made = file.getRGB(x + i % width, y + i / width) & 0xffffff;
            same += seen == made ? 1 : 0;
        }
        assertThat(same).as("pixels at %d, %d", x, y).isEqualTo(width * height);
    }
}
