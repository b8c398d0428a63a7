package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.server.support.Together;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Starting, stopping, resuming and trying again, as people and scripts do it: twice, at once, with wrong ids. */
@ExtendWith(RunningServer.class)
class RunCommandsTest {
    private static final String UNKNOWN = "00000000-0000-7000-8000-000000000000";

    private final Api api = new Api(RunningServer.get().address());
    private final Path deliveries = RunningServer.get().storage().resolve("deliveries");
    private final JdbcClient database = RunningServer.get().context().getBean(JdbcClient.class);

    private String jobWith(String name, int pictures) {
        String job = api.newJob(name);
        for (int i = 0; i < pictures; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 300 + i, 200));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        return job;
    }

    private String starts(String job) {
        return "/tickets/" + api.firstTicket(job).path("id").asString() + "/runs";
    }

    private List<String> originals(String job) {
        List<String> ids = new ArrayList<>();
        api.get("/jobs/" + job + "/originals")
                .body()
                .forEach(original -> ids.add(original.path("id").asString()));
        return ids;
    }

    @Test
    void sixStartsWithOneKeyAreOneRun() throws Exception {
        String job = jobWith("six starts", 2);
        String path = starts(job);
        Callable<Answer> start = () -> api.post(path, Map.of(), "Idempotency-Key", "monday");
        List<Answer> answers = Together.all(List.of(start, start, start, start, start, start));
        assertThat(answers).extracting(Answer::status).containsOnly(201);
        assertThat(answers.stream()
                        .map(answer -> answer.body().path("id").asString())
                        .distinct())
                .hasSize(1);
        assertThat(api.get("/jobs/" + job + "/runs").body()).hasSize(1);
        try (Stream<Path> folders = Files.list(deliveries.resolve("six starts"))) {
            assertThat(folders).hasSize(1);
        }
    }

    @Test
    void aKeyThatIsUsedForSomethingElseIsAConflict() {
        String job = jobWith("key", 2);
        api.post(starts(job), Map.of(), "Idempotency-Key", "k");
        Answer other = api.post(
                starts(job), Map.of("originalIds", List.of(originals(job).getFirst())), "Idempotency-Key", "k");
        assertThat(other.status()).isEqualTo(409);
        assertThat(other.code()).isEqualTo("idempotency-key-used");

        ObjectNode second = (ObjectNode) api.firstTicket(job).path("document");
        String ticket =
                api.post("/jobs/" + job + "/tickets", second).body().path("id").asString();
        assertThat(api.post("/tickets/" + ticket + "/runs", Map.of(), "Idempotency-Key", "k")
                        .code())
                .isEqualTo("idempotency-key-used");
    }

    @Test
    void anEmptyListMeansNone() {
        String job = jobWith("none", 2);
        Answer none = api.post(starts(job), Map.of("originalIds", List.of()));
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.code()).isEqualTo("nothing-to-print");
        assertThat(api.get("/jobs/" + job + "/runs").body()).isEmpty();
        assertThat(deliveries.resolve("none")).doesNotExist();
    }

    @Test
    void anUnknownPictureAmongKnownOnesIsNamed() {
        String job = jobWith("unknown", 2);
        List<String> wanted = List.of(originals(job).getFirst(), UNKNOWN);
        Answer answer = api.post(starts(job), Map.of("originalIds", wanted));
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.body().path("detail").asString()).contains(UNKNOWN);
        assertThat(api.get("/jobs/" + job + "/runs").body()).isEmpty();
    }

    @Test
    void tryingAgainTakesListsAtTheirWord() throws IOException {
        String job = jobWith("again", 1);
        api.upload(job, "cut.jpg", TestPictures.cutShort(TestPictures.drawn("jpg", 400, 300)));
        String run = api.startRun(job);
        api.finished(run);
        api.upload(job, "cut.jpg", TestPictures.drawn("jpg", 400, 300));

        api.post("/runs/" + run + "/retry", Map.of("pieceIds", List.of()));
        assertThat(api.finished(run).path("run").path("counts").path("failed").asInt())
                .isEqualTo(1);
        Answer unknown = api.post("/runs/" + run + "/retry", Map.of("pieceIds", List.of(UNKNOWN)));
        assertThat(unknown.status()).isEqualTo(404);
        assertThat(unknown.body().path("detail").asString()).contains(UNKNOWN);
        api.post("/runs/" + run + "/retry", Map.of());
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"originals", "tickets", "runs", "framings?shape=4:5", "edits", "events"})
    void whatIsAskedOfAnUnknownJobIsNotFound(String list) {
        Answer answer = api.get("/jobs/" + UNKNOWN + "/" + list);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.code()).isEqualTo("not-found");
    }

    @Test
    void departuresOfAnUnknownTicketAreNotFound() {
        assertThat(api.get("/tickets/" + UNKNOWN + "/overrides").status()).isEqualTo(404);
    }

    /** Commands, not edits: none of them needs to know what another has done. */
    @Test
    void aStormOfCommandsIsCarriedOut() throws Exception {
        String job = jobWith("storm", 24);
        String run = api.startRun(job);
        Random random = new Random(7);
        List<Callable<Integer>> storm = IntStream.range(0, 60)
                .<Callable<Integer>>mapToObj(_ -> {
                    String command = List.of("stop", "resume", "retry").get(random.nextInt(3));
                    return () ->
                            api.post("/runs/" + run + "/" + command, Map.of()).status();
                })
                .toList();
        for (int i = 0; i < storm.size(); i += 12) {
            assertThat(Together.all(storm.subList(i, i + 12))).containsOnly(200);
        }
        api.post("/runs/" + run + "/resume", Map.of());
        JsonNode done = api.finished(run);
        assertThat(done.path("run").path("state").asString()).isEqualTo("FINISHED");
        assertThat(done.path("run").path("counts").path("checked").asInt()).isEqualTo(24);
    }

    /** What was ordered is made; today's framing is for a new run. */
    @Test
    void resumingAndTryingAgainKeepThePlanThatWasOrdered() throws IOException {
        String job = jobWith("ordered", 1);
        String original = originals(job).getFirst();
        String run = api.startRun(job);
        JsonNode piece = api.finished(run).path("pieces").get(0);
        Path file = deliveries
                .resolve("ordered/prints-8x10")
                .resolve(piece.path("name").asString());
        byte[] before = Files.readAllBytes(file);
        Answer framed = api.send(
                "PUT",
                "/originals/" + original + "/framings/8:10",
                java.net.http.HttpRequest.BodyPublishers.ofString("""
                        {"document":{"schemaVersion":2,"centreX":0.5,"centreY":0.5,"tightness":2,"tiltDegrees":0,
                         "quarterTurns":0,"mirror":"AS_IT_IS","turn":"AS_TICKET","corners":"COVERED"},"accepted":true}"""),
                Map.of("If-None-Match", "*"));
        assertThat(framed.status()).as(framed.body().toString()).isEqualTo(200);
        assertThat(framed.body().path("shapeKey").asString()).isEqualTo("4:5");

        Files.delete(file);
        api.post("/runs/" + run + "/retry", Map.of());
        api.finished(run);
        assertThat(file).hasBinaryContent(before);

        JsonNode today = api.finished(api.startRun(job));
        Path other = deliveries
                .resolve(today.path("run").path("folder").asString())
                .resolve(piece.path("name").asString());
        assertThat(Files.readAllBytes(other)).isNotEqualTo(before);
    }

    /** The queue of this server looks by itself only every three seconds: whoever starts a run wakes it. */
    @Test
    void aRunOfOnePictureWaitsForNoPoll() {
        String job = jobWith("wake", 1);
        api.finished(api.startRun(job));
        long start = System.nanoTime();
        for (int i = 0; i < 5; i++) {
            api.finished(api.startRun(job));
        }
        assertThat((System.nanoTime() - start) / 1e9 / 5).isLessThan(1.2);
    }

    /** A clock that was a day ahead has left such times behind. */
    @Test
    void aPieceThatIsDueTomorrowIsMadeToday() {
        String job = jobWith("tomorrow", 1);
        String run = stuck(job, Optional.of("""
                insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version)
                values ('piece', :piece, now() + interval '1 day', false, 1)"""));
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(1);
    }

    /** A process whose clock was a day ahead died over it: its heartbeat would look alive until tomorrow. */
    @Test
    void aPieceWhoseHeartbeatIsOfTomorrowIsTakenOver() {
        String job = jobWith("heartbeat", 1);
        String run = stuck(job, Optional.of("""
                insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by, last_heartbeat,
                  version) values ('piece', :piece, 'epoch', true, 'gone', now() + interval '1 day', 1)"""));
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(1);
    }

    @Test
    void aPieceThatIsInNoQueueIsFound() {
        String job = jobWith("no queue", 1);
        String run = stuck(job, Optional.empty());
        assertThat(api.finished(run).path("run").path("counts").path("checked").asInt())
                .isEqualTo(1);
    }

    /**
     * A finished run's piece put back by hand, as a failure of the database could leave it.
     *
     * @param queued what stands in the queue for it
     */
    private String stuck(String job, Optional<String> queued) {
        String run = api.startRun(job);
        JsonNode piece = api.finished(run).path("pieces").get(0);
        UUID id = UUID.fromString(piece.path("id").asString());
        RunningServer.get()
                .context()
                .getBean(org.springframework.transaction.support.TransactionTemplate.class)
                .executeWithoutResult(_ -> {
                    // A run is finished a moment before the queue lets its last piece go.
                    database.sql("delete from scheduled_tasks where task_instance = :piece")
                            .param("piece", id.toString())
                            .update();
                    queued.ifPresent(insert ->
                            database.sql(insert).param("piece", id.toString()).update());
                    database.sql("update piece set state = 'MAKING', digest = null where id = :id")
                            .param("id", id)
                            .update();
                    database.sql("update run set finished_at = null where id = :run")
                            .param("run", UUID.fromString(run))
                            .update();
                });
        return run;
    }

    @Test
    void aStoredPlanThatCannotBeReadIsSaid() {
        String job = jobWith("plan", 1);
        String run = api.startRun(job);
        UUID piece = UUID.fromString(
                api.finished(run).path("pieces").get(0).path("id").asString());
        database.sql("update piece set plan = '{\"sheet\": 7}', state = 'WAITING' where id = :id")
                .param("id", piece)
                .update();
        database.sql("update run set finished_at = null where id = :run")
                .param("run", UUID.fromString(run))
                .update();
        JsonNode told = api.finished(run).path("pieces").get(0);
        assertThat(told.path("problem").path("code").asString()).isEqualTo("plan-unreadable");
        assertThat(told.path("problem").path("remedy").asString()).startsWith("Start a new run");
    }

    /** Pieces a minute are of this stretch of work: a night between two counts for nothing. */
    @Test
    void theSpeedIsOfTheWorkNotOfTheNight() {
        String job = jobWith("night", 3);
        String run = api.startRun(job);
        api.finished(run);
        database.sql("update run set started_at = started_at - interval '10 hours' where id = :run")
                .param("run", UUID.fromString(run))
                .update();
        double perMinute = api.get("/runs/" + run)
                .body()
                .path("run")
                .path("piecesPerMinute")
                .asDouble();
        assertThat(perMinute).isGreaterThan(3);
    }
}
