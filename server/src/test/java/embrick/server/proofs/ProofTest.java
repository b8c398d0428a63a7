package embrick.server.proofs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.Mirror;
import embrick.server.documents.FramingDocument;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What the proof shows is what the file holds. */
@ExtendWith(RunningServer.class)
class ProofTest {
    private static final JsonMapper JSON = new JsonMapper();

    private final Api api = new Api(RunningServer.get().address());
    private final Path storage = RunningServer.get().storage();

    private record Proofed(String job, String original, ObjectNode ticket) {}

    private Proofed job(String name, String fit, String depth) {
        String job = api.newJob(name);
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 700, 500));
        ObjectNode ticket = api.changeFirstTicket(job, document -> {
            ((ObjectNode) document.path("size").path("width")).put("value", 3);
            ((ObjectNode) document.path("size").path("height")).put("value", 4);
            ObjectNode fitting = document.putObject("fit").put("kind", fit).put("paper", "#F0E0D0");
            if (fit.equals("scale")) {
                fitting.put("printedPpi", 250).put("anchor", "RIGHT").put("marks", "NONE");
            }
            if (fit.equals("inside")) {
                fitting.put("anchor", "MIDDLE").put("marks", "NONE");
                fitting.putObject("margin").put("value", 0).put("unit", "MM");
            }
            document.putObject("sharpening").put("kind", "paper").put("paper", "MATT");
            document.putObject("file").put("kind", "png").put("depth", depth);
        });
        String original =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        return new Proofed(job, original, ticket);
    }

    private static ObjectNode request(Proofed proofed, String show, int x, int y, int width, int height) {
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", proofed.ticket());
        request.put("show", show);
        request.put("look", "OWN");
        request.putObject("region").put("x", x).put("y", y).put("width", width).put("height", height);
        return request;
    }

    private BufferedImage proof(ObjectNode request, String original) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(
                api.picture("/originals/" + original + "/proof", request, ProofController.HALO_HEADER)
                        .bytes()));
    }

    /** A map as large as the part: tinted where something was learned; see-through all over where a kernel enlarged. */
    @Test
    void whereDetailWasLearnedIsShown() throws IOException {
        Proofed proofed = job("learned", "fill", "EIGHT");
        ObjectNode request = request(proofed, "FILE", 300, 300, 200, 160);
        ((ObjectNode) request.path("ticket").path("resampling")).put("method", "LEARNED");
        BufferedImage map = map(request, proofed.original());
        assertThat(map.getWidth()).isEqualTo(200);
        assertThat(map.getHeight()).isEqualTo(160);
        assertThat(shown(map)).isPositive();
        ((ObjectNode) request.path("ticket").path("resampling")).put("method", "KEYS");
        assertThat(shown(map(request, proofed.original()))).isZero();
    }

    private BufferedImage map(ObjectNode request, String original) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(
                api.picture("/originals/" + original + "/learned-map", request, ProofController.HALO_HEADER)
                        .bytes()));
    }

    private static long shown(BufferedImage map) {
        int[] pixels = map.getRGB(0, 0, map.getWidth(), map.getHeight(), null, 0, map.getWidth());
        return Arrays.stream(pixels).filter(pixel -> pixel >>> 24 != 0).count();
    }

    @ParameterizedTest
    @CsvSource({
        "fill, 0, EIGHT, COVERED",
        "fill, 3.7, EIGHT, COVERED",
        "fill, -31, SIXTEEN, PAPER",
        "fill, 8, EIGHT, DRAWN_OUT",
        "inside, 0, EIGHT, COVERED",
        "inside, 12, SIXTEEN, COVERED",
        "scale, 0, EIGHT, COVERED",
        "scale, -6, SIXTEEN, COVERED"
    })
    void proofEqualsFile(String fit, double tilt, String depth, Corners corners) throws IOException {
        Proofed proofed = job("proof " + fit + tilt + corners, fit, depth);
        FramingDocument framing = FramingDocument.of(Framing.centred()
                .withTightness(corners == Corners.COVERED ? 1.3 : 1)
                .withTilt(tilt)
                .withQuarterTurns(tilt > 5 ? 1 : 0)
                .withMirror(tilt < 0 ? Mirror.MIRRORED : Mirror.AS_IT_IS)
                .withCorners(corners));
        String shape = api.post("/originals/" + proofed.original() + "/plan", Map.of("ticket", proofed.ticket()))
                .body()
                .path("plan")
                .path("shapeKey")
                .asString();
        Answer kept = api.put(
                "/originals/" + proofed.original() + "/framings/" + shape,
                Map.of("document", framing, "accepted", true),
                "If-Match",
                "\"-1\"");
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);

        var run = api.finished(api.startRun(proofed.job()));
        BufferedImage file = ImageIO.read(storage.resolve("deliveries")
                .resolve(run.path("run").path("folder").asString())
                .resolve(run.path("pieces").get(0).path("name").asString())
                .toFile());
        int[][] places = {{0, 0, file.getWidth(), file.getHeight()}, {411, 257, 300, 200}, {5, 700, 333, 77}};
        for (int[] place : places) {
            BufferedImage proof =
                    proof(request(proofed, "FILE", place[0], place[1], place[2], place[3]), proofed.original());
            assertThat(samples(proof.getRaster()))
                    .isEqualTo(
                            samples(file.getRaster().createChild(place[0], place[1], place[2], place[3], 0, 0, null)));
            assertThat(proof.getSampleModel().getSampleSize(0)).isEqualTo(depth.equals("EIGHT") ? 8 : 16);
        }
    }

    private static int[] samples(Raster raster) {
        return raster.getPixels(0, 0, raster.getWidth(), raster.getHeight(), (int[]) null);
    }

    @Test
    void aReducedSheetIsLikeTheFileOnFewerPixels() throws IOException {
        Proofed proofed = job("proof reduced", "fill", "EIGHT");
        BufferedImage whole = proof(request(proofed, "UNSHARPENED", 0, 0, 1200, 900), proofed.original());
        ObjectNode request = request(proofed, "UNSHARPENED", 0, 0, 300, 225).put("reduction", 4);
        BufferedImage reduced = proof(request, proofed.original());
        double difference = 0;
        for (int y = 0; y < 225; y++) {
            for (int x = 0; x < 300; x++) {
                int sum = 0;
                for (int i = 0; i < 16; i++) {
                    sum += whole.getRaster().getSample(x * 4 + i % 4, y * 4 + i / 4, 1);
                }
                difference += Math.abs(sum / 16.0 - reduced.getRaster().getSample(x, y, 1));
            }
        }
        // Lanczos against a mean of 4 × 4: like, not equal; a shift by one reduced pixel would be 8 and more.
        assertThat(difference / (300 * 225)).isLessThan(2.5);
        request.put("reduction", 0.5);
        assertThat(api.post("/originals/" + proofed.original() + "/proof", request)
                        .status())
                .isEqualTo(422);
    }

    @Test
    void contoursLieOnTheSheetStrongestFirst() {
        Proofed proofed = job("proof contours", "fill", "EIGHT");
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", proofed.ticket());
        JsonNode spots = api.post("/originals/" + proofed.original() + "/contours", request)
                .body();
        assertThat(spots).isNotEmpty();
        double before = 1;
        for (JsonNode spot : spots) {
            assertThat(spot.path("x").asInt()).isBetween(0, 1199);
            assertThat(spot.path("y").asInt()).isBetween(0, 899);
            assertThat(spot.path("strength").asDouble()).isBetween(0.0, before);
            before = spot.path("strength").asDouble();
        }
    }

    @Test
    void theHaloComesWithSharpeningAndOnlyThen() {
        Proofed proofed = job("proof halo", "fill", "EIGHT");
        String path = "/originals/" + proofed.original() + "/proof";
        String halo = api.picture(path, request(proofed, "FILE", 0, 0, 900, 900), ProofController.HALO_HEADER)
                .header();
        assertThat(Double.parseDouble(halo)).isBetween(1.0, 40.0);
        assertThat(api.picture(path, request(proofed, "UNSHARPENED", 0, 0, 900, 900), ProofController.HALO_HEADER)
                        .header())
                .isEmpty();
    }

    @Test
    void theOriginalIsShownInItsOwnPixels() throws IOException {
        // Enlarged 2.4 times, neighbours of one original pixel are equal; as the file they are not.
        Proofed proofed = job("proof original", "fill", "EIGHT");
        BufferedImage own = proof(request(proofed, "ORIGINAL", 300, 300, 200, 200), proofed.original());
        BufferedImage made = proof(request(proofed, "FILE", 300, 300, 200, 200), proofed.original());
        assertThat(equalNeighbours(own)).isGreaterThan(200 * 199 / 3);
        assertThat(samples(own.getRaster())).isNotEqualTo(samples(made.getRaster()));
    }

    private static int equalNeighbours(BufferedImage picture) {
        int equal = 0;
        for (int y = 0; y < picture.getHeight(); y++) {
            for (int x = 1; x < picture.getWidth(); x++) {
                equal += picture.getRGB(x, y) == picture.getRGB(x - 1, y) ? 1 : 0;
            }
        }
        return equal;
    }

    @Test
    void aPartOutsideTheSheetIsRefusedWithARemedy() {
        Proofed proofed = job("proof outside", "fill", "EIGHT");
        Answer answer =
                api.post("/originals/" + proofed.original() + "/proof", request(proofed, "FILE", 1100, 0, 200, 10));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.code()).isEqualTo("outside-sheet");
    }
}
