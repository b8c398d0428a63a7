package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A pass through fifty pictures by keys alone. Each picture carries its own coordinates in its colours, in 16 bits: a pixel
 * of a finished file says which place of the original it shows, and that place is worked out here from the framing by
 * arithmetic of our own.
 */
@InBrowser
class PassTest {
    private static final int PICTURES = 50;
    /** Red runs from 0 to 65 535 across the picture, green down it. */
    private static final double MOST = 65_535;

    private final Browser browser = Browser.get();
    private final String address = RunningServer.get().address();
    private final Api api = new Api(address);

    private static int width(int picture) {
        return picture % 3 == 0 ? 300 : 360 + picture;
    }

    private static int height(int picture) {
        return picture % 3 == 0 ? 380 + picture : 260;
    }

    private String job() throws IOException {
        String job = api.newJob("A pass");
        for (int picture = 0; picture < PICTURES; picture++) {
            api.upload(job, "p%02d.png".formatted(picture), CoordinatePicture.png(width(picture), height(picture)));
        }
        api.changeFirstTicket(job, ticket -> {
            ((ObjectNode) ticket.path("size").path("width")).put("value", 2);
            ((ObjectNode) ticket.path("size").path("height")).put("value", 2.5);
            ticket.put("ppi", 100);
            ticket.putObject("file").put("kind", "png").put("depth", "SIXTEEN");
        });
        return job;
    }

    /** One key for most; every fifth needs a few. */
    private static CharSequence[] keysFor(int picture) {
        return switch (picture) {
            case 2 -> new CharSequence[] {"w", "w", "w", "w", Keys.ARROW_LEFT};
            case 7 -> new CharSequence[] {"s", "s", "s", "s", "s", "s", "s", "s", "s", "s", "s", "s"};
            case 12 -> new CharSequence[] {"m", "w", "w", "w", Keys.ARROW_UP, Keys.ARROW_UP};
            case 17 -> new CharSequence[] {"b"};
            case 22 -> new CharSequence[] {"b", "b", "b", "a", "a", "a", "w", "w"};
            case 27 -> new CharSequence[] {"t"};
            case 32 -> new CharSequence[] {"m", "b", "s", "s", "s", "s", "s", "s", "w", "w", "w", Keys.ARROW_RIGHT};
            case 37 -> new CharSequence[] {"b", "m", "w", "w", "w", Keys.ARROW_DOWN, Keys.ARROW_RIGHT};
            case 42 -> new CharSequence[] {"w", "w", "a", "a", "0"};
            case 47 -> new CharSequence[] {"s", "s", "w", "w", "w", "w", Keys.ARROW_LEFT, Keys.ARROW_LEFT};
            default -> new CharSequence[0];
        };
    }

    @Test
    void fiftyPicturesByKeysAlone() throws IOException {
        String job = job();
        browser.open(address + "/jobs/" + job + "/bench");
        browser.find(".stage-picture");
        int keys = 0;
        for (int picture = 0; picture < PICTURES; picture++) {
            String here = "p%02d".formatted(picture);
            for (CharSequence key : keysFor(picture)) {
                browser.until(_ ->
                        (here + ".png").equals(browser.script("return document.querySelector('.stage-picture')?.alt"))
                                        && browser.text(".column-here").contains(here)
                                ? true
                                : null);
                browser.keys(key);
                keys++;
            }
            browser.keys(Keys.ENTER);
            keys++;
        }
        browser.see(".ant-message", "That was the last picture");
        browser.see(".column header", "50 of 50");
        assertThat(keys).isLessThan(3 * PICTURES);

        JsonNode run = api.finished(api.startRun(job));
        Map<String, JsonNode> framings = new HashMap<>();
        for (JsonNode framing : api.get("/jobs/" + job + "/framings?shape=4:5").body()) {
            assertThat(framing.path("accepted").asBoolean()).isTrue();
            framings.put(framing.path("originalId").asString(), framing.path("document"));
        }
        assertThat(framings).hasSize(PICTURES);
        Path folder = RunningServer.get()
                .storage()
                .resolve("deliveries")
                .resolve(run.path("run").path("folder").asString());
        for (JsonNode piece : run.path("pieces")) {
            String name = piece.path("name").asString();
            int picture = Integer.parseInt(name.substring(1, 3));
            JsonNode framing = framings.get(piece.path("originalId").asString());
            Raster file = ImageIO.read(folder.resolve(name).toFile()).getRaster();
            assertThat(file.getDataBuffer().getDataType()).isEqualTo(DataBuffer.TYPE_USHORT);
            checkPlaces(name, file, framing, width(picture), height(picture));
        }
        assertThat(framings.values())
                .anyMatch(framing -> framing.path("tiltDegrees").asDouble() > 1.1);
        assertThat(framings.values())
                .anyMatch(framing -> framing.path("mirror").asString().equals("MIRRORED"));
        assertThat(framings.values())
                .anyMatch(framing -> framing.path("quarterTurns").asInt() == 3);
        assertThat(framings.values())
                .anyMatch(framing -> framing.path("turn").asString().equals("WIDE"));
    }

    private static void checkPlaces(String name, Raster file, JsonNode framing, int width, int height) {
        for (double[] share : new double[][] {{0.5, 0.5}, {0.2, 0.3}, {0.8, 0.25}, {0.31, 0.83}}) {
            int u = (int) (share[0] * file.getWidth());
            int v = (int) (share[1] * file.getHeight());
            double[] named = named(framing, width, height, file.getWidth(), file.getHeight(), u + 0.5, v + 0.5);
            double x = file.getSample(u, v, 0) / MOST * width;
            double y = file.getSample(u, v, 1) / MOST * height;
            assertThat(x).as("%s at %d, %d: x, %s", name, u, v, framing).isCloseTo(named[0], within(1.0));
            assertThat(y).as("%s at %d, %d: y, %s", name, u, v, framing).isCloseTo(named[1], within(1.0));
        }
    }

    /**
     * The place of the original that a framing names for a place of the sheet, by the definitions alone: the sheet's pixels
     * go back through scale and tilt to the seen picture, and from there through quarter turns and mirror.
     */
    private static double[] named(
            JsonNode framing, int width, int height, int sheetWidth, int sheetHeight, double u, double v) {
        int turns = framing.path("quarterTurns").asInt();
        boolean mirrored = framing.path("mirror").asString().equals("MIRRORED");
        double tilt = Math.toRadians(framing.path("tiltDegrees").asDouble());
        double seenWidth = turns % 2 == 0 ? width : height;
        double seenHeight = turns % 2 == 0 ? height : width;
        double cos = Math.cos(Math.abs(tilt));
        double sin = Math.sin(Math.abs(tilt));
        double scale = Math.min(
                        seenWidth / (sheetWidth * cos + sheetHeight * sin),
                        seenHeight / (sheetWidth * sin + sheetHeight * cos))
                / framing.path("tightness").asDouble();
        double x = framing.path("centreX").asDouble() * width;
        double y = framing.path("centreY").asDouble() * height;
        // A framing that was tilted after it was moved is held inside: as far as the frame reaches.
        double[] centre = seen(x, y, width, height, mirrored, turns);
        double reachAcross = scale * (sheetWidth * cos + sheetHeight * sin) / 2;
        double reachDown = scale * (sheetWidth * sin + sheetHeight * cos) / 2;
        double centreX = Math.min(Math.max(centre[0], reachAcross), seenWidth - reachAcross);
        double centreY = Math.min(Math.max(centre[1], reachDown), seenHeight - reachDown);
        double du = (u - sheetWidth / 2.0) * scale;
        double dv = (v - sheetHeight / 2.0) * scale;
        // A positive tilt turns the picture clockwise under the sheet: the sheet's axes lie turned back in it.
        double seenX = centreX + Math.cos(-tilt) * du - Math.sin(-tilt) * dv;
        double seenY = centreY + Math.sin(-tilt) * du + Math.cos(-tilt) * dv;
        return original(seenX, seenY, width, height, mirrored, turns);
    }

    private static double[] seen(double x, double y, int width, int height, boolean mirrored, int turns) {
        double[] place = {mirrored ? width - x : x, y};
        double acrossNow = width;
        double downNow = height;
        for (int turn = 0; turn < turns; turn++) {
            place = new double[] {downNow - place[1], place[0]};
            double before = acrossNow;
            acrossNow = downNow;
            downNow = before;
        }
        return place;
    }

    private static double[] original(double x, double y, int width, int height, boolean mirrored, int turns) {
        double[] place = {x, y};
        double acrossNow = turns % 2 == 0 ? width : height;
        double downNow = turns % 2 == 0 ? height : width;
        for (int turn = 0; turn < turns; turn++) {
            place = new double[] {place[1], acrossNow - place[0]};
            double before = acrossNow;
            acrossNow = downNow;
            downNow = before;
        }
        return new double[] {mirrored ? width - place[0] : place[0], place[1]};
    }
}
