package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A background is grown, looked at, tried again, accepted and printed, by the keyboard alone. */
@InBrowser
class GrownBackgroundTest {
    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    private static void wrapped(ObjectNode document) {
        ObjectNode size = document.putObject("size").put("kind", "paper");
        size.putObject("width").put("value", 4).put("unit", "IN");
        size.putObject("height").put("value", 3).put("unit", "IN");
        document.put("ppi", 100);
        document.putObject("file").put("kind", "png").put("depth", "EIGHT");
        ObjectNode edges = document.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        for (String side : new String[] {"left", "top", "right", "bottom"}) {
            edges.withObject("bar").putObject(side).put("value", 0.3).put("unit", "IN");
            edges.withObject("allowance").putObject(side).put("value", 0).put("unit", "IN");
        }
        edges.putObject("fill").put("kind", "grown");
    }

    private String job(String name, byte[] picture) {
        String job = api.newJob(name);
        api.upload(job, "picture.png", picture);
        api.changeFirstTicket(job, GrownBackgroundTest::wrapped);
        return job;
    }

    @Test
    void itIsAcceptedByAKeyAndPrinted() throws IOException {
        String job = job("Sand to grow", TestPictures.sand(480, 360, 7));
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".grown-bar", "% like the picture");
        browser.keys("w");
        browser.find(".proof-lines image");
        browser.keys("t");
        browser.find(".grown-progress");
        browser.see(".grown-bar", "% like the picture");
        browser.keys("a");
        browser.see(".grown-accepted", "Accepted");

        JsonNode piece = api.finished(api.startRun(job)).path("pieces").get(0);

        assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
        BufferedImage file = ImageIO.read(new ByteArrayInputStream(
                api.download("/pieces/" + piece.path("id").asString() + "/file")));
        assertThat(file.getWidth()).isEqualTo(460);
        browser.button("Take back").click();
        browser.see(".grown-bar", "Accept background");
    }

    @Test
    void whereItIsDeclinedAnotherFillIsOneButtonAway() {
        String job = job("Balloon at the edge", TestPictures.cutBalloon(480, 360, 7));
        browser.open(address + "/jobs/" + job + "/proof");
        browser.see(".grown-declined", "cuts through detail");
        browser.find(".growing-picture rect");
        browser.button("Mirrored instead").click();

        browser.find(".proof-pan");
        JsonNode piece = api.finished(api.startRun(job)).path("pieces").get(0);
        assertThat(piece.path("state").asString()).as(piece.toString()).isEqualTo("CHECKED");
    }
}
