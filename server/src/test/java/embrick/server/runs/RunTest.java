package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

@ExtendWith(RunningServer.class)
class RunTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Path storage = RunningServer.get().storage();

    private String jobWith(String name, int pictures) {
        String job = api.newJob(name);
        for (int i = 0; i < pictures; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        return job;
    }

    private List<String> delivered(String folder) throws IOException {
        try (Stream<Path> files = Files.list(storage.resolve("deliveries").resolve(folder))) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void aLimitOfTheFileIsMetAndOneThatCannotBeIsSaid() throws IOException {
        String job = jobWith("limited", 1);
        api.changeFirstTicket(
                job, ticket -> ((ObjectNode) ticket.put("ppi", 60).path("file")).put("mostBytes", 20_000));
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("pieces").get(0).path("state").asString())
                .as(run.path("pieces").toString())
                .isEqualTo("CHECKED");
        assertThat(run.path("pieces").get(0).path("fileBytes").asLong()).isLessThanOrEqualTo(20_000);
        String id = run.path("run").path("id").asString();
        JsonNode delivered =
                api.get("/runs/" + id + "/delivery").body().path("pieces").get(0);
        assertThat(delivered.path("jpegQuality").asInt()).isBetween(1, 94);

        api.changeFirstTicket(job, ticket -> ((ObjectNode) ticket.path("file")).put("mostBytes", 5_000));
        JsonNode failed = api.finished(api.startRun(job)).path("pieces").get(0);
        assertThat(failed.path("problem").path("code").asString()).isEqualTo("file-limit");
        assertThat(failed.path("problem").path("text").asString())
                .contains("kite0.jpg cannot be made as small as 5 kB");
        Answer refused = api.sayFirstTicket(job, ticket -> ((ObjectNode) ticket.path("file")).put("mostBytes", 10));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().toString()).contains("\"file\"").contains("5 kB to 100 MB");
    }

    private void assertNothingTemporaryIsLeft() throws IOException {
        try (Stream<Path> making = Files.list(storage.resolve("making"))) {
            assertThat(making).isEmpty();
        }
    }

    @Test
    void everyPieceIsMadeCheckedAndListedBothWays() throws IOException {
        String job = jobWith("whole", 3);
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(3);
        String folder = run.path("run").path("folder").asString();
        assertThat(folder).isEqualTo("whole/prints-8x10");
        assertThat(delivered(folder)).containsExactly("kite0_8x10in.jpg", "kite1_8x10in.jpg", "kite2_8x10in.jpg");
        assertNothingTemporaryIsLeft();
        for (JsonNode piece : run.path("pieces")) {
            var picture = ImageIO.read(storage.resolve("deliveries")
                    .resolve(folder)
                    .resolve(piece.path("name").asString())
                    .toFile());
            assertThat(picture.getWidth()).isEqualTo(3000);
            assertThat(picture.getHeight()).isEqualTo(2400);
            JsonNode made = api.get("/originals/" + piece.path("originalId").asString() + "/pieces")
                    .body();
            assertThat(made.get(0).path("piece").path("name").asString())
                    .isEqualTo(piece.path("name").asString());
        }
    }

    @Test
    void sharpenedPiecesTellTheirHalo() {
        String job = jobWith("halo", 1);
        api.changeFirstTicket(job, document -> {
            ((ObjectNode) document.path("size").path("width")).put("value", 2);
            ((ObjectNode) document.path("size").path("height")).put("value", 3);
            ObjectNode sharpening =
                    document.putObject("sharpening").put("kind", "exact").put("strength", 100);
            sharpening.putObject("radius").put("value", 0.4).put("unit", "MM");
            sharpening.put("threshold", 0);
            document.putObject("file").put("kind", "png").put("depth", "SIXTEEN");
        });
        String runId = api.startRun(job);
        assertThat(api.finished(runId)
                        .path("run")
                        .path("counts")
                        .path("checked")
                        .asInt())
                .isEqualTo(1);
        JsonNode piece =
                api.get("/runs/" + runId + "/delivery").body().path("pieces").get(0);
        assertThat(piece.path("haloPercent").asDouble()).isGreaterThan(25);
        assertThat(piece.path("haloNoticed").asBoolean()).isTrue();
    }

    @Test
    void aJpegThatKeepsItsPixelsIsNotCodedAnew() throws IOException {
        String job = jobWith("kept", 1);
        api.changeFirstTicket(job, document -> {
            document.putObject("size").put("kind", "own");
            document.putArray("names").addObject().put("kind", "original");
        });
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(1);
        byte[] piece = Files.readAllBytes(storage.resolve("deliveries")
                .resolve(run.path("run").path("folder").asString())
                .resolve("kite0.jpg"));
        byte[] original = TestPictures.drawn("jpg", 300, 200);
        // The last thousand bytes are coded picture in both.
        assertThat(piece).endsWith(Arrays.copyOfRange(original, original.length - 1000, original.length));
        assertThat(piece.length).isNotEqualTo(original.length);
    }

    @Test
    void oneBadPictureStopsNoOther() {
        String job = jobWith("bad among good", 2);
        api.upload(job, "cut.jpg", TestPictures.cutShort(TestPictures.drawn("jpg", 400, 300)));
        api.upload(job, "notes.jpg", "words\n".getBytes(StandardCharsets.UTF_8));
        String runId = api.startRun(job);
        JsonNode run = api.finished(runId);
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(2);
        assertThat(run.path("run").path("counts").path("failed").asInt()).isEqualTo(1);
        assertThat(run.path("pieces")).hasSize(3);
        JsonNode problem = run.path("pieces").get(0).path("problem");
        assertThat(problem.path("text").asString()).startsWith("cut.jpg is cut short");
        assertThat(problem.path("remedy").asString()).isNotBlank();

        // A intact copy in its place, then this one again.
        api.upload(job, "cut.jpg", TestPictures.drawn("jpg", 400, 300));
        api.post("/runs/" + runId + "/retry", Map.of());
        JsonNode mended = api.finished(runId);
        assertThat(mended.path("run").path("counts").path("checked").asInt()).isEqualTo(3);
    }

    @Test
    void equalStemsBecomeDifferentNames() throws IOException {
        String job = api.newJob("names");
        api.upload(job, "a.png", TestPictures.drawn("png", 200, 160));
        api.upload(job, "a.jpg", TestPictures.drawn("jpg", 210, 160));
        api.upload(job, "sub/A.jpg", TestPictures.drawn("jpg", 220, 160));
        api.changeFirstTicket(
                job, document -> document.putArray("names").addObject().put("kind", "original"));
        JsonNode run = api.finished(api.startRun(job));
        assertThat(delivered(run.path("run").path("folder").asString())).containsExactly("A-3.jpg", "a-2.jpg", "a.jpg");
    }

    @Test
    void aNameThatClimbsOutIsRefusedBeforeTheRun() {
        String job = jobWith("climbs", 1);
        api.changeFirstTicket(job, document -> {
            document.putArray("names").addObject().put("kind", "words").put("text", "../../up");
        });
        String ticket = api.firstTicket(job).path("id").asString();
        Answer answer = api.post("/tickets/" + ticket + "/runs", Map.of());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.code()).isEqualTo("name-leaves-folder");
        assertThat(api.get("/jobs/" + job + "/runs").body()).isEmpty();
    }

    @Test
    void aFolderThatClimbsStaysBelowDeliveries() {
        String job = jobWith("folder climbs", 1);
        api.changeFirstTicket(job, document -> document.put("folder", "../../../tmp/up"));
        JsonNode run = api.finished(api.startRun(job));
        assertThat(storage.resolve("deliveries")
                        .resolve(run.path("run").path("folder").asString())
                        .normalize())
                .startsWith(storage.resolve("deliveries"));
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(1);
    }

    @Test
    void eachRunHasANewFolderAndNothingThatExistsIsTouched() throws IOException {
        String job = jobWith("twice", 1);
        Path taken = Files.createDirectories(storage.resolve("deliveries/twice/prints-8x10"));
        Path foreign = Files.writeString(taken.resolve("kite0_8x10in.jpg"), "somebody's file");
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("folder").asString()).isEqualTo("twice/prints-8x10-2");
        assertThat(foreign).hasContent("somebody's file");
        JsonNode again = api.finished(api.startRun(job));
        assertThat(again.path("run").path("folder").asString()).isEqualTo("twice/prints-8x10-3");
    }

    @Test
    void aStartThatIsSentTwiceIsOneRun() {
        String job = jobWith("idempotent", 1);
        String path = "/tickets/" + api.firstTicket(job).path("id").asString() + "/runs";
        String first = api.post(path, Map.of(), "Idempotency-Key", "k")
                .body()
                .path("id")
                .asString();
        String second = api.post(path, Map.of(), "Idempotency-Key", "k")
                .body()
                .path("id")
                .asString();
        assertThat(second).isEqualTo(first);
        api.finished(first);
        assertThat(api.get("/jobs/" + job + "/runs").body()).hasSize(1);
    }

    @Test
    void aStoppedRunIsResumedToItsEnd() throws IOException {
        String job = jobWith("stopped", 14);
        String runId = api.startRun(job);
        Answer stopped = api.post("/runs/" + runId + "/stop", Map.of());
        assertThat(stopped.body().path("state").asString()).isEqualTo("STOPPED");
        JsonNode halted = api.finished(runId);
        assertThat(halted.path("run").path("counts").path("stopped").asInt()).isPositive();
        assertNothingTemporaryIsLeft();
        api.post("/runs/" + runId + "/resume", Map.of());
        JsonNode done = api.finished(runId);
        assertThat(done.path("run").path("counts").path("checked").asInt()).isEqualTo(14);
        assertThat(delivered(done.path("run").path("folder").asString())).hasSize(14);
    }

    @Test
    void aPictureLeftOutIsNotMade() {
        String job = jobWith("left out", 2);
        String id =
                api.get("/jobs/" + job + "/originals").body().get(0).path("id").asString();
        api.put("/originals/" + id + "/left-out", Map.of("leftOut", true));
        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("pieces")).hasSize(1);
    }

    @Test
    void theZipHoldsEveryCheckedPieceAndTheList() throws IOException {
        String job = jobWith("zip", 2);
        String runId = api.startRun(job);
        JsonNode run = api.finished(runId);
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip =
                new ZipInputStream(new ByteArrayInputStream(api.download("/runs/" + runId + "/delivery.zip")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                if (entry.getName().endsWith(".jpg")) {
                    assertThat(zip.readAllBytes())
                            .isEqualTo(Files.readAllBytes(storage.resolve("deliveries")
                                    .resolve(run.path("run").path("folder").asString())
                                    .resolve(entry.getName().substring("prints-8x10/".length()))));
                }
            }
        }
        assertThat(names)
                .containsExactly(
                        "prints-8x10/kite0_8x10in.jpg",
                        "prints-8x10/kite1_8x10in.jpg",
                        "prints-8x10/certificate.json",
                        "prints-8x10/list.csv",
                        "prints-8x10/list.json");
        String csv = new String(api.download("/runs/" + runId + "/delivery.csv"), StandardCharsets.UTF_8);
        assertThat(csv.lines()).hasSize(3).element(1).asString().startsWith("kite0_8x10in.jpg,kite0.jpg,3000,2400,300");
    }

    /** Pieces that end at the same moment must not leave their run open. */
    @Test
    void everyRunSaysThatItIsFinished() {
        String job = jobWith("finished", 4);
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        for (int i = 0; i < 12; i++) {
            JsonNode run = api.finished(api.startRun(job));
            assertThat(run.path("run").path("state").asString()).isEqualTo("FINISHED");
            assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(4);
        }
    }

    @Test
    void nothingToPrintIsSaid() {
        String job = api.newJob("nothing");
        Answer answer = api.post("/tickets/" + api.firstTicket(job).path("id").asString() + "/runs", Map.of());
        assertThat(answer.code()).isEqualTo("nothing-to-print");
    }
}
