package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestBeds;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What the bench measures and offers, by keys alone: an edge's blur, a scan's true size, a move clear of the folds. */
@InBrowser
class MeasuredOnTheBenchTest {
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);
    private final Browser browser = Browser.get();

    private void bench(String job) {
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");
    }

    @Test
    void aBlurIsMeasuredAtAnEdgeAndUndone() {
        String job = api.newJob("Soft");
        api.upload(job, "soft.png", TestBeds.softEdge(3));
        bench(job);
        browser.keys("p");
        browser.see(".found-bar", "Sure: this edge is spread by 1.");
        // Away from the edge there is nothing to measure; Shift goes farther.
        for (int i = 0; i < 8; i++) {
            browser.withShift(Keys.ARROW_LEFT);
        }
        browser.see(".found-bar", "There is no straight edge");
        browser.keys(Keys.ESCAPE);
        browser.until(_ -> browser.all(".blur-mark").isEmpty() ? true : null);
        browser.keys("p");
        browser.see(".found-bar", "Undo this blur");
        browser.keys("p");
        browser.see(".bench-buttons", "own sharpening");
        browser.withControl("z");
        browser.see(".bench-buttons", "Only this picture");
    }

    @Test
    void aScanGetsItsSizeBackByPpiAndByALine() {
        String job = api.newJob("Sizes");
        String scan = api.upload(job, "scan.png", TestBeds.softEdge(0))
                .body()
                .path("id")
                .asString();
        bench(job);
        browser.keys("z");
        browser.see(".size-bar", "Its file says no size.");
        browser.button("State 300 ppi").click();
        browser.see(".size-bar", "300 ppi, as stated");
        // The line lies across the middle third; an inch apart.
        browser.button("State 1 in").click();
        double ppi = TestBeds.WIDTH / 3.0;
        JsonNode stated = browser.until(_ -> {
            JsonNode one = api.get("/jobs/" + job + "/originals").body().get(0);
            return one.path("statedPpi").asDouble() != 300 ? one : null;
        });
        assertThat(stated.path("id").asString()).isEqualTo(scan);
        assertThat(stated.path("statedPpi").asDouble()).isCloseTo(ppi, within(0.02));
        browser.button("As its file says").click();
        browser.see(".size-bar", "Its file says no size.");
        browser.keys(Keys.ESCAPE);
        browser.until(_ -> browser.all(".size-bar").isEmpty() ? true : null);
    }

    /** 1600 × 2000 px; a dark mast at the left rim of the frame, with room on the other side. */
    private static byte[] mast() throws IOException {
        BufferedImage picture = new BufferedImage(2000, 2000, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setColor(new Color(190, 205, 225));
        on.fillRect(0, 0, 2000, 2000);
        on.setColor(new Color(40, 30, 30));
        on.fillRect(190, 700, 40, 600);
        on.dispose();
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return png.toByteArray();
    }

    private static void wrapped(ObjectNode document) {
        ObjectNode edges = document.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        for (String name : new String[] {"bar", "allowance"}) {
            ObjectNode sides = edges.putObject(name);
            for (String side : new String[] {"left", "top", "right", "bottom"}) {
                sides.putObject(side)
                        .put("value", name.equals("bar") ? 1.5 : 0.5)
                        .put("unit", "IN");
            }
        }
        edges.putObject("fill").put("kind", "mirror");
    }

    @Test
    void whatStandsAtAFoldIsMarkedAndClearedByOneKey() throws IOException {
        String job = api.newJob("Folds");
        api.upload(job, "mast.png", mast());
        api.changeFirstTicket(job, MeasuredOnTheBenchTest::wrapped);
        bench(job);
        browser.see(".figures", "detail at the fold");
        browser.see(".figures", "left");
        browser.keys("k");
        browser.find(".fold-marks rect");
        browser.see(".found-bar", "To clear every fold: move the frame");
        assertThat(api.get("/jobs/" + job + "/framings?shape=4:5").body()).isEmpty();
        browser.keys("k");
        browser.see(".figures", "● clear");
        browser.withControl("z");
        browser.see(".figures", "left");
    }
}
