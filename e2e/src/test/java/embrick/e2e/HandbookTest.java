package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import embrick.testing.Sha256;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Each recipe of docs/handbook.md, done as it is written there. */
@InBrowser
class HandbookTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();
    private final Path deliveries = RunningServer.get().storage().resolve("deliveries");

    private void choose(String item) {
        browser.shown(By.xpath("//*[@role='menuitem'][.='" + item + "']")).click();
    }

    /** Opens a job's ticket and adds another one to it. */
    private void begin(String job, String beginning) {
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        browser.button("+ another ticket").click();
        choose(beginning);
        browser.see(".docket-on", beginning);
    }

    /** Runs what the page shows, by the button with these words. */
    private JsonNode run(String button) {
        browser.button(button).click();
        browser.until(_ -> browser.address().contains("/run/") ? true : null);
        return api.finished(browser.address().substring(browser.address().lastIndexOf('/') + 1));
    }

    private List<String> identified(String folder) throws IOException {
        try (Stream<Path> files = Files.list(deliveries.resolve(folder))) {
            return files.sorted().map(Outside::identify).toList();
        }
    }

    @Test
    void aLabSetWithItsScreenSet() throws IOException {
        String job = api.newJob("Handbook lab set");
        api.upload(job, "arrivals.jpg", TestPictures.drawn("jpg", 3000, 2000));
        begin(job, "Screen set, long side 2048");
        browser.shown(By.cssSelector(".phrase[aria-label^='Mark']")).click();
        browser.shown(By.xpath("//span[text()='a mark over each picture, for screens']"))
                .click();
        browser.see(".sentence", "drawn bottom right");
        browser.keys(Keys.ESCAPE);
        run("Run 2 tickets at once");
        assertThat(identified("Handbook lab set/prints-8x10"))
                .containsExactly("arrivals_8x10in.jpg 3000x2400 300 sRGB IEC 61966-2-1");
        assertThat(identified("Handbook lab set/screen"))
                .containsExactly("arrivals.jpg 2048x1365 300 sRGB IEC 61966-2-1");
    }

    /** 20 × 24 in with a bar of 2.5 in and 0.5 in to staple are 26 × 30 in: at 100 ppi 2600 × 3000 px. */
    @Test
    void aTwentyByTwentyFourCanvas() throws IOException {
        String job = api.newJob("Handbook canvas");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 2000, 2400));
        String name = "Canvas 20 × 24 " + UUID.randomUUID();
        assertThat(api.post("/kept", Map.of("name", name, "document", canvas(job)))
                        .status())
                .isEqualTo(201);
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        browser.button("Use something saved").click();
        choose(name);
        browser.see(".sentence", "20 × 24 in");
        browser.until(_ -> api.firstTicket(job).toString().contains("\"wrap\"") ? true : null);
        run("Run 1 piece now");
        assertThat(identified("Handbook canvas/prints-20x24"))
                .containsExactly("kite_20x24in.jpg 2600x3000 100 sRGB IEC 61966-2-1");
    }

    private ObjectNode canvas(String job) {
        JsonNode ticket = api.firstTicket(job).path("document");
        ObjectNode size = ((ObjectNode) ticket).objectNode().put("kind", "size").put("schemaVersion", 1);
        for (String part : List.of("unit", "turn", "fit", "sharpening", "colour", "rounding", "file")) {
            size.set(part, ticket.path(part));
        }
        size.put("ppi", 100).put("viewing", "WALL");
        ObjectNode paper = size.putObject("size").put("kind", "paper");
        paper.putObject("width").put("value", 20).put("unit", "IN");
        paper.putObject("height").put("value", 24).put("unit", "IN");
        ObjectNode edges = size.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        edges.putObject("fill").put("kind", "mirror");
        for (String side : List.of("left", "top", "right", "bottom")) {
            edges.withObject("/bar").putObject(side).put("value", 2.5).put("unit", "IN");
            edges.withObject("/allowance").putObject(side).put("value", 0.5).put("unit", "IN");
        }
        return size;
    }

    /** 400 × 290 px of sand on a sheet of 400 × 320: more of it is grown at the top. */
    @Test
    void aSkyThatIsTooShort() throws IOException {
        String job = api.newJob("Handbook sky");
        api.upload(job, "beach.png", TestPictures.sand(400, 290, 11));
        api.changeFirstTicket(job, document -> document.put("ppi", 40));
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        browser.shown(By.cssSelector(".phrase[aria-label^='How the picture fits']"))
                .click();
        browser.shown(By.xpath("//span[starts-with(text(), 'the whole picture, missing background')]"))
                .click();
        browser.shown(By.cssSelector(".anchors [aria-label='at the bottom']")).click();
        browser.see(".sentence", "missing background grown");
        browser.keys(Keys.ESCAPE);
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".grown-bar", "% like the picture");
        browser.keys("a");
        browser.see(".grown-accepted", "Accepted");
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        run("Run 1 piece now");
        assertThat(identified("Handbook sky/prints-8x10"))
                .containsExactly("beach_8x10in.jpg 400x320 40 sRGB IEC 61966-2-1");
    }

    /** The coded picture is not touched: the same pixels, and another number of them to the inch. */
    @Test
    void aPublishersSet() throws IOException {
        String job = api.newJob("Handbook publisher");
        byte[] original = TestPictures.drawn("jpg", 1234, 777);
        api.upload(job, "pier.jpg", original);
        begin(job, "Marked 300 ppi, pixels kept");
        run("Run 1 piece now");
        Path made = deliveries.resolve("Handbook publisher/marked-300/pier.jpg");
        assertThat(Outside.identify(made)).startsWith("pier.jpg 1234x777 300");
        Path before = Files.write(deliveries.resolve("before.jpg"), original);
        assertThat(Outside.shell("djpeg \"$1\" | sha256sum", made))
                .isEqualTo(Outside.shell("djpeg \"$1\" | sha256sum", before));
        Files.delete(before);
    }

    @Test
    void aScanThatHasLostItsSize() {
        String job = api.newJob("Handbook scan");
        api.upload(job, "flatbed.png", TestPictures.drawn("png", 1200, 900));
        begin(job, "Marked 300 ppi, pixels kept");
        browser.shown(By.cssSelector(".phrase[aria-label^='Resolution']")).click();
        browser.shown(By.cssSelector(".phrase-form input")).sendKeys(Keys.chord(Keys.CONTROL, "a"), "600", Keys.ENTER);
        browser.see(".sentence", "600 ppi");
        browser.keys(Keys.ESCAPE);
        browser.shown(By.cssSelector(".phrase[aria-label^='File']")).click();
        browser.shown(By.xpath("//span[text()='TIFF']")).click();
        browser.see(".sentence", "TIFF");
        browser.keys(Keys.ESCAPE);
        browser.until(
                _ -> api.get("/jobs/" + job + "/tickets").body().toString().contains("\"ppi\":600") ? true : null);
        run("Run 1 piece now");
        assertThat(Outside.identify(deliveries.resolve("Handbook scan/marked-300/flatbed.tif")))
                .startsWith("flatbed.tif 1200x900 600");
    }

    @Test
    void phonePicturesThatNoFormAccepts() throws IOException {
        String job = api.newJob("Handbook phone");
        Path webp = Files.createTempFile("phone", ".webp");
        Outside.python(
                "import sys; from PIL import Image; Image.effect_noise((640, 480), 60).convert('RGB').save(sys.argv[1])",
                webp);
        api.upload(job, "phone.webp", Files.readAllBytes(webp));
        Files.delete(webp);
        begin(job, "Converted to JPEG, pixels kept");
        run("Run 1 piece now");
        assertThat(identified("Handbook phone/converted"))
                .singleElement()
                .asString()
                .startsWith("phone.jpg 640x480");
    }

    @Test
    void aProductThatSomePicturesCannotServe() {
        String job = api.newJob("Handbook mugs");
        api.upload(job, "large.png", TestPictures.drawn("png", 1400, 900));
        for (int i = 1; i <= 3; i++) {
            api.upload(job, "small" + i + ".png", TestPictures.drawn("png", 600, 300 + i));
        }
        browser.open(address + "/jobs/" + job + "/pile");
        browser.button("Products").click();
        browser.see(".product", "1 of 4 pictures can serve");
        browser.see(".product", "small3.png: 76 ppi at best");
        browser.shown(By.xpath("//section[@aria-label='Mug wrap 200 × 90 mm']//button"))
                .click();
        browser.see(".sentence", "held to the rule of “Mug wrap 200 × 90 mm”");
        browser.see(".sentence", "expected 150 ppi real or more");
        JsonNode run = run("Run 1 piece now");
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(1);
        // 200 × 90 mm at 300 ppi are 2362 × 1063 px; 2 mm of bleed are 24 on each side.
        assertThat(Outside.identify(deliveries.resolve("Handbook mugs/mug-wrap-200-90-mm/large_200x90mm.jpg")))
                .startsWith("large_200x90mm.jpg 2410x1111 300");
    }

    @Test
    void numberedForAClient() throws IOException {
        String job = api.newJob("Handbook client");
        byte[] pier = TestPictures.drawn("jpg", 500, 400);
        api.upload(job, "DSC_0481.JPG", pier);
        api.upload(job, "DSC_0482.JPG", TestPictures.drawn("jpg", 400, 500));
        begin(job, "Renamed, files untouched");
        run("Run 2 pieces now");
        Path folder = deliveries.resolve("Handbook client/renamed");
        assertThat(Sha256.of(Files.readAllBytes(folder.resolve("Handbook client_001.JPG"))))
                .isEqualTo(Sha256.of(pier));
        browser.button("See the delivery").click();
        browser.see(".delivery .ant-table", "DSC_0482.JPG");
    }
}
