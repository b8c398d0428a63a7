package embrick.server.rolls;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.Roll;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Pieces laid on paper are sent to the simulated roll printer, which uses up its paper. */
@ExtendWith(RunningServer.class)
class PrintedOnTheRollTest {
    private static final double TWO_FEET = 609.6;

    private final Api api = new Api(RunningServer.get().address());
    private final Roll roll = Roll.get();

    @BeforeEach
    void aFullRoll() {
        roll.load(TWO_FEET, 30_000);
    }

    /** Prints of 8 × 10 in. */
    private String run(String name, int pictures) {
        String job = api.newJob(name);
        for (int i = 0; i < pictures; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 400 + i, 300));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 50));
        String run = api.startRun(job);
        api.finished(run);
        return run;
    }

    private static Map<String, Object> wish(String run, Double height) {
        Map<String, Object> wish = new TreeMap<>();
        wish.put("runIds", List.of(run));
        wish.put("width", TWO_FEET);
        wish.put("height", height);
        wish.put("margin", 5);
        wish.put("gap", 6);
        wish.put("mayTurn", true);
        wish.put("byRun", false);
        wish.put("byHand", List.of());
        return wish;
    }

    private String print(String run, String key) {
        Answer sent = api.post("/layouts/print", wish(run, null), "Idempotency-Key", key);
        assertThat(sent.status()).as("%s", sent.body()).isEqualTo(200);
        return sent.body().path("jobId").asString();
    }

    private JsonNode job(String id) {
        for (JsonNode one : api.get("/roll").body().path("jobs")) {
            if (one.path("id").asString().equals(id)) {
                return one;
            }
        }
        throw new AssertionError("no job " + id);
    }

    private JsonNode done(String id) {
        return Await.until(
                "the roll job to be printed",
                () -> job(id),
                job -> job.path("state").asString().equals("DONE")
                        && !job.path("stretches")
                                .path(job.path("stretches").size() - 1)
                                .path("picture")
                                .isNull());
    }

    private static List<Boolean> printed(JsonNode job) {
        List<Boolean> printed = new ArrayList<>();
        job.at("/pages/0/pieces")
                .forEach(piece -> printed.add(piece.path("printed").asBoolean()));
        return printed;
    }

    @Test
    void piecesArePrintedWhereTheyLieAndOnceForOneKey() {
        String run = run("On the roll", 3);
        JsonNode laid = api.post("/layouts", wish(run, null)).body();
        String id = print(run, "once " + run);
        assertThat(print(run, "once " + run)).isEqualTo(id);
        JsonNode job = done(id);
        assertThat(job.at("/runIds/0").asString()).isEqualTo(run);
        assertThat(job.at("/pages/0/length")).isEqualTo(laid.at("/pages/0/height"));
        assertThat(job.at("/pages/0/pieces")).hasSize(3);
        for (int i = 0; i < 3; i++) {
            JsonNode piece = job.at("/pages/0/pieces").path(i);
            JsonNode there = laid.at("/pages/0/laid").path(i);
            for (String part : List.of("number", "name", "x", "y", "width", "height", "turned", "originalId")) {
                assertThat(piece.path(part)).as(part).isEqualTo(there.path(part));
            }
        }
        assertThat(printed(job)).containsOnly(true);
        byte[] picture = api.download("/roll/jobs/" + id + "/stretches/1");
        assertThat(picture).startsWith(0x89, 'P', 'N', 'G');
        double left = api.get("/roll").body().at("/loaded/left").asDouble();
        assertThat(30_000 - left)
                .isEqualTo(laid.path("length").asDouble(), org.assertj.core.api.Assertions.within(0.01));
    }

    @Test
    void aRollThatEndsIsLoadedAnewFromHere() {
        String run = run("Two rolls", 6);
        roll.load(TWO_FEET, 300);
        String id = print(run, run);
        JsonNode stopped = Await.until(
                "the roll to run out of paper",
                () -> api.get("/roll").body(),
                now -> now.path("stop").asString("").equals("PAPER"));
        assertThat(stopped.at("/loaded/left").asDouble()).isZero();
        assertThat(printed(job(id))).contains(true).contains(false);
        Answer loaded = api.put("/roll/paper", Map.of("width", TWO_FEET, "paper", "cotton rag", "length", 9000));
        assertThat(loaded.body().at("/loaded/paper").asString()).isEqualTo("cotton rag");
        JsonNode job = done(id);
        assertThat(job.path("stretches")).hasSize(2);
        assertThat(job.at("/stretches/0/end").asString()).isEqualTo("PAPER");
        assertThat(printed(job)).containsOnly(true);
    }

    @Test
    void aJamIsClearedAndAJobCancelledFromHere() {
        roll.jam();
        String run = run("Jammed", 1);
        String id = print(run, "jam");
        assertThat(api.get("/roll").body().path("stop").asString()).isEqualTo("JAM");
        assertThat(api.delete("/runs/" + run + "?files=DELETED").code()).isEqualTo("run-on-the-roll");
        String itsJob = api.get("/runs/" + run).body().at("/run/jobId").asString();
        assertThat(api.delete("/jobs/" + itsJob).code()).isEqualTo("run-on-the-roll");
        api.post("/roll/jobs/" + id + "/cancel", null);
        assertThat(job(id).path("state").asString()).isEqualTo("CANCELLED");
        assertThat(api.post("/roll/jam/clear", null).body().path("stop").isNull())
                .isTrue();
        assertThat(api.post("/roll/inks", null).body().at("/inks/0/percent").asDouble())
                .isEqualTo(100);
        assertThat(api.delete("/jobs/" + itsJob).status()).isEqualTo(204);
        Answer none = api.post("/roll/jobs/none/cancel", null);
        assertThat(none.status()).isEqualTo(404);
    }

    @Test
    void sheetsAreNotPrintedOnARoll() {
        Answer refused = api.post("/layouts/print", wish(run("Sheets", 1), 480.0), "Idempotency-Key", "s");
        assertThat(refused.code()).isEqualTo("no-roll");
    }
}
