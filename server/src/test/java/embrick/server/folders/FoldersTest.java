package embrick.server.folders;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.support.Together;
import embrick.testing.Await;
import embrick.testing.Sha256;
import java.awt.Color;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Pictures that are opened where they lie: never written to, never printed other than they were taken in. */
@ExtendWith(RunningServer.class)
class FoldersTest {
    private static final Instant LONG_AGO = Instant.parse("2026-01-02T03:04:05.123456789Z");

    private final Api api = new Api(RunningServer.get().address());
    private final Path root = RunningServer.get().root();
    private String name;
    private Path folder;

    @BeforeEach
    void makeFolder() throws IOException {
        name = "set " + UUID.randomUUID();
        folder = Files.createDirectory(root.resolve(name));
    }

    private Path write(String path, byte[] content) throws IOException {
        Path file = folder.resolve(path);
        Files.createDirectories(file.getParent());
        Files.write(file, content);
        Files.setLastModifiedTime(file, FileTime.from(LONG_AGO));
        return file;
    }

    private static byte[] kite(int width, Color colour) {
        return TestPictures.drawn("jpg", width, 300, colour);
    }

    private JsonNode open(String job) {
        Answer answer = api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", name));
        assertThat(answer.status()).isEqualTo(201);
        return takenIn(job);
    }

    /** The job's only folder once nothing of it is being taken in, looked at after that. */
    private JsonNode takenIn(String job) {
        return Await.until(
                "the folder to be taken in",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                view -> view.path("intake").isNull()
                        && view.path("looked").asBoolean()
                        && view.path("fresh").asInt() == 0);
    }

    private JsonNode seen(String job, java.util.function.Predicate<JsonNode> wanted) {
        return Await.until(
                "the folder as it is wanted",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                wanted);
    }

    private JsonNode pile(String job) {
        return api.get("/jobs/" + job + "/originals").body();
    }

    @Test
    void twoJobsTakeInOneFolderSideBySide() throws Exception {
        List<String> digests = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            byte[] content = kite(300 + i, Color.BLUE);
            write("kite%02d.jpg".formatted(i), content);
            digests.add(Sha256.of(content));
        }
        List<String> jobs = List.of(api.newJob("side by side"), api.newJob("side by side, too"));
        Together.all(
                jobs.stream().map(job -> (Callable<JsonNode>) () -> open(job)).toList());
        for (String job : jobs) {
            assertThat(pile(job))
                    .allMatch(one -> one.path("state").asString().equals("SOUND"))
                    .extracting(one -> one.path("digest").asString())
                    .containsExactlyElementsOf(digests);
        }
    }

    @Test
    void picturesAreTakenInWhereTheyLieAndPrinted() throws IOException {
        byte[] first = kite(400, Color.RED);
        Path file = write("day one/kite.jpg", first);
        write("kite.png", TestPictures.drawn("png", 300, 200));
        write("notes.txt", "no picture".getBytes(StandardCharsets.UTF_8));
        write(".hidden.jpg", first);
        write("Thumbs.db", first);
        String job = api.newJob("in place");
        JsonNode view = open(job);
        assertThat(view.path("refused")).isEmpty();

        JsonNode pile = pile(job);
        assertThat(pile)
                .extracting(one -> one.path("path").asString())
                .containsExactly("day one/kite.jpg", "kite.png", "notes.txt");
        assertThat(pile.path(0).path("inPlace").path("root").asString()).isEqualTo(RunningServer.ROOT);
        assertThat(pile.path(0).path("inPlace").path("path").asString()).isEqualTo(name + "/day one/kite.jpg");
        assertThat(pile.path(2).path("state").asString()).isEqualTo("NOT_FOR_EMBRICK");
        String digest = Sha256.of(first);
        assertThat(RunningServer.get()
                        .storage()
                        .resolve("originals")
                        .resolve(digest.substring(0, 2))
                        .resolve(digest))
                .as("nothing is copied")
                .doesNotExist();

        JsonNode run = api.finished(api.startRun(job));
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(2);
        assertThat(Files.readAllBytes(file)).isEqualTo(first);
        assertThat(Files.getLastModifiedTime(file).toInstant()).isEqualTo(LONG_AGO);

        // Opening it again changes nothing; deleting the job leaves the folder as it is.
        open(job);
        assertThat(pile(job)).hasSize(3);
        assertThat(api.delete("/jobs/" + job).status()).isEqualTo(204);
        assertThat(file).exists();
    }

    @ParameterizedTest
    @ValueSource(strings = {"changed", "changed, same size and time", "gone", "leads out"})
    void whatIsNoLongerAsItWasIsRefusedByNameAndToldInItsFolder(String how) throws IOException {
        byte[] own = java.util.Arrays.copyOf(kite(420, Color.BLUE), 40_000);
        Path file = write("kite.jpg", own);
        String job = api.newJob("lost in place: " + how);
        open(job);
        switch (how) {
            case "changed" -> Files.write(file, kite(300, Color.RED));
            case "changed, same size and time" ->
                write("kite.jpg", java.util.Arrays.copyOf(kite(420, Color.RED), 40_000));
            case "gone" -> Files.delete(file);
            default -> {
                Path outside = Files.createTempFile("embrick-outside", ".jpg");
                Files.write(outside, own);
                Files.delete(file);
                Files.createSymbolicLink(file, outside);
            }
        }
        String runId = api.startRun(job);
        JsonNode piece = api.finished(runId).path("pieces").path(0);
        assertThat(piece.path("problem").path("code").asString()).isEqualTo("original-lost");
        assertThat(piece.path("problem").path("text").asString()).startsWith("kite.jpg ");
        assertThat(piece.path("name").asString()).isNotEmpty();

        if (!how.equals("changed, same size and time")) {
            String list = how.equals("changed") ? "changed" : "vanished";
            assertThat(seen(job, view -> view.path(list).size() == 1)
                            .path(list)
                            .path(0)
                            .asString())
                    .isEqualTo(pile(job).path(0).path("id").asString());
        }

        // The former file in its place again: the same piece is made.
        Files.deleteIfExists(file);
        write("kite.jpg", own);
        api.post("/runs/" + runId + "/retry", Map.of());
        assertThat(api.finished(runId).path("pieces").path(0).path("state").asString())
                .isEqualTo("CHECKED");
    }

    @Test
    void newFilesAreOfferedAndChangedOnesTakenWhenAsked() throws IOException {
        write("a.jpg", kite(400, Color.RED));
        String job = api.newJob("offered");
        String folderId = open(job).path("id").asString();
        String before = pile(job).path(0).path("digest").asString();
        write("b.jpg", kite(410, Color.RED));
        write("a.jpg", kite(400, Color.GREEN));

        JsonNode offered = seen(
                job,
                view -> view.path("fresh").asInt() == 1 && view.path("changed").size() == 1);
        assertThat(offered.path("freshNames").path(0).asString()).isEqualTo("b.jpg");
        assertThat(pile(job)).as("only offered").hasSize(1);

        api.post("/folders/" + folderId + "/intake", Map.of("changed", false));
        takenIn(job);
        assertThat(pile(job)).hasSize(2);
        assertThat(pile(job).path(0).path("digest").asString())
                .as("not asked for")
                .isEqualTo(before);

        api.post("/folders/" + folderId + "/intake", Map.of("changed", true));
        seen(job, view -> view.path("intake").isNull() && view.path("changed").isEmpty());
        assertThat(pile(job)).hasSize(2);
        assertThat(pile(job).path(0).path("digest").asString()).isNotEqualTo(before);
        assertThat(api.finished(api.startRun(job)).path("pieces"))
                .allSatisfy(piece -> assertThat(piece.path("state").asString())
                        .as(piece.path("problem").toString())
                        .isEqualTo("CHECKED"))
                .hasSize(2);
    }

    @Test
    void damagedAndUnreadableFilesStopNoOther() throws IOException {
        write("broken.jpg", TestPictures.cutShort(kite(900, Color.RED)));
        write("a\\b.jpg", kite(300, Color.RED));
        write("sound.jpg", kite(310, Color.RED));
        String job = api.newJob("some are not sound");
        api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", name));
        JsonNode view = seen(
                job, now -> now.path("intake").isNull() && !now.path("refused").isEmpty());
        assertThat(view.path("refused").path(0).path("problem").asString()).contains("a\\b.jpg");
        assertThat(pile(job)).extracting(one -> one.path("state").asString()).containsExactly("BROKEN", "SOUND");
    }

    @ParameterizedTest
    @ValueSource(strings = {"..", "../..", "%s/../..", "/etc", "way out", "loop/../../.."})
    void nothingOutsideARootIsReached(String path) throws IOException {
        Path out = root.resolve("way out");
        if (!Files.exists(out, java.nio.file.LinkOption.NOFOLLOW_LINKS)) {
            Files.createSymbolicLink(out, Files.createTempDirectory("embrick-elsewhere"));
        }
        String asked = path.formatted(name);
        String job = api.newJob("out");
        assertThat(api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", asked))
                        .status())
                .isBetween(400, 499);
        String query = URLEncoder.encode(asked, StandardCharsets.UTF_8);
        assertThat(api.get("/roots/" + RunningServer.ROOT + "/folder?below=" + query)
                        .status())
                .isBetween(400, 499);
        assertThat(api.get("/jobs/" + job + "/folders").body()).isEmpty();
    }

    @Test
    void rootsAreBrowsed() throws IOException {
        write("one/a.jpg", kite(300, Color.RED));
        write("two/b.jpg", kite(300, Color.RED));
        write("c.jpg", kite(300, Color.RED));
        Files.createDirectory(folder.resolve(".cache"));
        JsonNode roots = api.get("/roots").body();
        assertThat(roots.path(0).path("isThere").asBoolean()).isTrue();
        assertThat(roots.path(2).path("isThere").asBoolean()).isFalse();
        JsonNode listing = api.get("/roots/" + RunningServer.ROOT + "/folder?below="
                        + URLEncoder.encode(name, StandardCharsets.UTF_8))
                .body();
        assertThat(listing.path("folders")).extracting(JsonNode::asString).containsExactly("one", "two");
        assertThat(listing.path("files").asInt()).isEqualTo(1);
        assertThat(api.get("/roots/away/folder").code()).isEqualTo("folder-away");
        assertThat(api.get("/roots/unheard-of/folder").code()).isEqualTo("folder-unknown");
        String job = api.newJob("away");
        assertThat(api.post("/jobs/" + job + "/folders", Map.of("root", "away", "path", ""))
                        .code())
                .isEqualTo("folder-away");
    }

    @Test
    void aFileThatIsBeingCopiedIsTakenWhenItIsWhole() throws Exception {
        byte[] whole = kite(1200, Color.ORANGE);
        Path file = folder.resolve("slow.jpg");
        Files.write(file, List.of());
        Thread copying = Thread.ofVirtual().start(() -> {
            // Pauses far below the time after which a file counts as still, however busy this machine is.
            int part = whole.length / 60 + 1;
            for (int from = 0; from < whole.length; from += part) {
                try {
                    Files.write(
                            file,
                            java.util.Arrays.copyOfRange(whole, from, Math.min(whole.length, from + part)),
                            java.nio.file.StandardOpenOption.CREATE,
                            java.nio.file.StandardOpenOption.APPEND);
                    Thread.sleep(50);
                } catch (IOException | InterruptedException failed) {
                    throw new IllegalStateException(failed);
                }
            }
        });
        String job = api.newJob("slow");
        open(job);
        copying.join();
        assertThat(pile(job).path(0).path("digest").asString()).isEqualTo(Sha256.of(whole));
        assertThat(pile(job).path(0).path("state").asString()).isEqualTo("SOUND");
    }

    @Test
    void aRunWaitsForTheDiskThatItsOriginalsLieOn() throws IOException {
        write("kite.jpg", kite(430, Color.RED));
        String job = api.newJob("disk away");
        open(job);
        Path away = root.resolveSibling(root.getFileName() + "-unmounted");
        Files.move(root, away);
        String runId;
        try {
            Files.createDirectory(root);
            runId = api.startRun(job);
            JsonNode run = Await.until(
                    "the run to pause",
                    () -> api.get("/runs/" + runId).body().path("run"),
                    view -> view.path("state").asString().equals("PAUSED"));
            assertThat(run.path("pause").path("code").asString()).isEqualTo("originals-away");
            assertThat(seen(job, view -> !view.path("away").isNull()).path("vanished"))
                    .as("nothing is told of pictures that cannot be seen")
                    .isEmpty();
        } finally {
            Files.delete(root);
            Files.move(away, root);
        }
        assertThat(api.finished(runId).path("pieces").path(0).path("state").asString())
                .isEqualTo("CHECKED");
    }

    /** Of zeros that take no room on the disk, and a while to be read. */
    private void writeSparse(String path, byte[] head, long bytes) throws IOException {
        Path file = write(path, head);
        try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
            sparse.setLength(bytes);
        }
        Files.setLastModifiedTime(file, FileTime.from(LONG_AGO));
    }

    /** As many as there are threads for pictures, and one more. */
    @Test
    void whatIsSentDoesNotWaitForLargeFilesToBeReadAndReadingIsStopped() throws IOException {
        int files = Runtime.getRuntime().availableProcessors() + 1;
        for (int i = 0; i < files; i++) {
            writeSparse("large" + i + ".tif", new byte[] {'I', 'I', 42, 0, (byte) (i + 8), 0, 0, 0}, 12L << 30);
        }
        String job = api.newJob("Large files");
        api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", name));
        JsonNode view = Await.until(
                "a large file to be read",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                folder -> folder.at("/intake/readBytes").asLong() > 0);
        assertThat(view.at("/intake/bytes").asLong()).isEqualTo(files * (12L << 30));
        assertThat(api.upload(job, "kite.jpg", kite(400, Color.BLUE))
                        .body()
                        .path("state")
                        .asString())
                .isEqualTo("SOUND");
        JsonNode during = api.get("/jobs/" + job + "/folders").body().path(0);
        assertThat(during.at("/intake/done").asInt(-1)).isZero();
        api.delete("/folders/" + during.path("id").asString() + "/intake");
        Await.until(
                "the intake to end",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                folder -> folder.path("intake").isNull() && folder.path("fresh").asInt() == files);
    }

    @Test
    void aFileLargerThanAnyPictureOfItsKindIsRefusedUnread() throws IOException {
        writeSparse("endless.jpg", new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF}, 50L << 30);
        write("kite.jpg", kite(400, Color.BLUE));
        String job = api.newJob("Endless");
        api.post("/jobs/" + job + "/folders", Map.of("root", RunningServer.ROOT, "path", name));
        JsonNode view = Await.until(
                "the intake to end",
                () -> api.get("/jobs/" + job + "/folders").body().path(0),
                folder -> folder.path("intake").isNull()
                        && !folder.path("refused").isEmpty());
        assertThat(view.at("/refused/0/reason").asString())
                .isEqualTo("endless.jpg has 53687 MB; a JPEG that is opened has at most 1067 MB.");
        assertThat(api.get("/jobs/" + job + "/originals").body()).hasSize(1);
    }
}
