package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.storage.DeliveryFolders;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Deliveries that go elsewhere than to the storage. */
@ExtendWith(RunningServer.class)
class TargetsTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Path root = RunningServer.get().root();
    private String name;
    private Path folder;
    private String job;

    @BeforeEach
    void aFolder() throws IOException {
        name = "shop " + UUID.randomUUID();
        folder = Files.createDirectory(root.resolve(name));
        job = api.newJob("elsewhere");
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
    }

    private JsonNode openFolder() {
        api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", name));
        return Await.until(
                "the folder to be taken in",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                view -> view.path("intake").isNull() && view.path("looked").asBoolean());
    }

    private static Map<String, Object> folderTarget(String path) {
        return Map.of("kind", "FOLDER", "root", RunningServer.ROOT, "path", path);
    }

    @Test
    void aNewFolderBesideTheOriginalsIsNotTakenForOriginals() throws IOException {
        for (String path : List.of("a/one.jpg", "a/two.jpg", "b/three.jpg")) {
            Files.createDirectories(folder.resolve(path).getParent());
            Files.write(folder.resolve(path), TestPictures.drawn("jpg", 300 + path.length(), 200));
        }
        openFolder();
        assertThat(api.put("/jobs/" + job + "/target", Map.of("kind", "BESIDE_ORIGINALS"))
                        .body()
                        .path("target")
                        .path("kind")
                        .asString())
                .isEqualTo("BESIDE_ORIGINALS");
        String run = api.startRun(job);
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(3);

        Path delivered = folder.resolve("prints-8x10");
        assertThat(delivered.resolve("one_8x10in.jpg")).exists();
        assertThat(api.get("/runs/" + run + "/delivery").body().path("place").asString())
                .isEqualTo(delivered.toString());
        assertThat(api.get("/runs/" + run + "/delivery").body().path("pieces"))
                .allSatisfy(piece -> assertThat(piece.path("onDisk").asString()).isEqualTo("PRESENT"));
        assertThat(openFolder().path("fresh").asInt()).isZero();

        // Of two pictures in one folder: beside these, and never into a folder that is there.
        JsonNode pile = api.get("/jobs/" + job + "/originals").body();
        List<String> ofA = List.of(
                pile.path(0).path("id").asString(), pile.path(1).path("id").asString());
        String ticket = api.firstTicket(job).path("id").asString();
        String second = api.post("/tickets/" + ticket + "/runs", Map.of("originalIds", ofA))
                .body()
                .path("id")
                .asString();
        api.finished(second);
        assertThat(folder.resolve("a/prints-8x10")).isDirectory();

        // Its files go with the run, if that is wished, and the originals stay.
        assertThat(api.delete("/runs/" + second + "?files=DELETED").status()).isEqualTo(204);
        assertThat(folder.resolve("a/prints-8x10")).doesNotExist();
        assertThat(folder.resolve("a/one.jpg")).exists();
    }

    @Test
    void picturesThatWereSentHaveNoFolderToBeBeside() throws IOException {
        api.upload(job, "sent.jpg", TestPictures.drawn("jpg", 300, 200));
        String ticket = api.firstTicket(job).path("id").asString();
        Answer refused = api.post("/tickets/" + ticket + "/runs", Map.of("target", Map.of("kind", "BESIDE_ORIGINALS")));
        assertThat(refused.code()).isEqualTo("not-beside");
        assertThat(api.get("/jobs/" + job + "/runs").body()).isEmpty();
    }

    @Test
    void anAllowedFolderGetsOneOfTheJobAndNoOtherDoes() throws IOException {
        api.upload(job, "sent.jpg", TestPictures.drawn("jpg", 300, 200));
        assertThat(api.put("/jobs/" + job + "/target", folderTarget("..")).code())
                .isEqualTo("target-unfit");
        assertThat(api.put("/jobs/" + job + "/target", folderTarget("not there"))
                        .code())
                .isEqualTo("target-unfit");
        assertThat(api.put("/jobs/" + job + "/target", Map.of("kind", "FOLDER")).status())
                .isEqualTo(422);
        assertThat(api.put("/jobs/" + job + "/target", folderTarget(name)).status())
                .isEqualTo(200);
        api.finished(api.startRun(job));
        assertThat(folder.resolve("elsewhere/prints-8x10/sent_8x10in.jpg")).exists();
        assertThat(folder.resolve("elsewhere/prints-8x10/" + DeliveryFolders.MARK))
                .exists();
    }

    /** A run's own target is held to what a job's is, and none of them is a full disk. */
    @ParameterizedTest
    @ValueSource(strings = {"..", "/etc", "not there", "a/../..", "elsewhere/../../.."})
    void aRunGoesNowhereThatIsNotAllowed(String path) {
        api.upload(job, "sent.jpg", TestPictures.drawn("jpg", 300, 200));
        String ticket = api.firstTicket(job).path("id").asString();
        Map<String, Object> there = Map.of("kind", "FOLDER", "root", RunningServer.ROOT, "path", path);
        Answer refused = api.post("/tickets/" + ticket + "/runs", Map.of("target", there));
        assertThat(refused.status()).as("%s", refused.body()).isEqualTo(422);
        assertThat(refused.code()).isEqualTo("target-unfit");
        Map<String, Object> unknown = Map.of("kind", "FOLDER", "root", "no such root", "path", "");
        assertThat(api.post("/jobs/" + job + "/runs", Map.of("target", unknown)).code())
                .isEqualTo("target-unfit");
        assertThat(api.get("/jobs/" + job + "/runs").body()).isEmpty();
    }

    @Test
    void aFolderThatGoesAwayHoldsTheRunUpAndItGoesOnWhenItIsBack() throws IOException {
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.put("/jobs/" + job + "/target", folderTarget(name));
        String run = api.startRun(job);
        api.finished(run);
        Path away = root.resolve(name + " away");
        Files.delete(folder.resolve("elsewhere/prints-8x10/kite1_8x10in.jpg"));
        Files.move(folder, away);
        api.post("/runs/" + run + "/retry", Map.of());
        JsonNode paused = Await.until(
                "the run to pause",
                () -> api.get("/runs/" + run).body().path("run"),
                view -> view.path("state").asString().equals("PAUSED"));
        assertThat(paused.path("pause").path("code").asString()).isEqualTo("folder-gone");
        Files.move(away, folder);
        // Those that were there are put aside by nobody: they are what was checked, and are taken as done.
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(3);
        assertThat(folder.resolve("elsewhere/prints-8x10/kite1_8x10in.jpg")).exists();
    }

    @Test
    void anotherFileSystemGetsTheFilesAsWell() throws IOException {
        Path other = RunningServer.get().other();
        assertThat(Files.getFileStore(other))
                .isNotEqualTo(Files.getFileStore(RunningServer.get().storage()));
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 300, 200));
        Map<String, Object> there = Map.of("kind", "FOLDER", "root", RunningServer.OTHER, "path", "");
        String ticket = api.firstTicket(job).path("id").asString();
        String run = api.post("/tickets/" + ticket + "/runs", Map.of("target", there))
                .body()
                .path("id")
                .asString();
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(1);
        Path delivered = other.resolve("elsewhere/prints-8x10");
        assertThat(delivered).isDirectoryContaining("glob:**/kite_8x10in.jpg");
        try (var files = Files.list(delivered)) {
            assertThat(files).as("no temporary is left").hasSize(2);
        }
    }
}
