package embrick.server.trials;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Outside;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.node.ObjectNode;

/** The strip's PDF is looked at by poppler-utils (Debian): its pictures, their ppi, its words. */
@ExtendWith(RunningServer.class)
class TrialStripTest {
    private static final int SIDE = 300;
    private static final int RIM = 12;

    @TempDir
    private Path folder;

    private final Api api = new Api(RunningServer.get().address());

    /** Of 8 × 10 in at 200 ppi: 2000 × 1600 px. */
    private Map<String, Object> wish(ObjectNode ticket, double tilt) {
        ObjectNode strong = ticket.deepCopy();
        strong.putObject("sharpening")
                .put("kind", "exact")
                .put("strength", 80)
                .put("threshold", 0)
                .putObject("radius")
                .put("value", 0.2)
                .put("unit", "MM");
        ObjectNode none = ticket.deepCopy();
        none.putObject("sharpening").put("kind", "none");
        Map<String, Object> wish = new TreeMap<>();
        Map<String, Object> framing = new TreeMap<>(Api.framing(0.5, 1.3));
        framing.put("tiltDegrees", tilt);
        wish.put("framing", framing);
        wish.put(
                "settings",
                List.of(
                        Map.of("words", "not sharpened", "ticket", none),
                        Map.of("words", "strength 80", "ticket", strong)));
        wish.put("places", List.of(Map.of("x", 101, "y", 57), Map.of("x", 1200, "y", 900)));
        wish.put("width", SIDE);
        wish.put("height", SIDE);
        wish.put("paperWidth", 210);
        wish.put("paperHeight", 297);
        return wish;
    }

    private String original;

    private ObjectNode ticket(String name) {
        String job = api.newJob(name);
        api.upload(job, "sand.png", TestPictures.sand(1500, 1200, 7));
        original = api.original(job, "sand.png");
        ObjectNode ticket = (ObjectNode) api.firstTicket(job).path("document");
        ticket.put("ppi", 200);
        return ticket;
    }

    private BufferedImage proof(Map<String, Object> wish, int setting, int place) throws IOException {
        Map<String, Object> asked = new TreeMap<>();
        asked.put("ticket", ((Map<?, ?>) ((List<?>) wish.get("settings")).get(setting)).get("ticket"));
        asked.put("framing", wish.get("framing"));
        Map<String, Object> region = new TreeMap<>();
        ((Map<?, ?>) ((List<?>) wish.get("places")).get(place))
                .forEach((key, value) -> region.put(key.toString(), value));
        region.put("width", SIDE);
        region.put("height", SIDE);
        asked.put("region", region);
        asked.put("show", "FILE");
        asked.put("look", "OWN");
        byte[] png = api.picture("/originals/" + original + "/proof", asked, "Content-Type")
                .bytes();
        return ImageIO.read(new ByteArrayInputStream(png));
    }

    /** The largest difference of any channel, {@code rim} pixels inside. */
    private static int difference(BufferedImage one, BufferedImage other, int rim) {
        assertThat(one.getWidth()).isEqualTo(other.getWidth()).isEqualTo(SIDE);
        int most = 0;
        for (int y = rim; y < SIDE - rim; y++) {
            for (int x = rim; x < SIDE - rim; x++) {
                for (int shift = 0; shift <= 16; shift += 8) {
                    int a = one.getRGB(x, y) >> shift & 255;
                    int b = other.getRGB(x, y) >> shift & 255;
                    most = Math.max(most, Math.abs(a - b));
                }
            }
        }
        return most;
    }

    private Path strip(Map<String, Object> wish) throws IOException {
        Path pdf = folder.resolve("strip.pdf");
        Files.write(
                pdf,
                api.picture("/originals/" + original + "/trial-strip", wish, "Content-Type")
                        .bytes());
        return pdf;
    }

    @Test
    void cropsAreThePiecesOwnPixelsAtFinalSizeWithTheirNamesBeneath() throws IOException {
        for (double tilt : new double[] {0, 3.7}) {
            Map<String, Object> wish = wish(ticket("Trial " + tilt), tilt);
            Path pdf = strip(wish);
            assertThat(Outside.run("pdftotext", "-layout", pdf.toString(), "-"))
                    .contains("not sharpened", "strength 80");
            String list = Outside.run("pdfimages", "-list", pdf.toString());
            assertThat(list.lines().skip(2))
                    .hasSize(4)
                    .allSatisfy(line ->
                            assertThat(line).contains(SIDE + "   " + SIDE).containsPattern("\\s200\\s+200\\s"));
            Outside.run(
                    "pdfimages", "-png", pdf.toString(), folder.resolve("crop").toString());
            for (int place = 0; place < 2; place++) {
                for (int setting = 0; setting < 2; setting++) {
                    BufferedImage crop = ImageIO.read(folder.resolve("crop-00" + (2 * place + setting) + ".png")
                            .toFile());
                    // Along its rim sharpening does not see what lies beyond.
                    assertThat(difference(crop, proof(wish, setting, place), setting == 0 ? 0 : RIM))
                            .as("tilt %s, place %s, setting %s", tilt, place, setting)
                            .isLessThanOrEqualTo(1);
                }
            }
            assertThat(difference(proof(wish, 0, 0), proof(wish, 1, 0), RIM)).isGreaterThan(5);
        }
    }

    @Test
    void aPlaceBeyondThePictureAndACropThatDoesNotFitAreRefusedWithTheirRemedy() {
        Map<String, Object> wish = wish(ticket("Beyond"), 0);
        wish.put("places", List.of(Map.of("x", 1800, "y", 0)));
        Answer beyond = api.post("/originals/" + original + "/trial-strip", wish);
        assertThat(beyond.code()).isEqualTo("outside-picture");
        wish.put("places", List.of(Map.of("x", 0, "y", 0)));
        wish.put("width", 1590);
        Answer large = api.post("/originals/" + original + "/trial-strip", wish);
        assertThat(large.code()).isEqualTo("crop-too-large");
        assertThat(large.body().path("detail").asString()).contains("202 × 38 mm");
    }
}
