package embrick.server.backgrounds;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Grown backgrounds from the ticket to the finished file: looked at, accepted, kept, declined. */
@ExtendWith(RunningServer.class)
class BackgroundsTest {
    private static final int WIDTH = 480;
    private static final int HEIGHT = 360;

    private final Api api = new Api(RunningServer.get().address());

    private static void length(ObjectNode into, String name, double value) {
        into.putObject(name).put("value", value).put("unit", "IN");
    }

    /** 4 × 3 in at 100 ppi with bands of 0.3 in that are grown, as PNG. */
    private static void wrapped(ObjectNode document) {
        length((ObjectNode) document.path("size"), "width", 4);
        length((ObjectNode) document.path("size"), "height", 3);
        document.put("ppi", 100);
        document.putObject("file").put("kind", "png").put("depth", "EIGHT");
        ObjectNode edges = document.putObject("edges").put("kind", "wrap").put("marks", "NONE");
        for (String part : new String[] {"bar", "allowance"}) {
            ObjectNode sides = edges.putObject(part);
            for (String side : new String[] {"top", "right", "bottom", "left"}) {
                length(sides, side, part.equals("bar") ? 0.3 : 0);
            }
        }
        edges.putObject("fill").put("kind", "grown");
    }

    private record Made(String job, String original, ObjectNode ticket) {}

    private Made job(String name, byte[] picture) {
        String job = api.newJob(name);
        assertThat(api.upload(job, "picture.png", picture).status()).isEqualTo(200);
        ObjectNode ticket = api.changeFirstTicket(job, BackgroundsTest::wrapped);
        return new Made(job, api.original(job, "picture.png"), ticket);
    }

    private JsonNode background(Made made, Map<String, Object> more) {
        Map<String, Object> wish = new HashMap<>(more);
        wish.put("ticket", made.ticket());
        return Await.until(
                "the background to be grown",
                () -> {
                    Answer answer = api.post("/originals/" + made.original() + "/background", wish);
                    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
                    return answer.body();
                },
                background -> !background.path("state").asString().equals("GROWING"));
    }

    private void override(Made made, Map<String, Object> background) {
        Map<String, Object> document = new HashMap<>();
        document.put("schemaVersion", 2);
        document.put("ppi", null);
        document.put("sharpening", null);
        document.put("background", background);
        Map<String, Object> change = Map.of(
                "originalId",
                made.original(),
                "ticketId",
                api.firstTicket(made.job()).path("id").asString(),
                "version",
                -1,
                "document",
                document);
        Answer answer = api.post(
                "/jobs/" + made.job() + "/edits",
                Map.of("words", "accepted", "framings", List.of(), "overrides", List.of(change)));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    }

    private JsonNode piece(Made made) {
        return api.finished(api.startRun(made.job())).path("pieces").get(0);
    }

    private BufferedImage proof(Made made, int width, int height, Double reduction) throws IOException {
        Map<String, Object> wish = new HashMap<>();
        wish.put("ticket", made.ticket());
        wish.put("region", Map.of("x", 0, "y", 0, "width", width, "height", height));
        wish.put("show", "FILE");
        wish.put("look", "OWN");
        if (reduction != null) {
            wish.put("reduction", reduction);
        }
        return ImageIO.read(
                new ByteArrayInputStream(api.picture("/originals/" + made.original() + "/proof", wish, "none")
                        .bytes()));
    }

    private static int[] pixels(BufferedImage picture) {
        return picture.getRGB(0, 0, picture.getWidth(), picture.getHeight(), null, 0, picture.getWidth());
    }

    private BufferedImage delivered(Made made) throws IOException {
        JsonNode run = api.finished(api.startRun(made.job()));
        assertThat(run.path("pieces").get(0).path("state").asString())
                .as(run.path("pieces").toString())
                .isEqualTo("CHECKED");
        String id = run.path("pieces").get(0).path("id").asString();
        return ImageIO.read(new ByteArrayInputStream(api.download("/pieces/" + id + "/file")));
    }

    @Test
    void onceItIsAcceptedTheFileHasThePixelsOfTheProof() throws IOException {
        Made made = job("Sand", TestPictures.sand(WIDTH, HEIGHT, 1));

        assertThat(piece(made).path("problem").path("code").asString()).isEqualTo("background-not-accepted");

        JsonNode estimate = api.post(
                        "/jobs/" + made.job() + "/estimate", Map.of("ticket", made.ticket(), "jobName", "Sand"))
                .body()
                .path("pictures")
                .get(0);
        assertThat(estimate.path("width").asInt())
                .as("it is planned all the same")
                .isEqualTo(460);
        assertThat(estimate.path("held").path("code").asString()).isEqualTo("background-not-accepted");

        JsonNode ready = background(made, Map.of());
        assertThat(ready.path("state").asString()).as(ready.toString()).isEqualTo("READY");
        assertThat(ready.path("likeness").asDouble()).isBetween(0.7, 1.0);
        BufferedImage proof = proof(made, 460, 360, null);
        override(made, Map.of("accepted", ready.path("key").asString()));

        assertThat(pixels(delivered(made))).isEqualTo(pixels(proof));

        BufferedImage small = proof(made, 230, 180, 2.0);
        for (int x = 2; x < 220; x += 7) {
            int green = small.getRGB(x, 3) >> 8 & 0xFF;
            int mean = 0;
            for (int i = 0; i < 4; i++) {
                mean += proof.getRGB(x * 2 + i % 2, 6 + i / 2) >> 8 & 0xFF;
            }
            assertThat(Math.abs(green - mean / 4)).isLessThanOrEqualTo(2);
        }
    }

    @Test
    void anotherAttemptIsAnotherBackgroundAndHasToBeAcceptedItself() throws IOException {
        Made made = job("Sand again", TestPictures.sand(WIDTH, HEIGHT, 2));
        String first = background(made, Map.of()).path("key").asString();
        Map<String, Object> document = new HashMap<>();
        document.put("schemaVersion", 2);
        document.put("ppi", null);
        document.put("sharpening", null);
        document.put("background", Map.of("attempt", 2));

        String second =
                background(made, Map.of("override", document)).path("key").asString();
        assertThat(second).isNotEqualTo(first);

        override(made, Map.of("attempt", 2, "accepted", first));
        assertThat(piece(made).path("problem").path("code").asString()).isEqualTo("background-not-accepted");
    }

    @Test
    void whereTheEdgeCutsThroughDetailItIsDeclinedAndCanBeFilledAnotherWay() throws IOException {
        Made made = job("Balloon", TestPictures.cutBalloon(WIDTH, HEIGHT, 3));

        JsonNode declined = background(made, Map.of());

        assertThat(declined.path("state").asString()).as(declined.toString()).isEqualTo("DECLINED");
        assertThat(declined.path("reason").asString()).contains("cuts through detail");
        assertThat(declined.path("places")).isNotEmpty();
        Answer likeness =
                api.post("/originals/" + made.original() + "/background/likeness", Map.of("ticket", made.ticket()));
        assertThat(likeness.status()).isEqualTo(409);

        override(made, Map.of("accepted", declined.path("key").asString()));
        JsonNode failed = piece(made);
        assertThat(failed.path("problem").path("code").asString())
                .as(failed.toString())
                .isEqualTo("background-declined");
        assertThat(failed.path("problem").path("text").asString()).startsWith("picture.png");

        Made other = job("Balloon mirrored", TestPictures.cutBalloon(WIDTH, HEIGHT, 3));
        override(other, Map.of("instead", "MIRROR"));
        assertThat(piece(other).path("state").asString()).isEqualTo("CHECKED");
    }

    @Test
    void aProofThatComesTooEarlySaysWhatIsToBeDone() throws IOException {
        Made made = job("Too early", TestPictures.sand(WIDTH, HEIGHT, 4));
        Answer early = api.post(
                "/originals/" + made.original() + "/proof",
                Map.of(
                        "ticket",
                        made.ticket(),
                        "region",
                        Map.of("x", 0, "y", 0, "width", 50, "height", 50),
                        "show",
                        "FILE",
                        "look",
                        "OWN"));

        assertThat(early.status()).isEqualTo(409);
        assertThat(early.code()).isEqualTo("background-not-grown");
    }

    @Test
    void aKeptBackgroundThatWasDamagedIsGrownAgainTheSame() throws IOException {
        Made made = job("Damaged", TestPictures.sand(WIDTH, HEIGHT, 5));
        String key = background(made, Map.of()).path("key").asString();
        BufferedImage before = proof(made, 460, 360, null);
        Path samples;
        try (Stream<Path> files = Files.walk(RunningServer.get().storage().resolve("backgrounds"))) {
            samples = files.filter(file -> file.toString().endsWith(key + ".samples"))
                    .findFirst()
                    .orElseThrow();
        }
        byte[] bytes = Files.readAllBytes(samples);
        bytes[1000] ^= 0x55;
        Files.delete(samples);
        Files.write(samples, bytes);

        assertThat(background(made, Map.of()).path("state").asString()).isEqualTo("READY");

        assertThat(pixels(proof(made, 460, 360, null))).isEqualTo(pixels(before));
    }

    @Test
    void aDeletedPictureTakesItsBackgroundsWithIt() throws IOException {
        Made made = job("Deleted", TestPictures.sand(WIDTH, HEIGHT, 6));
        String key = background(made, Map.of()).path("key").asString();

        assertThat(api.delete("/jobs/" + made.job()).status()).isEqualTo(204);

        try (Stream<Path> files = Files.walk(RunningServer.get().storage().resolve("backgrounds"))) {
            assertThat(files.filter(file -> file.toString().contains(key))).isEmpty();
        }
    }
}
