package embrick.server.found;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestBeds;
import embrick.server.support.TestBeds.Laid;
import embrick.server.support.TestPictures;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Offers over the API, on scans that are drawn: nothing changes before one is taken. */
@ExtendWith(RunningServer.class)
class FoundTest {
    private static final Color WHITE = new Color(241, 241, 239);
    private static final Laid ONE = new Laid(740, 545, 900, 640, 4);

    private final Api api = new Api(RunningServer.get().address());
    private String job;

    @BeforeEach
    void aJob() {
        job = api.newJob("found");
    }

    private String add(String name, byte[] file) {
        return api.upload(job, name, file).body().path("id").asString();
    }

    private Answer offer(String original, Map<String, ?> more) {
        Map<String, Object> request = new HashMap<>(more);
        request.put("wish", Map.of("ticket", api.firstTicket(job).path("document")));
        return api.post("/originals/" + original + "/found/scan-border", request);
    }

    @Test
    void findsAScanBorderAndTellsItsCorners() {
        String scan = add("one.png", TestBeds.scan(WHITE, ONE));
        JsonNode prints =
                api.get("/originals/" + scan + "/found").body().path("scan").path("prints");
        assertThat(prints).hasSize(1);
        assertThat(prints.get(0).path("confidence").asString()).isEqualTo("SURE");
        assertThat(prints.get(0).path("degrees").asDouble()).isCloseTo(4, within(0.1));
        JsonNode corner = prints.get(0).path("corners").get(0);
        double cos = Math.cos(Math.toRadians(4));
        double sin = Math.sin(Math.toRadians(4));
        assertThat(corner.path("x").asDouble() * TestBeds.WIDTH).isCloseTo(740 - 450 * cos + 320 * sin, within(1.0));
        assertThat(corner.path("y").asDouble() * TestBeds.HEIGHT).isCloseTo(545 - 450 * sin - 320 * cos, within(1.0));
        assertThat(api.get("/jobs/" + job + "/framings?shape=4:5").body()).isEmpty();
    }

    /** The frame of 4 : 5 inside 900 × 640 less the inset is as high as the print. */
    @Test
    void offersTheLoosestFrameInside() {
        String scan = add("one.png", TestBeds.scan(WHITE, ONE));
        JsonNode offer = offer(scan, Map.of("insetPercent", 1)).body();
        JsonNode framing = offer.path("framing");
        assertThat(framing.path("tiltDegrees").asDouble()).isCloseTo(-4, within(0.1));
        assertThat(framing.path("centreX").asDouble()).isCloseTo(740.0 / TestBeds.WIDTH, within(0.001));
        assertThat(offer.path("left").isNull()).isTrue();
        JsonNode plan = api.post(
                        "/originals/" + scan + "/plan",
                        Map.of("ticket", api.firstTicket(job).path("document"), "framing", framing))
                .body()
                .path("plan");
        double scale = plan.path("frame").path("scale").asDouble();
        assertThat(scale * plan.path("height").asInt()).isCloseTo(640 * 0.98, within(2.0));
    }

    @Test
    void refusesWhereNothingIsFound() {
        String picture = add("kite.jpg", TestPictures.drawn("jpg", 900, 600));
        Answer refused = offer(picture, Map.of());
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.code()).isEqualTo("no-scan-border");
        assertThat(offer(add("two.png", TestBeds.scan(WHITE, ONE)), Map.of("print", 3))
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/originals/" + picture + "/found/prints", Map.of()).code())
                .isEqualTo("no-prints");
    }

    @Test
    void findsHowFarAPictureLeans() {
        String sea = add("sea.png", TestBeds.horizon(2.4));
        JsonNode found = api.get("/originals/" + sea + "/found").body();
        assertThat(found.path("level").path("degrees").asDouble()).isCloseTo(2.4, within(0.1));
        assertThat(found.path("level").path("text").asString()).contains("lean right by 2.4°");
        JsonNode levelled = api.post("/originals/" + sea + "/found/level", Map.of("framing", centred()))
                .body();
        assertThat(levelled.path("tiltDegrees").asDouble()).isCloseTo(-2.4, within(0.1));
    }

    private static Map<String, Object> centred() {
        Map<String, Object> framing = new HashMap<>(
                Map.of("schemaVersion", 2, "centreX", 0.5, "centreY", 0.5, "tightness", 1, "tiltDegrees", 0));
        framing.putAll(Map.of("quarterTurns", 0, "mirror", "AS_IT_IS", "turn", "AS_TICKET", "corners", "COVERED"));
        framing.put("free", null);
        return framing;
    }

    /** Held against the scan itself: the part's pixels are the scan's, none touched. */
    @Test
    void makesAPictureOfEachPrint() throws IOException {
        byte[] bed = TestBeds.scan(
                WHITE,
                new Laid(380, 300, 520, 360, 3),
                new Laid(1090, 330, 540, 380, -4),
                new Laid(600, 800, 560, 380, 1.5));
        String scan = add("album/three.png", bed);
        Set<JsonNode> told = new LinkedHashSet<>();
        CompletableFuture<Answer> asked = CompletableFuture.supplyAsync(
                () -> api.post("/originals/" + scan + "/found/prints", Map.of("insetPercent", 0.3)));
        while (!asked.isDone()) {
            told.add(progress(scan));
        }
        Answer made = asked.join();
        assertThat(made.status()).isEqualTo(200);
        assertThat(told)
                .as("progress")
                .anySatisfy(one -> assertThat(one.path("all").asInt()).isEqualTo(3));
        assertThat(progress(scan).path("all").asInt())
                .as("nothing is under way")
                .isZero();
        assertThat(made.body()).hasSize(3);
        JsonNode first = made.body().get(0);
        assertThat(first.path("path").asString()).isEqualTo("album/three-print-1.tif");
        assertThat(first.path("derivedFrom").asString()).isEqualTo(scan);
        assertThat(first.path("state").asString()).isEqualTo("SOUND");

        BufferedImage print = ImageIO.read(new ByteArrayInputStream(
                api.download("/originals/" + first.path("id").asString() + "/file")));
        BufferedImage whole = ImageIO.read(new ByteArrayInputStream(bed));
        assertThat(isPartOf(print, whole)).isTrue();

        JsonNode framings = api.get("/jobs/" + job + "/framings?shape=4:5").body();
        assertThat(framings).hasSize(3);
        assertThat(framings.get(0).path("document").path("tiltDegrees").asDouble())
                .isNotZero();
        assertThat(original(scan).path("leftOut").asBoolean()).isTrue();
        // Asked for again, the same pictures stay.
        assertThat(api.post("/originals/" + scan + "/found/prints", Map.of()).body())
                .hasSize(3);
        assertThat(api.get("/jobs/" + job + "/originals").body()).hasSize(4);
    }

    private JsonNode progress(String scan) {
        return api.get("/originals/" + scan + "/found/prints/progress").body();
    }

    private JsonNode original(String id) {
        for (JsonNode one : api.get("/jobs/" + job + "/originals").body()) {
            if (one.path("id").asString().equals(id)) {
                return one;
            }
        }
        throw new AssertionError(id);
    }

    private static boolean isPartOf(BufferedImage part, BufferedImage whole) {
        for (int y = 0; y <= whole.getHeight() - part.getHeight(); y++) {
            for (int x = 0; x <= whole.getWidth() - part.getWidth(); x++) {
                if (isAt(part, whole, x, y)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean isAt(BufferedImage part, BufferedImage whole, int x, int y) {
        for (int dy = 0; dy < part.getHeight(); dy++) {
            for (int dx = 0; dx < part.getWidth(); dx++) {
                if (part.getRGB(dx, dy) != whole.getRGB(x + dx, y + dy)) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Three passes of a mean of 3 × 3 are a blur of variance 2. */
    @Test
    void anEdgeTellsItsBlurAndItIsUndoneForOnePicture() {
        String soft = add("soft.png", TestBeds.softEdge(3));
        JsonNode blur = api.post("/originals/" + soft + "/found/blur", Map.of("x", 0.5, "y", 0.5))
                .body();
        assertThat(blur.path("confidence").asString()).isEqualTo("SURE");
        assertThat(blur.path("radius").asDouble()).isCloseTo(Math.sqrt(2 + 1 / 12.0 - 0.55 * 0.55), within(0.1));
        JsonNode ticket = api.firstTicket(job).path("document");
        Map<String, Object> own = new HashMap<>();
        own.put("schemaVersion", 2);
        own.put("ppi", null);
        own.put("sharpening", Map.of("kind", "out-of-focus", "strength", 50, "radius", 1.4, "grain", 1));
        Map<String, Object> wish = Map.of("ticket", ticket, "override", own);
        JsonNode sharpening = api.post("/originals/" + soft + "/plan", wish)
                .body()
                .path("plan")
                .path("sharpening");
        assertThat(sharpening.path("steps").asInt()).isEqualTo(12);
        assertThat(sharpening.path("amount").isNull()).isTrue();
    }

    @Test
    void whereThereIsNoEdgeAnotherPlaceIsAskedFor() {
        String soft = add("soft.png", TestBeds.softEdge(3));
        Answer refused = api.post("/originals/" + soft + "/found/blur", Map.of("x", 0.05, "y", 0.5));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.code()).isEqualTo("no-edge");
        assertThat(api.post("/originals/" + soft + "/found/blur", Map.of("x", 2, "y", 0.5))
                        .status())
                .isEqualTo(422);
        String small = add("small.jpg", TestPictures.drawn("jpg", 90, 60));
        assertThat(api.post("/originals/" + small + "/found/blur", Map.of("x", 0.5, "y", 0.5))
                        .code())
                .isEqualTo("picture-too-small");
    }
}
