package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** The proof on the screen is the file, pixel for pixel; it is moved and wiped by keys alone. */
@InBrowser
class ProofPageTest {
    private static final Pattern PLACE = Pattern.compile("(\\d+) × (\\d+) at (\\d+), (\\d+)");
    private static final String PIXELS_OF_THE_FILE = """
            const image = document.querySelector('.proof-layer img');
            const canvas = document.createElement('canvas');
            canvas.width = image.naturalWidth;
            canvas.height = image.naturalHeight;
            const context = canvas.getContext('2d');
            context.drawImage(image, 0, 0);
            const seen = [];
            for (let i = 0; i < 400; i++) {
              const x = (i * 131) % canvas.width, y = (i * 71) % canvas.height;
              seen.push([x, y, ...context.getImageData(x, y, 1, 1).data.slice(0, 3)]);
            }
            return seen;
            """;

    private static final String CHOSEN_SCALE =
            "return document.querySelector('.ant-segmented input:checked').closest('label').textContent";

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    private String jobWithSharpening() {
        String job = api.newJob("Proof journey");
        api.upload(job, "a.jpg", TestPictures.drawn("jpg", 2600, 3600));
        api.upload(job, "b.jpg", TestPictures.drawn("jpg", 3600, 2600));
        api.changeFirstTicket(job, ticket -> {
            ticket.putObject("sharpening").put("kind", "paper").put("paper", "MATT");
            ticket.putObject("file").put("kind", "png").put("depth", "EIGHT");
        });
        return job;
    }

    private int[] place() {
        Matcher place = PLACE.matcher(browser.text(".figures"));
        assertThat(place.find()).as(browser.text(".figures")).isTrue();
        return new int[] {Integer.parseInt(place.group(3)), Integer.parseInt(place.group(4))};
    }

    /** Until the pixels on the screen are those of the place that is named. */
    private void untilMade() {
        browser.until(_ -> browser.all(".proof-layer img").size() == 2
                        && browser.text(".proof-busy").isEmpty()
                        && (Boolean) browser.script("return [...document.images].every(i => i.complete)")
                ? true
                : null);
    }

    @Test
    void whatIsSeenIsWhatTheFileHolds() throws IOException {
        String job = jobWithSharpening();
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".figures", "2400 × 3000");
        untilMade();
        int[] middle = place();
        browser.keys(Keys.ARROW_LEFT, Keys.ARROW_UP, Keys.ARROW_UP);
        browser.until(_ -> place()[1] == middle[1] - 160 ? true : null);
        untilMade();
        int[] place = place();
        assertThat(place[0]).isEqualTo(middle[0] - 80);
        assertThat(browser.text("[aria-label=\"Method, sharpening and colours\"]"))
                .contains("sharpened for matt paper");
        assertThat(browser.text(".figures")).contains("halo in this part");
        @SuppressWarnings("unchecked")
        List<List<Long>> seen = (List<List<Long>>) browser.script(PIXELS_OF_THE_FILE);

        magnifiedByWholeNumbers();
        browser.keys("x");
        browser.see(".proof-stage", "as the file will be");
        browser.until(_ -> browser.all(".proof-name-before").isEmpty() ? true : null);
        browser.keys(Keys.ENTER);
        browser.see(".figures", "3000 × 2400");

        JsonNode run = api.finished(api.startRun(job));
        BufferedImage file = ImageIO.read(RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString())
                .resolve("a_8x10in.png")
                .toFile());
        for (List<Long> pixel : seen) {
            int rgb = file.getRGB(
                    place[0] + pixel.get(0).intValue(), place[1] + pixel.get(1).intValue());
            assertThat(pixel.subList(2, 5))
                    .containsExactly((long) (rgb >> 16 & 0xff), (long) (rgb >> 8 & 0xff), (long) (rgb & 0xff));
        }
    }

    /** At 2:1 and 4:1 each of the file's pixels is shown as a block of display pixels, none mixed. */
    private void magnifiedByWholeNumbers() {
        for (int magnified : new int[] {2, 4}) {
            browser.keys("k");
            browser.until(_ -> browser.script(
                                            "const i = document.querySelector('.proof-layer img'); return i && i.width / i.naturalWidth")
                                    instanceof Number factor
                            && factor.doubleValue() == magnified
                    ? true
                    : null);
            untilMade();
            assertThat(browser.script(
                            "return getComputedStyle(document.querySelector('.proof-layer img')).imageRendering"))
                    .isEqualTo("pixelated");
            assertThat(browser.text(".figures")).contains("pixel for pixel");
        }
        for (String scale : new String[] {"true size", "whole"}) {
            browser.keys("k");
            browser.see(".figures", "pixels to one");
            browser.until(_ -> scale.equals(browser.script(CHOSEN_SCALE)) ? true : null);
        }
        browser.keys("k");
        browser.see(".figures", "pixel for pixel");
        untilMade();
    }

    @Test
    void whatIsTriedIsSeenAndCarriedToTheTicket() {
        String job = jobWithSharpening();
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".figures", "2400 × 3000");
        browser.keys("j");
        browser.see(".figures", "contour");
        untilMade();
        browser.button("sharpened for matt paper").click();
        browser.script(
                "[...document.querySelectorAll('.own-form label')].find(l => l.textContent === 'canvas').click()");
        browser.see(".proof-stage", "as it is tried");
        assertThat(api.firstTicket(job).toString()).contains("MATT");
        browser.button("Use on the ticket").click();
        browser.until(_ -> api.firstTicket(job).toString().contains("CANVAS") ? true : null);
        browser.see(".proof-stage", "as the file will be");
    }

    /** Browsers keep pages that were left, and six connections for all of them together. */
    @Test
    void pagesThatWereLeftHoldNoConnection() {
        String job = jobWithSharpening();
        for (String page : List.of("pile", "ticket", "bench", "proof", "run", "delivery", "pile", "ticket")) {
            browser.open(address + "/jobs/" + job + "/" + page);
            browser.see(".course", "2 files");
        }
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".figures", "2400 × 3000");
        untilMade();
    }
}
