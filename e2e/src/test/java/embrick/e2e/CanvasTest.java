package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.testing.Outside;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** A canvas from nothing: the ticket said, the subject moved clear of the fold, a checked JPEG and a checked PDF page. */
@InBrowser
class CanvasTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    @TempDir
    Path folder;

    private void open(String label) {
        browser.find("button[aria-label^='" + label + "']").click();
    }

    private void close(String label) {
        browser.find("button[aria-label^='" + label + "']").sendKeys(Keys.ESCAPE);
    }

    private void choose(String words) {
        browser.shown(By.xpath("//label[span[text()='" + words + "']]")).click();
    }

    private void type(String label, String text) {
        browser.shown(By.xpath("//label[span[text()='" + label + "']]//input"))
                .sendKeys(Keys.chord(Keys.CONTROL, "a"), text, Keys.TAB);
    }

    /** Sky over sand, 24 × 20 in at 110 px with something over at the sides; a dark mast 70 px from the left fold. */
    private static byte[] mast() throws IOException {
        BufferedImage picture = new BufferedImage(3000, 2200, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setPaint(new GradientPaint(0, 0, new Color(90, 140, 210), 0, 2200, new Color(225, 205, 170)));
        on.fillRect(0, 0, 3000, 2200);
        on.setColor(new Color(30, 24, 28));
        // The middle 2640 px are framed at first: their left rim is at 180.
        on.fillRect(200, 700, 60, 700);
        on.dispose();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpg", jpeg);
        return jpeg.toByteArray();
    }

    @Test
    void fromNothingToACheckedJpegAndPage() throws IOException {
        String job = api.newJob("Canvas journey");
        api.upload(job, "mast.jpg", mast());
        sayTheTicket(job);
        moveTheMastClear(job);
        Path jpeg = runAndFetch(job, "mast.jpg");
        requireCanvas(jpeg);
        browser.open(address + "/jobs/" + job + "/ticket");
        open("File");
        choose("PDF page");
        browser.see(".sentence", "PDF pages, JPEG quality 95 inside, with marks");
        close("File");
        Path page = runAndFetch(job, "mast.pdf");
        requirePage(page, jpeg);
    }

    private void sayTheTicket(String job) {
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.find(".drawing image");
        open("Size");
        type("one side", "20 in");
        type("the other", "24 in");
        close("Size");
        open("Resolution");
        type("pixels per inch", "100");
        browser.see(".drawing", "2400 px");
        close("Resolution");
        open("Edges");
        choose("a wrap");
        browser.shown(By.xpath("//button[text()='2 ½ in']")).click();
        type("staple allowance", "13 in");
        browser.see(".phrase-problem", "staple allowance: expected at most 12 in, got 13 in");
        type("staple allowance", "1/2 in");
        browser.see(".edges-total", "24 × 20 in becomes 30 × 26 in, 3000 × 2600 px");
        choose("fold marks, and lines to cut the corners along");
        browser.see(".sentence", "a wrap of 2 ½ in bar and ½ in allowance, mirrored");
        browser.see(".drawing", "30 in · 3000 px");
        browser.see(".drawing", "24 in · 2400 px");
        browser.see(".drawing", "fold, where the face ends");
        close("Edges");
        browser.see(".near", "mast");
        browser.see(".near", "left");
    }

    private void moveTheMastClear(String job) {
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-lines .fold-line");
        browser.see(".near-not", "left");
        browser.find(".stage-made");
        // A step is 5 mm: the mast is 0.2 in inside the fold and has to be 10 mm.
        browser.withShift(Keys.ARROW_RIGHT);
        browser.withShift(Keys.ARROW_RIGHT);
        browser.see(".near-clear", "clear");
        browser.keys(Keys.ENTER);
        browser.until(
                _ -> api.get("/jobs/" + job + "/framings?shape=5:6").body().size() == 1 ? true : null);
    }

    private Path runAndFetch(String job, String name) throws IOException {
        browser.open(address + "/jobs/" + job + "/ticket");
        browser.button("Run 1 piece now").click();
        browser.until(_ -> browser.address().contains("/run/") ? true : null);
        String runId = browser.address().substring(browser.address().lastIndexOf('/') + 1);
        JsonNode piece = api.finished(runId).path("pieces").get(0);
        assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
        browser.open(address + "/jobs/" + job + "/delivery/" + runId);
        browser.button("PDF book");
        Path file = folder.resolve(name);
        Files.write(file, api.download("/pieces/" + piece.path("id").asString() + "/file"));
        return file;
    }

    /** Pillow: 3000 × 2600 px, the bands the face mirrored (JPEG: within a few counts), the mast clear of the fold. */
    private static void requireCanvas(Path jpeg) {
        String told = Outside.python("""
                from PIL import Image
                import sys
                image = Image.open(sys.argv[1]).convert('RGB')
                apart = 0
                for y in range(400, 2200, 37):
                    for k in range(0, 240, 11):
                        a, b = image.getpixel((299 - k, y)), image.getpixel((300 + k, y))
                        apart = max(apart, *(abs(p - q) for p, q in zip(a, b)))
                dark = [x for x in range(300, 2700) if sum(image.getpixel((x, 1300))) < 200]
                print(image.size, image.info['dpi'], apart <= 12, dark[0] - 300 >= 39, dark[-1] - dark[0])
                """, jpeg);
        // 10 mm at 100 ppi are 39 px; the mast's 60 px become 54.5.
        assertThat(told.strip()).startsWith("(3000, 2600) (100, 100) True True 5");
    }

    /** poppler-utils and qpdf: cut at the total, 30 × 26 in and marks of 9 mm round it; its picture the JPEG piece itself. */
    private void requirePage(Path page, Path jpeg) {
        Outside.run(List.of("qpdf", "--check", page.toString()));
        String info = Outside.run(List.of("pdfinfo", "-box", page.toString()));
        assertThat(info.lines()
                        .filter(line -> line.startsWith("TrimBox"))
                        .findFirst()
                        .orElseThrow()
                        .split("\\s+"))
                .containsExactly("TrimBox:", "25.51", "25.51", "2185.51", "1897.51");
        Outside.run(List.of("sh", "-c", "cd '" + folder + "' && pdfimages -all mast.pdf out"));
        assertThat(folder.resolve("out-000.jpg")).hasSameBinaryContentAs(jpeg);
    }
}
