package embrick.server.originals;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.support.ThrowawayPostgres;
import embrick.server.support.Together;
import embrick.testing.Await;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Decoders' processes that the system ends are no picture's fault: what they were at is looked at again. */
@ExtendWith(RunningServer.class)
class KilledDecodersTest {
    private static final String DECODER = "embrick.formats.DecoderChild";

    private final Api api = new Api(RunningServer.get().address());

    /** Kills every decoder's process as soon as it is there, as a system does that has no memory. */
    private static final class Killer implements AutoCloseable {
        private final AtomicInteger killed = new AtomicInteger();
        private final Thread thread = Thread.ofPlatform().start(this::kill);

        private void kill() {
            while (!Thread.interrupted()) {
                ProcessHandle.current()
                        .children()
                        .filter(ProcessHandle::isAlive)
                        .filter(Killer::isDecoder)
                        .filter(ProcessHandle::destroyForcibly)
                        .forEach(_ -> killed.incrementAndGet());
                Thread.onSpinWait();
            }
        }

        /** The system's tools tell only the beginning of a command, and a class path is longer. */
        private static boolean isDecoder(ProcessHandle child) {
            try {
                return Files.readString(Path.of("/proc", String.valueOf(child.pid()), "cmdline"))
                        .contains(DECODER);
            } catch (IOException gone) {
                return false;
            }
        }

        void awaitKills(int atLeast) {
            Await.until(atLeast + " killed decoders", () -> killed.get() >= atLeast);
        }

        @Override
        public void close() throws InterruptedException {
            thread.interrupt();
            thread.join();
        }
    }

    private static byte[] tiff(int width) {
        return TestPictures.drawn("tif", width, 300);
    }

    @Test
    void picturesThatComeInMeanwhileAreSound() throws Exception {
        String job = api.newJob("Killed decoders");
        List<Callable<JsonNode>> uploads = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            byte[] picture = tiff(400 + i);
            String name = "kite" + i + ".tif";
            uploads.add(() -> api.upload(job, name, picture).body());
        }
        uploads.add(() -> {
            try (Killer killer = new Killer()) {
                killer.awaitKills(2);
            }
            return null;
        });
        for (JsonNode original : Together.all(uploads)) {
            if (original != null) {
                assertThat(original.path("state").asString()).as("%s", original).isEqualTo("SOUND");
            }
        }
    }

    @Test
    void piecesAndProofsThatAreMadeMeanwhileAreMadeInTheEnd() throws Exception {
        String job = api.newJob("Killed while made");
        for (int i = 0; i < 3; i++) {
            api.upload(job, "kite" + i + ".tif", tiff(500 + i));
        }
        String original =
                api.get("/jobs/" + job + "/originals").body().at("/0/id").asString();
        String run;
        try (Killer killer = new Killer()) {
            run = api.startRun(job);
            killer.awaitKills(2);
            Answer proof = api.get("/originals/" + original + "/histogram");
            assertThat(proof.status()).isNotEqualTo(422);
        }
        JsonNode counts = api.finished(run).at("/run/counts");
        assertThat(counts.path("checked").asInt()).as("%s", counts).isEqualTo(3);
    }

    /** As one that was judged while its decoder was killed, by an earlier version. */
    @Test
    void theSameBytesSentAgainAreLookedAtAgain() throws Exception {
        String job = api.newJob("Wrongly broken");
        byte[] picture = tiff(450);
        String id = api.upload(job, "kite.tif", picture).body().path("id").asString();
        try (Connection database =
                        DriverManager.getConnection(ThrowawayPostgres.get().url("embrick"), "embrick", "");
                Statement statement = database.createStatement()) {
            statement.execute("update original set state = 'BROKEN', facts = null, problem_code = 'damaged',"
                    + " problem_text = 'is damaged so badly that its decoder gave up', problem_remedy = 'x' where id = '"
                    + id + "'");
        }
        Answer offered = api.post(
                "/jobs/" + job + "/intake",
                Map.of("files", List.of(Map.of("path", "kite.tif", "fileBytes", picture.length))));
        assertThat(offered.body().path("missing")).hasSize(1);
        JsonNode again = api.upload(job, "kite.tif", picture).body();
        assertThat(again.path("id").asString()).isEqualTo(id);
        assertThat(again.path("state").asString()).isEqualTo("SOUND");
        assertThat(again.path("problem").isNull()).isTrue();
    }
}
