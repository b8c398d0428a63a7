package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Sha256;
import java.awt.Color;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class IntakeTest {
    private final Api api = new Api(RunningServer.get().address());
    private final byte[] picture = TestPictures.drawn("jpg", 600, 400);

    @Test
    void aPictureArrivesWithItsFacts() {
        String job = api.newJob("facts");
        JsonNode original = api.upload(job, "evening/kite.jpg", picture).body();
        assertThat(original.path("state").asString()).isEqualTo("SOUND");
        assertThat(original.path("path").asString()).isEqualTo("evening/kite.jpg");
        assertThat(original.path("facts").path("width").asInt()).isEqualTo(600);
        assertThat(original.path("facts").path("unpackedBytes").asLong()).isEqualTo(600L * 400 * 3);
        assertThat(api.download("/originals/" + original.path("id").asString() + "/file"))
                .isEqualTo(picture);
        assertThat(api.download("/originals/" + original.path("id").asString() + "/small?edge=384"))
                .isNotEmpty();
    }

    /** A picture of another kind, a JPEG, and one that is blurred: what is told follows into the plan. */
    @Test
    void whatAPictureHoldsIsMeasuredAsItArrives() {
        String job = api.newJob("detail");
        byte[] sharp = TestPictures.paved(900, 700, 3);
        JsonNode png = api.upload(job, "slabs.png", sharp).body();
        JsonNode blurred =
                api.upload(job, "soft.png", TestPictures.blurred(sharp, "png")).body();
        JsonNode jpeg = api.upload(job, "kite.jpg", picture).body();
        double held = png.path("facts").path("detail").path("heldShare").asDouble();
        double left = blurred.path("facts").path("detail").path("heldShare").asDouble();
        assertThat(held).isPositive();
        assertThat(left).isPositive().isLessThan(0.7 * held);
        assertThat(png.path("facts").path("detail").path("jpegQuality").isNull())
                .isTrue();
        assertThat(jpeg.path("facts").path("detail").path("jpegQuality").asInt())
                .isEqualTo(75);
        JsonNode again = api.upload(api.newJob("detail again"), "soft.png", TestPictures.blurred(sharp, "png"))
                .body();
        assertThat(again.path("facts").path("detail"))
                .isEqualTo(blurred.path("facts").path("detail"));

        JsonNode plan = api.post(
                        "/originals/" + blurred.path("id").asString() + "/plan",
                        Map.of("ticket", api.changeFirstTicket(job, _ -> {})))
                .body()
                .path("plan");
        assertThat(plan.path("heldPpi").asDouble() / plan.path("realPpi").asDouble())
                .isCloseTo(left, within(1e-9));
    }

    @Test
    void sendingItAgainChangesNothing() {
        String job = api.newJob("again");
        String first = api.upload(job, "kite.jpg", picture).body().path("id").asString();
        String second = api.upload(job, "kite.jpg", picture).body().path("id").asString();
        assertThat(second).isEqualTo(first);
        assertThat(api.get("/jobs/" + job + "/originals").body()).hasSize(1);
    }

    private static Map<String, Object> offered(String path, byte[] content) {
        return Map.of("path", path, "fileBytes", content.length, "digest", Sha256.of(content));
    }

    private List<String> missing(String job, Object... files) {
        List<String> missing = new ArrayList<>();
        api.post("/jobs/" + job + "/intake", Map.of("files", List.of(files)))
                .body()
                .path("missing")
                .forEach(path -> missing.add(path.asString()));
        return missing;
    }

    @Test
    void aFolderDroppedAgainBringsOnlyWhatHasNotArrived() {
        String job = api.newJob("folder");
        api.upload(job, "a/kite.jpg", picture);
        assertThat(missing(job, offered("a/kite.jpg", picture), offered("b/kite.jpg", picture)))
                .containsExactly("b/kite.jpg");
    }

    /** An uncompressed TIFF that was edited keeps its length: only its content tells. */
    @Test
    void aFileThatWasEditedInPlaceIsAskedForAndStandsBesideTheOldOne() {
        String job = api.newJob("edited");
        byte[] before = TestPictures.drawn("bmp", 90, 60, Color.ORANGE);
        byte[] after = TestPictures.drawn("bmp", 90, 60, Color.GREEN);
        assertThat(after).hasSameSizeAs(before);
        api.upload(job, "kite.bmp", before);
        assertThat(missing(job, offered("kite.bmp", after))).containsExactly("kite.bmp");
    }

    @Test
    void twoPicturesOfOneLengthAreToldApart() {
        String job = api.newJob("same length");
        byte[] padded = Arrays.copyOf(TestPictures.drawn("jpg", 600, 400, Color.GREEN), 40_000);
        byte[] other = Arrays.copyOf(TestPictures.drawn("jpg", 600, 400, Color.BLUE), 40_000);
        api.upload(job, "kite.jpg", padded);
        assertThat(missing(job, offered("kite.jpg", padded))).isEmpty();
        assertThat(missing(job, offered("kite.jpg", other))).containsExactly("kite.jpg");
        assertThat(api.upload(job, "kite.jpg", other).body().path("path").asString())
                .isEqualTo("kite (2).jpg");
        assertThat(missing(job, offered("kite.jpg", other), offered("kite.jpg", padded)))
                .isEmpty();
    }

    /** Without a digest nothing is taken for known: sending it again changes nothing, not sending it loses it. */
    @Test
    void withoutADigestAFileOfKnownPathAndLengthIsUnsure() {
        String job = api.newJob("unsure");
        api.upload(job, "kite.jpg", picture);
        JsonNode answer = api.post(
                        "/jobs/" + job + "/intake",
                        Map.of("files", List.of(Map.of("path", "kite.jpg", "fileBytes", picture.length))))
                .body();
        assertThat(answer.path("missing").get(0).asString()).isEqualTo("kite.jpg");
        assertThat(answer.path("unsure").get(0).asString()).isEqualTo("kite.jpg");
    }

    @Test
    void nothingAmongTheFilesOfAnOfferIsSaidByItsPlace() {
        String job = api.newJob("null");
        Answer answer = api.post("/jobs/" + job + "/intake", "{\"files\":[null]}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().path("detail").asString()).startsWith("files[0]");
    }

    @Test
    void aWholeCopyTakesThePlaceOfABrokenOne() {
        String job = api.newJob("mended");
        JsonNode broken =
                api.upload(job, "kite.jpg", TestPictures.cutShort(picture)).body();
        assertThat(broken.path("state").asString()).isEqualTo("BROKEN");
        assertThat(broken.path("problem").path("text").asString()).contains("cut short after");
        JsonNode mended = api.upload(job, "kite.jpg", picture).body();
        assertThat(mended.path("id").asString()).isEqualTo(broken.path("id").asString());
        assertThat(mended.path("state").asString()).isEqualTo("SOUND");
    }

    /** It is shown with where its damage begins, and no piece is made of it until somebody says so. */
    @Test
    void aDamagedPictureIsShownAndPrintedOnlyIfSomebodySaysSo() {
        String job = api.newJob("damaged");
        JsonNode damaged =
                api.upload(job, "kite.jpg", TestPictures.cutShort(picture)).body();
        String id = damaged.path("id").asString();
        assertThat(damaged.path("facts").path("width").asInt()).isPositive();
        assertThat(damaged.path("damage").path("from").asString()).isEqualTo("TOP");
        assertThat(damaged.path("damage").path("share").asDouble()).isBetween(0.2, 0.9);
        assertThat(api.get("/originals/" + id + "/small?edge=384").status()).isEqualTo(200);
        assertThat(onlyPieceOf(job).path("state").asString()).isEqualTo("FAILED");

        JsonNode said = api.put("/originals/" + id + "/printed-damaged", Map.of("printed", true))
                .body();
        assertThat(said.path("printedDamaged").asBoolean()).isTrue();
        assertThat(said.path("state").asString()).isEqualTo("BROKEN");
        assertThat(onlyPieceOf(job).path("state").asString()).isEqualTo("CHECKED");

        api.put("/originals/" + id + "/printed-damaged", Map.of("printed", false));
        assertThat(onlyPieceOf(job).path("state").asString()).isEqualTo("FAILED");
        api.upload(job, "kite.jpg", picture);
        assertThat(onlyPieceOf(job).path("state").asString()).isEqualTo("CHECKED");
    }

    private JsonNode onlyPieceOf(String job) {
        JsonNode run = api.post("/tickets/" + api.firstTicket(job).path("id").asString() + "/runs", Map.of())
                .body();
        return api.finished(run.path("id").asString()).path("pieces").get(0);
    }

    @Test
    void whatIsSoundOrCannotBeSeenNeedsNoWordToBePrinted() {
        String job = api.newJob("no word");
        for (byte[] content : List.of(picture, new byte[0])) {
            String id = api.upload(job, "p" + content.length + ".jpg", content)
                    .body()
                    .path("id")
                    .asString();
            Answer refused = api.put("/originals/" + id + "/printed-damaged", Map.of("printed", true));
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.body().path("code").asString()).isEqualTo("not-damaged");
        }
    }

    @Test
    void anotherPictureOfTheSameNameStandsBesideASoundOne() {
        String job = api.newJob("beside");
        api.upload(job, "a/kite.jpg", picture);
        JsonNode other = api.upload(job, "a/kite.jpg", TestPictures.drawn("jpg", 300, 300))
                .body();
        assertThat(other.path("path").asString()).isEqualTo("a/kite (2).jpg");
    }

    @Test
    void whatIsNoPictureIsListedWithItsReasonAndStopsNothing() {
        String job = api.newJob("bad");
        Map<String, byte[]> files = Map.of(
                "empty.jpg", new byte[0],
                "cut.jpg", TestPictures.cutShort(picture),
                "notes.jpg", "shot list\n".getBytes(StandardCharsets.UTF_8),
                "huge.png", hugePng(),
                "layers.tif", new byte[] {'8', 'B', 'P', 'S', 0, 1, 0, 0, 0, 0, 0, 0});
        files.forEach((path, bytes) ->
                assertThat(api.upload(job, path, bytes).status()).isEqualTo(200));
        api.upload(job, "sound.jpg", picture);
        Map<String, String> states = new java.util.TreeMap<>();
        api.get("/jobs/" + job + "/originals").body().forEach(original -> {
            states.put(original.path("path").asString(), original.path("state").asString());
            if (!original.path("state").asString().equals("SOUND")) {
                assertThat(original.path("problem").path("text").asString()).isNotBlank();
                assertThat(original.path("problem").path("remedy").asString()).isNotBlank();
            }
        });
        assertThat(states)
                .containsEntry("empty.jpg", "BROKEN")
                .containsEntry("cut.jpg", "BROKEN")
                .containsEntry("notes.jpg", "NOT_FOR_EMBRICK")
                .containsEntry("huge.png", "TOO_LARGE")
                .containsEntry("layers.tif", "NOT_FOR_EMBRICK")
                .containsEntry("sound.jpg", "SOUND");
    }

    /** A header of 60000 × 60000 on an otherwise small file. */
    private static byte[] hugePng() {
        byte[] png = TestPictures.drawn("png", 40, 40);
        ByteBuffer.wrap(png).putInt(16, 60_000).putInt(20, 60_000);
        return png;
    }

    @Test
    void aControlCharacterAndALengthHaveCodesOfTheirOwn() {
        String job = api.newJob("names");
        Answer bell = api.upload(job, "ki\u0007te.jpg", picture);
        assertThat(bell.status()).isEqualTo(422);
        assertThat(bell.code()).isEqualTo("path-control-character");
        assertThat(bell.body().path("detail").asString()).contains("ki\ufffdte.jpg");
        assertThat(api.upload(job, "a/".repeat(600) + "kite.jpg", picture).code())
                .isEqualTo("path-too-long");
    }

    @ParameterizedTest
    @ValueSource(strings = {"../kite.jpg", "/etc/kite.jpg", "a/../../kite.jpg", "a//kite.jpg", "a\\kite.jpg", "."})
    void aPathThatClimbsOutIsRefused(String path) throws IOException {
        String job = api.newJob("climbs");
        Answer answer = api.upload(job, path, picture);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.code()).isEqualTo("path-leaves-folder");
        try (Stream<Path> incoming = Files.list(RunningServer.get().storage().resolve("incoming"))) {
            assertThat(incoming).isEmpty();
        }
    }

    @Test
    void originalsOfEqualContentAreKeptOnce() throws IOException {
        String job = api.newJob("shared");
        byte[] unusual = TestPictures.drawn("png", 123, 77);
        String digest =
                api.upload(job, "one.png", unusual).body().path("digest").asString();
        api.upload(job, "two.png", unusual);
        try (Stream<Path> kept =
                Files.list(RunningServer.get().storage().resolve("originals").resolve(digest.substring(0, 2)))) {
            assertThat(kept.filter(file -> file.getFileName().toString().equals(digest)))
                    .hasSize(1);
        }
    }

    @Test
    void aJobThatIsGoneIsToldAsSuch() {
        Answer answer = api.upload("00000000-0000-7000-8000-000000000000", "kite.jpg", picture);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.code()).isEqualTo("not-found");
    }
}
