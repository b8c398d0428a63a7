package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.storage.Storage;
import embrick.server.support.Api;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The long form of {@link KillTest}, run by {@code ./embrick bench kills}: a thousand pieces by the application and three
 * workers, two of which reach the storage by another path, while the application, a worker or the database is killed again and
 * again. Nobody looks after it; what is killed is started again at once, as its supervisor does.
 */
class KillsFigures {
    private static final int PIECES = Integer.getInteger("embrick.kills.pieces", 1000);
    private static final int KILLS = Integer.getInteger("embrick.kills", 100);
    private static final int APART_MILLIS = Integer.getInteger("embrick.kills.apart", 7000);
    private static final long SEED = Long.getLong("embrick.kill.seed", 20261130);
    private static final int UNDISTURBED = 60;
    private static final String DATABASE = "embrick_kills";

    @TempDir
    Path folder;

    private ThrowawayPostgres postgres;
    private Api api;
    private final List<OwnProcess> processes = new ArrayList<>();

    private static void tell(String what, Object figure) {
        System.out.printf(Locale.ROOT, "FIGURE %s: %s%n", what, figure);
    }

    @Test
    void aThousandPiecesAndAHundredKills() throws Exception {
        postgres = ThrowawayPostgres.another();
        postgres.create(DATABASE);
        int port = OwnProcess.freePort();
        api = new Api("http://127.0.0.1:" + port);
        Path storage = folder.resolve("storage");
        processes.add(OwnProcess.application(folder, port, postgres, DATABASE).compiledQuickly());
        try {
            processes.getFirst().start();
            processes.add(worker("worker-1", storage));
            processes.add(worker("worker-2", Files.createSymbolicLink(folder.resolve("mounted"), storage)));
            processes.add(worker("worker-3", Files.createSymbolicLink(folder.resolve("mounted-too"), storage)));
            for (OwnProcess worker : processes.subList(1, processes.size())) {
                worker.start();
            }
            double each = undisturbed();
            String job = job("killed", PIECES);
            String run = api.startRun(job);
            long begun = System.nanoTime();
            int kills = killUntilDone(run);
            double seconds = (System.nanoTime() - begun) / 1e9;
            assertEachOnceAndWhole(run);
            tell("pieces", PIECES);
            tell("kills", kills);
            tell("seconds", String.format(Locale.ROOT, "%.0f", seconds));
            tell("seconds without kills, by the rate before", String.format(Locale.ROOT, "%.0f", each * PIECES));
            tell("lost by a kill, s", String.format(Locale.ROOT, "%.1f", (seconds - each * PIECES) / kills));
        } finally {
            for (OwnProcess process : processes) {
                process.kill();
            }
        }
    }

    private OwnProcess worker(String name, Path storage) {
        return OwnProcess.worker(folder, name, storage, postgres, DATABASE).compiledQuickly();
    }

    /** Seconds for a piece while nothing is killed. */
    private double undisturbed() throws Exception {
        String job = job("undisturbed", UNDISTURBED);
        long begun = System.nanoTime();
        api.finished(api.startRun(job));
        return (System.nanoTime() - begun) / 1e9 / UNDISTURBED;
    }

    private String job(String name, int pictures) throws Exception {
        String job = api.newJob(name);
        byte[][] contents = new byte[pictures][];
        for (int i = 0; i < pictures; i++) {
            contents[i] = TestPictures.drawn("jpg", 700, 480, new Color(i * 5591 + name.length()));
        }
        try (ExecutorService senders = Executors.newFixedThreadPool(4)) {
            for (int i = 0; i < pictures; i++) {
                int number = i;
                senders.submit(() -> api.upload(job, String.format("kite%04d.jpg", number), contents[number]));
            }
        }
        api.changeFirstTicket(job, document -> {
            document.put("ppi", 300);
            ((ObjectNode) document.path("resampling")).put("method", "LANCZOS3");
        });
        return job;
    }

    @SuppressWarnings("ThreadSleep")
    private int killUntilDone(String run) throws Exception {
        Random random = new Random(SEED);
        int kills = 0;
        while (left(run) > 0) {
            Thread.sleep(kills < KILLS ? APART_MILLIS / 2 + random.nextInt(APART_MILLIS) : 500);
            if (kills < KILLS && left(run) > 0) {
                int victim = random.nextInt(processes.size() + 1);
                if (victim == processes.size()) {
                    postgres.kill();
                    postgres.startAgain();
                } else {
                    processes.get(victim).kill();
                    processes.get(victim).begin();
                }
                kills++;
                if (kills % 10 == 0) {
                    System.out.println(kills + " kills, " + left(run) + " pieces left");
                }
            }
        }
        return kills;
    }

    /** A database that is just being started again is asked once more. */
    @SuppressWarnings("ThreadSleep")
    private long left(String run) throws Exception {
        for (int attempt = 0; ; attempt++) {
            try {
                return count("select count(*) from piece where run_id = '" + run
                        + "' and state not in ('CHECKED', 'FAILED')");
            } catch (SQLException notYet) {
                if (attempt == 60) {
                    throw notYet;
                }
                Thread.sleep(500);
            }
        }
    }

    private long count(String query) throws SQLException {
        try (Connection connection = DriverManager.getConnection(postgres.url(DATABASE), "embrick", "");
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(query)) {
            result.next();
            return result.getLong(1);
        }
    }

    private void assertEachOnceAndWhole(String id) throws Exception {
        // Whichever was killed last may still be starting.
        processes.getFirst().awaitStart();
        JsonNode run = api.finished(id);
        assertThat(run.at("/run/counts/failed").asInt())
                .as("in trouble by a kill, seed %d", SEED)
                .isZero();
        assertThat(run.at("/run/counts/checked").asInt()).isEqualTo(PIECES);
        Path delivery = folder.resolve("storage/deliveries")
                .resolve(run.at("/run/folder").asString());
        for (JsonNode piece : run.path("pieces")) {
            assertThat(Storage.digestOf(delivery.resolve(piece.path("name").asString())))
                    .isEqualTo(piece.path("digest").asString());
        }
        try (Stream<Path> files = Files.list(delivery)) {
            assertThat(files.count()).isEqualTo(PIECES);
        }
        assertNoneIsLeft("making");
    }

    /** Temporaries of a process that was killed are swept by the next one, or by those that look after it. */
    @SuppressWarnings("ThreadSleep")
    private void assertNoneIsLeft(String where) throws IOException, InterruptedException {
        for (int attempt = 0; ; attempt++) {
            try (Stream<Path> left = Files.list(folder.resolve("storage").resolve(where))) {
                List<Path> all = left.toList();
                if (all.isEmpty()) {
                    return;
                }
                assertThat(attempt).as("%s", all).isLessThan(60);
            }
            Thread.sleep(1000);
        }
    }
}
