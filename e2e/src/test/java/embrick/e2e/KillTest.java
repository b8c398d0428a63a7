package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.storage.Storage;
import embrick.server.support.Api;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Application, second worker and database, killed with SIGKILL in the middle of a run, again and again, each time while a
 * piece was being made. The moments come from a seed, which every failure tells.
 */
class KillTest {
    private static final int PIECES = 24;
    private static final int PPI = 160;
    private static final long SEED = Long.getLong("embrick.kill.seed", 20261128);

    private enum Victim {
        APPLICATION,
        WORKER,
        DATABASE
    }

    /** What is killed, in this order; the last victim is not revived if the others can do without it. */
    private static final List<Victim> KILLS = Boolean.getBoolean("embrick.thorough")
            ? List.of(Victim.DATABASE, Victim.WORKER, Victim.APPLICATION, Victim.DATABASE, Victim.APPLICATION)
            : List.of(Victim.DATABASE, Victim.APPLICATION, Victim.WORKER);

    @TempDir
    Path folder;

    private ThrowawayPostgres postgres;
    private OwnProcess application;
    private OwnProcess worker;

    /** The run that is being killed, its folder, and the pieces that stood there last. */
    private String runId;

    private Path delivery;
    private int made;

    /** Files that were decoded to their last pixel. */
    private final Set<Path> decoded = new HashSet<>();

    @AfterEach
    void end() throws IOException, InterruptedException {
        if (application != null) {
            application.kill();
        }
        if (worker != null) {
            worker.kill();
        }
        // What they said is kept: a failure here is seldom seen twice.
        Path kept = Files.createDirectories(Path.of("target", "kill-logs"));
        for (String log : List.of("application.log", "worker.log")) {
            if (Files.exists(folder.resolve(log))) {
                Files.copy(folder.resolve(log), kept.resolve(log), StandardCopyOption.REPLACE_EXISTING);
            }
        }
    }

    @Test
    void everyPieceExistsOnceAndWhole() throws Exception {
        postgres = ThrowawayPostgres.another();
        postgres.create("embrick_kill");
        int port = OwnProcess.freePort();
        Api api = new Api("http://127.0.0.1:" + port);
        application =
                OwnProcess.application(folder, port, postgres, "embrick_kill").compiledQuickly();
        worker = OwnProcess.worker(folder, postgres, "embrick_kill").compiledQuickly();
        application.begin();
        // It waits until the application has its storage.
        worker.begin();
        application.awaitStart();
        String job = api.newJob("killed");
        for (int i = 0; i < PIECES; i++) {
            api.upload(job, String.format("kite%02d.jpg", i), TestPictures.drawn("jpg", 700 + i, 480));
        }
        // Large enough that there is always a piece at work.
        api.changeFirstTicket(job, document -> {
            document.put("ppi", PPI);
            // Processes that compile quickly and have no vectors would be minutes at a learned piece.
            ((ObjectNode) document.path("resampling")).put("method", "LANCZOS3");
        });
        Map<Path, Long> originals = fingerprints(folder.resolve("storage/originals"));
        worker.awaitStart();
        begin(api, job);

        Random random = new Random(SEED);
        for (Victim victim : KILLS) {
            killAtWork(victim, api, job, random);
            int now = assertWhole(delivery);
            assertThat(now)
                    .as("pieces after killing the %s, seed %d", victim, SEED)
                    .isBetween(made, PIECES);
            made = now;
            assertToldAsAway(victim, api, job);
            boolean isNeeded = victim != Victim.WORKER || !victim.equals(KILLS.getLast());
            if (isNeeded) {
                revive(victim);
            }
        }
        assertEnded(api);
        assertThat(fingerprints(folder.resolve("storage/originals"))).isEqualTo(originals);
        assertNothingIsLeftBehind();
    }

    private void begin(Api api, String job) {
        runId = api.startRun(job);
        JsonNode run = api.get("/runs/" + runId).body().path("run");
        delivery =
                folder.resolve("storage/deliveries").resolve(run.path("folder").asString());
        made = 0;
    }

    /** The run comes to its end with every piece checked, there, and the file that the database knows. */
    private void assertEnded(Api api) throws IOException {
        JsonNode run = api.finished(runId);
        assertThat(run.path("run").path("counts").path("failed").asInt())
                .as("none failed by a kill: %s", run.path("pieces"))
                .isZero();
        assertThat(run.path("run").path("counts").path("checked").asInt()).isEqualTo(PIECES);
        assertThat(assertWhole(delivery)).isEqualTo(PIECES);
        for (JsonNode piece : run.path("pieces")) {
            assertThat(Storage.digestOf(delivery.resolve(piece.path("name").asString())))
                    .isEqualTo(piece.path("digest").asString());
        }
    }

    /**
     * Kills while one of the victim's pieces is being made: looked up just before, and still so just after. Where the other
     * process has made the whole run meanwhile, as it can while one starts again, the run is checked and another is begun.
     */
    @SuppressWarnings("ThreadSleep")
    private void killAtWork(Victim victim, Api api, String job, Random random) throws Exception {
        Thread.sleep(random.nextInt(400));
        long until = System.nanoTime() + 600_000_000_000L;
        while (true) {
            if (nothingLeft()) {
                assertEnded(api);
                begin(api, job);
            }
            if (atWork(victim) > 0) {
                switch (victim) {
                    case APPLICATION -> application.kill();
                    case WORKER -> worker.kill();
                    case DATABASE -> {
                        postgres.kill();
                        return;
                    }
                }
                if (atWork(victim) > 0) {
                    return;
                }
                // It had just finished: this kill hit nothing and is done again.
                revive(victim);
                if (victim == Victim.WORKER) {
                    worker.awaitStart();
                }
            }
            assertThat(System.nanoTime())
                    .as("the %s was never at work, with %d pieces made, seed %d", victim, made, SEED)
                    .isLessThan(until);
            Thread.sleep(20);
        }
    }

    private boolean nothingLeft() throws SQLException {
        return count("select count(*) from piece where run_id = '" + runId + "' and state not in ('CHECKED', 'FAILED')")
                == 0;
    }

    private long atWork(Victim victim) throws SQLException {
        String whose = switch (victim) {
            case APPLICATION -> " and t.picked_by = 'application'";
            case WORKER -> " and t.picked_by = 'worker'";
            case DATABASE -> "";
        };
        return count("select count(*) from piece p join scheduled_tasks t on t.task_instance = cast(p.id as text)"
                + " where p.run_id = '" + runId + "' and p.state = 'MAKING' and t.picked" + whose);
    }

    private long count(String query) throws SQLException {
        try (Connection connection = DriverManager.getConnection(postgres.url("embrick_kill"), "embrick", "");
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(query)) {
            result.next();
            return result.getLong(1);
        }
    }

    /**
     * With the database away a list says so, by name, and before the driver's own patience of a minute is at its end: a
     * connection is waited for three seconds, and this machine may be busy.
     */
    private static void assertToldAsAway(Victim victim, Api api, String job) {
        if (victim == Victim.DATABASE) {
            long begun = System.nanoTime();
            Api.Answer answer = api.get("/jobs/" + job + "/runs");
            assertThat(answer.status()).isEqualTo(503);
            assertThat(answer.code()).isEqualTo("database-away");
            assertThat((System.nanoTime() - begun) / 1e9).isLessThan(20);
        }
    }

    private void revive(Victim victim) throws Exception {
        switch (victim) {
            case APPLICATION -> application.start();
            // The next kill does not wait for it: the application alone is at work meanwhile.
            case WORKER -> worker.begin();
            case DATABASE -> postgres.startAgain();
        }
    }

    private void assertNothingIsLeftBehind() throws Exception {
        for (String empty : List.of("making", "incoming")) {
            try (Stream<Path> left = Files.list(folder.resolve("storage").resolve(empty))) {
                assertThat(left).as(empty).isEmpty();
            }
        }
        assertThat(count("select count(*) from loose_content")).isZero();
        assertThat(count("select count(*) from piece where state <> 'CHECKED'")).isZero();
    }

    /**
     * Every file under a final name decodes to its last pixel, by a decoder that is not ours; returns how many there are. Each is
     * decoded when it is first seen: that it does not change after that is asked of its digest at the end.
     */
    private int assertWhole(Path delivery) throws IOException {
        List<Path> files;
        try (Stream<Path> list = Files.list(delivery)) {
            files = list.toList();
        }
        for (Path file : files) {
            byte[] bytes = Files.readAllBytes(file);
            assertThat(bytes.length).as("%s", file).isGreaterThan(2);
            assertThat(bytes[bytes.length - 1]).as("%s ends with EOI", file).isEqualTo((byte) 0xD9);
        }
        for (Path file : files) {
            if (decoded.add(file)) {
                BufferedImage picture = ImageIO.read(file.toFile());
                assertThat(picture.getWidth()).as("%s", file).isEqualTo(10 * PPI);
                assertThat(picture.getHeight()).as("%s", file).isEqualTo(8 * PPI);
            }
        }
        return files.size();
    }

    private static Map<Path, Long> fingerprints(Path originals) throws IOException {
        Map<Path, Long> prints = new TreeMap<>();
        try (Stream<Path> files = Files.walk(originals)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                // Stored under its digest: its content must still have it.
                assertThat(Storage.digestOf(file)).isEqualTo(file.getFileName().toString());
                prints.put(file, Files.getLastModifiedTime(file).toMillis());
            }
        }
        return prints;
    }
}
