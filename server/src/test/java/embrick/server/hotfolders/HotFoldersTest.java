package embrick.server.hotfolders;

import static java.util.Objects.requireNonNull;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.hotfolders.HotFile.State;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.awt.Color;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is dropped into a hot folder is printed once, whatever happens. */
@ExtendWith(RunningServer.class)
class HotFoldersTest {
    private final Api api = new Api(RunningServer.get().address());
    private final Path root = RunningServer.get().root();
    private final HotFileRepository rows = RunningServer.get().context().getBean(HotFileRepository.class);
    private final TransactionTemplate transaction =
            RunningServer.get().context().getBean(TransactionTemplate.class);
    private String name;
    private Path folder;
    private Path out;
    private String ticket;
    private String id;

    @BeforeEach
    void aHotFolder() throws IOException {
        name = "counter " + UUID.randomUUID();
        folder = Files.createDirectories(root.resolve(name).resolve("in"));
        out = Files.createDirectories(root.resolve(name).resolve("out"));
        String job = api.newJob("for its ticket");
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        ObjectNode document = (ObjectNode) api.firstTicket(job).path("document");
        ticket = api.post("/saved-tickets", Map.of("name", name, "document", document))
                .body()
                .path("id")
                .asString();
        id = add(name + "/in").body().path("id").asString();
    }

    /** It is looked at no longer while other tests run, and they find no ticket of ours. */
    @AfterEach
    void switchOff() {
        api.put("/hot-folders/" + id, settings(false));
        api.delete("/saved-tickets/" + ticket);
    }

    private Map<String, Object> settings(boolean isOn) {
        return Map.of("name", name, "savedTicketId", ticket, "target", target(name + "/out"), "isOn", isOn);
    }

    private static Map<String, Object> target(String path) {
        return Map.of("kind", "FOLDER", "root", RunningServer.ROOT, "path", path);
    }

    private Api.Answer add(String path) {
        return api.post("/hot-folders", Map.of("root", RunningServer.ROOT, "path", path, "settings", settings(true)));
    }

    private void drop(String path, byte[] content) throws IOException {
        Path file = folder.resolve(path);
        Files.createDirectories(file.getParent());
        // As a careful copy does it: under another name first.
        Path part = file.resolveSibling("." + file.getFileName());
        Files.write(part, content);
        Files.move(part, file);
    }

    private static byte[] picture(int width) {
        return TestPictures.drawn("jpg", width, 90, Color.RED);
    }

    private JsonNode view() {
        for (JsonNode one : api.get("/hot-folders").body()) {
            if (one.path("id").asString().equals(id)) {
                return one;
            }
        }
        throw new AssertionError("no hot folder " + id);
    }

    /** The folder once so many files are where they end. */
    private JsonNode settled(int printed, int failed) {
        return Await.until(printed + " printed and " + failed + " failed", this::view, view -> {
            JsonNode counts = view.path("counts");
            return counts.path("printed").asInt() == printed
                    && counts.path("failed").asInt() == failed
                    && counts.path("waiting").asInt() == 0
                    && rows.open(UUID.fromString(id)).isEmpty();
        });
    }

    private static List<String> names(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    private List<String> delivered() throws IOException {
        return deliveredBelow(out);
    }

    private static List<String> deliveredBelow(Path top) throws IOException {
        try (Stream<Path> files = Files.walk(top)) {
            return files.filter(file -> file.toString().endsWith("in.jpg"))
                    .map(file -> file.getFileName().toString())
                    .sorted()
                    .toList();
        }
    }

    @Test
    void soundOnesArePrintedAndTheOthersLieApartWithTheirReason() throws IOException {
        drop("kite.jpg", picture(120));
        drop("set/dune.jpg", picture(121));
        drop("torn.jpg", TestPictures.cutShort(TestPictures.drawn("jpg", 500, 400)));
        drop("notes.txt", "no picture".getBytes(StandardCharsets.UTF_8));
        JsonNode view = settled(2, 2);

        assertThat(delivered()).containsExactly("dune_8x10in.jpg", "kite_8x10in.jpg");
        assertThat(names(folder.resolve("done"))).containsExactly("dune.jpg", "kite.jpg");
        assertThat(names(folder.resolve("failed")))
                .containsExactly("notes.txt", "notes.txt.txt", "torn.jpg", "torn.jpg.txt");
        assertThat(folder.resolve("failed/torn.jpg.txt")).content().startsWith("torn.jpg ");
        assertThat(names(folder.resolve("at work"))).isEmpty();
        String itsJob =
                api.get("/runs/" + printedBy(view)).body().at("/run/jobId").asString();
        assertThat(api.delete("/jobs/" + itsJob).code()).isEqualTo("hot-folder-uses-job");
        assertThat(view.path("files"))
                .filteredOn(file -> file.path("path").asString().equals("torn.jpg"))
                .singleElement()
                .satisfies(file -> assertThat(file.path("problem").asString()).startsWith("torn.jpg "));
        assertThat(view.path("trouble").isNull()).isTrue();
    }

    private static String printedBy(JsonNode view) {
        for (JsonNode file : view.path("files")) {
            if (file.path("runId").isString()) {
                return file.path("runId").asString();
            }
        }
        throw new AssertionError("nothing was printed: " + view);
    }

    @Test
    void aBurstIsOneRunAndEachFileIsPrintedOnce() throws IOException {
        List<String> expected = new ArrayList<>();
        for (int i = 0; i < 150; i++) {
            drop("burst%03d.jpg".formatted(i), picture(100 + i % 50));
            expected.add("burst%03d_8x10in.jpg".formatted(i));
        }
        JsonNode view = settled(150, 0);
        assertThat(delivered()).isEqualTo(expected);
        assertThat(view.path("files"))
                .extracting(file -> file.path("runId").asString())
                .doesNotContain("")
                .containsOnly(view.path("files").path(0).path("runId").asString());
        assertThat(names(folder.resolve("done"))).hasSize(150);
    }

    /** It is written to for as long as the other is not printed, so that its time never ends before. */
    @Test
    void oneThatSeemsBrokenAndIsGivenTimeHoldsUpNoOther() throws IOException {
        byte[] torn = TestPictures.cutShort(TestPictures.drawn("jpg", 500, 400));
        try (var writer = Files.newOutputStream(folder.resolve("torn.jpg"))) {
            writer.write(torn);
            writer.flush();
            Await.until("the file to be taken", () -> rows.open(UUID.fromString(id)), taken -> !taken.isEmpty());
            drop("kite.jpg", picture(120));
            JsonNode view = Await.until(
                    "the picture to be printed",
                    () -> {
                        touch(folder.resolve("at work"));
                        return view();
                    },
                    now -> now.path("counts").path("printed").asInt() == 1);
            assertThat(view.path("counts").path("failed").asInt()).isZero();
        }
        settled(1, 1);
    }

    /** As if somebody wrote to all that lies there. */
    private static void touch(Path folder) {
        for (File file : requireNonNull(folder.toFile().listFiles())) {
            // One that has just been moved away is left.
            boolean isThere = file.setLastModified(System.currentTimeMillis());
            assertThat(isThere || !file.exists()).isTrue();
        }
    }

    @Test
    void aFileThatIsCopiedSlowlyIsPrintedWhole() throws Exception {
        byte[] whole = TestPictures.drawn("jpg", 1200, 900, Color.BLUE);
        Path file = folder.resolve("slow.jpg");
        int part = whole.length / 12 + 1;
        for (int from = 0; from < whole.length; from += part) {
            Files.write(
                    file,
                    Arrays.copyOfRange(whole, from, Math.min(whole.length, from + part)),
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
            sleep(200);
        }
        settled(1, 0);
        assertThat(Files.readAllBytes(folder.resolve("done/slow.jpg"))).isEqualTo(whole);
    }

    /** The writer keeps the file open, so that it goes on writing into the one that was taken for broken. */
    @Test
    void aCopyThatStallsForLongerThanItIsWaitedForIsPrintedWholeAllTheSame() throws Exception {
        byte[] whole = TestPictures.drawn("jpg", 1000, 800, Color.GREEN);
        try (var writer = Files.newOutputStream(folder.resolve("stalls.jpg"))) {
            writer.write(whole, 0, whole.length / 2);
            writer.flush();
            Await.until("the file to be taken", () -> rows.open(UUID.fromString(id)), taken -> !taken.isEmpty());
            sleep(700);
            writer.write(whole, whole.length / 2, whole.length - whole.length / 2);
        }
        settled(1, 0);
        assertThat(Files.readAllBytes(folder.resolve("done/stalls.jpg"))).isEqualTo(whole);
    }

    @SuppressWarnings("ThreadSleep")
    private static void sleep(long millis) throws InterruptedException {
        Thread.sleep(millis);
    }

    @Test
    void theSameNameDroppedAgainIsPrintedAgainAndReplacesNothing() throws IOException {
        drop("kite.jpg", picture(120));
        settled(1, 0);
        drop("kite.jpg", picture(140));
        settled(2, 0);
        assertThat(names(folder.resolve("done"))).containsExactly("kite (2).jpg", "kite.jpg");
        assertThat(delivered()).hasSize(2);
    }

    @Test
    void switchedOffItTakesNothing() throws Exception {
        api.put("/hot-folders/" + id, settings(false));
        drop("kite.jpg", picture(120));
        sleep(1500);
        assertThat(view().path("files")).isEmpty();
        assertThat(folder.resolve("kite.jpg")).exists();
        api.put("/hot-folders/" + id, settings(true));
        settled(1, 0);
    }

    @Test
    void whenItsFolderIsAwayItSaysSoAndGoesOnAfterwards() throws IOException {
        Path away = folder.resolveSibling("in away");
        Files.move(folder, away);
        Await.until(
                "the missing folder to be told",
                this::view,
                view -> !view.path("trouble").isNull());
        Files.move(away, folder);
        drop("kite.jpg", picture(120));
        assertThat(settled(1, 0).path("trouble").isNull()).isTrue();
    }

    @Test
    void aFolderToDeliverToThatIsGoneHoldsTheFilesAndLosesNone() throws IOException {
        Files.delete(out);
        drop("kite.jpg", picture(120));
        JsonNode view = Await.until(
                "the missing target to be told",
                this::view,
                now -> !now.path("trouble").isNull());
        assertThat(view.path("trouble").asString()).contains("out");
        assertThat(view.path("counts").path("waiting").asInt()).isEqualTo(1);
        Files.createDirectory(out);
        settled(1, 0);
    }

    @Test
    void aLinkIsNotTakenForAFile() throws IOException {
        Path elsewhere = Files.write(root.resolve(name).resolve("secret.jpg"), picture(130));
        Files.createSymbolicLink(folder.resolve("link.jpg"), elsewhere);
        settled(0, 1);
        assertThat(folder.resolve("failed/link.jpg.txt")).content().contains("is a link");
        assertThat(elsewhere).exists();
    }

    @Test
    void whatCannotBeAHotFolderIsRefused() throws IOException {
        assertThat(add(name + "/in").code()).isEqualTo("folder-taken");
        Files.createDirectories(folder.resolve("deeper"));
        assertThat(add(name + "/in/deeper").code()).isEqualTo("folder-overlaps");
        assertThat(add("..").code()).isEqualTo("folder-unfit");
        Map<String, Object> intoItself = new HashMap<>(settings(true));
        intoItself.put("target", target(name + "/in"));
        assertThat(api.put("/hot-folders/" + id, intoItself).code()).isEqualTo("target-unfit");
        intoItself.put("target", Map.of("kind", "BESIDE_ORIGINALS"));
        assertThat(api.put("/hot-folders/" + id, intoItself).code()).isEqualTo("target-unfit");
    }

    /** What a kill can leave behind: a file of each state, as the database and the disk have it at that instant. */
    @ParameterizedTest
    @EnumSource(State.class)
    void whatAKillLeavesIsGoneOnWith(State state) throws IOException {
        api.put("/hot-folders/" + id, settings(false));
        HotFile row = new HotFile(UUID.randomUUID(), UUID.fromString(id), "kite.jpg", Instant.now());
        HotFiles files = new HotFiles(folder);
        drop("kite.jpg", picture(120));
        if (state == State.SEEN) {
            transaction.executeWithoutResult(_ -> rows.save(row));
            api.put("/hot-folders/" + id, settings(true));
            settled(1, 0);
            assertThat(delivered()).hasSize(1);
            return;
        }
        files.take("kite.jpg", row.id());
        row.take();
        String job = api.newJob(name + " today");
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        if (state != State.TAKEN) {
            String original =
                    api.upload(job, "kite.jpg", picture(120)).body().path("id").asString();
            row.list(UUID.fromString(job), UUID.fromString(original));
            row.join(UUID.randomUUID());
            // Its run was started, and the process ended before that was noted.
            if (state == State.LISTED) {
                api.post(
                        "/jobs/" + job + "/runs",
                        // Where its files go was another place then.
                        Map.of("originalIds", List.of(original), "target", target(name)),
                        "Idempotency-Key",
                        "hot folder " + row.batchId().orElseThrow());
            }
            if (state == State.RUNNING) {
                row.run(UUID.fromString(api.post(
                                "/jobs/" + job + "/runs",
                                Map.of("originalIds", List.of(original), "target", target(name + "/out")))
                        .body()
                        .path("id")
                        .asString()));
            }
            if (state == State.PRINTED) {
                row.print(Instant.now());
                // It was linked to its place, and not yet taken from where it was.
                row.moveTo("done/kite.jpg");
                Files.createDirectories(folder.resolve("done"));
                Files.createLink(folder.resolve("done/kite.jpg"), files.atWork(row.id()));
            }
            if (state == State.FAILED) {
                row.fail("kite.jpg is torn.", Instant.now());
            }
        }
        transaction.executeWithoutResult(_ -> rows.save(row));
        api.put("/hot-folders/" + id, settings(true));
        boolean isFailed = state == State.FAILED;
        settled(isFailed ? 0 : 1, isFailed ? 1 : 0);
        assertThat(names(folder.resolve("at work"))).isEmpty();
        assertThat(names(folder.resolve(isFailed ? "failed" : "done")))
                .contains("kite.jpg")
                .doesNotContain("kite (2).jpg");
        if (state == State.TAKEN || state == State.LISTED || state == State.RUNNING) {
            assertThat(state == State.LISTED ? deliveredBelow(folder.getParent()) : delivered())
                    .containsExactly("kite_8x10in.jpg");
        }
    }
}
