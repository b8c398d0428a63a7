package embrick.server.workers;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import embrick.testing.Await;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Workers as the page sees them. */
@ExtendWith(RunningServer.class)
class WorkersTest {
    private final Api api = new Api(RunningServer.get().address());
    private final JdbcClient database = RunningServer.get().context().getBean(JdbcClient.class);
    private final UUID far = UUID.randomUUID();

    @AfterEach
    void forgetTheFarOne() {
        database.sql("delete from work_process where id = :id").param("id", far).update();
    }

    /** As another machine tells of itself. */
    private void farWorkerSeen(String ago) {
        database.sql("""
                        insert into work_process (id, name, began_at, machine, number, threads, memory_bytes, seen_at)
                        values (:id, 'worker-far-1', now() - interval '1 hour', 'far', 1, 2, 1000000000,
                          clock_timestamp() - interval '""" + ago + "')").param("id", far).update();
    }

    private JsonNode listed(UUID id) {
        return StreamSupport.stream(api.get("/workers").body().spliterator(), false)
                .filter(worker -> worker.path("id").asString().equals(id.toString()))
                .findFirst()
                .orElse(null);
    }

    private UUID here() {
        return RunningServer.get().context().getBean(ProcessId.class).get();
    }

    @Test
    void theApplicationIsOneOfThem() {
        JsonNode own = Await.until("the application among the workers", () -> listed(here()), there -> there != null);
        assertThat(own.path("hasPages").asBoolean()).isTrue();
        assertThat(own.path("state").asString()).isEqualTo("IDLE");
        assertThat(own.path("number").asLong())
                .isEqualTo(ProcessHandle.current().pid());
        assertThat(own.path("threads").asInt()).isPositive();
        assertThat(api.delete("/workers/" + here()).code()).isEqualTo("worker-there");
    }

    /** Its last sign of life lies an hour ahead once the clock has been set back by one. */
    @Test
    void oneThatDiedBeforeTheClockWasSetBackIsLost() {
        farWorkerSeen("-1 hour");
        assertThat(listed(far).path("state").asString()).isEqualTo("LOST");
        assertThat(api.delete("/workers/" + far).status()).isEqualTo(204);
    }

    @Test
    void oneThatIsNotSeenAnyMoreIsLostUntilItIsForgotten() {
        farWorkerSeen("2 seconds");
        assertThat(listed(far).path("state").asString()).isEqualTo("IDLE");
        database.sql("update work_process set seen_at = seen_at - interval '20 seconds' where id = :id")
                .param("id", far)
                .update();
        assertThat(listed(far).path("state").asString()).isEqualTo("LOST");
        assertThat(api.delete("/workers/" + far).status()).isEqualTo(204);
        assertThat(listed(far)).isNull();
        assertThat(api.delete("/workers/" + far).status()).isEqualTo(404);
    }

    @Test
    void whatAnotherMachineMakesIsSeenStripByStrip() {
        String job = api.newJob("Seen from afar");
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 300, 200));
        String run = api.startRun(job);
        JsonNode piece = api.finished(run).path("pieces").path(0);
        assertThat(piece.path("strips").asInt()).isZero();

        farWorkerSeen("1 second");
        database.sql("""
                        insert into work_making (process_id, piece_id, run_id, strip, strips, checking)
                        values (:id, cast(:piece as uuid), cast(:run as uuid), 3, 8, false)""")
                .param("id", far)
                .param("piece", piece.path("id").asString())
                .param("run", run)
                .update();
        JsonNode seen = api.get("/runs/" + run).body().path("pieces").path(0);
        assertThat(seen.path("strip").asInt()).isEqualTo(3);
        assertThat(seen.path("strips").asInt()).isEqualTo(8);
        JsonNode making = listed(far).path("making").path(0);
        assertThat(listed(far).path("state").asString()).isEqualTo("MAKING");
        assertThat(making.path("jobName").asString()).isEqualTo("Seen from afar");
        assertThat(making.path("originalPath").asString()).isEqualTo("kite.jpg");

        // A lost one makes nothing, whatever it told last.
        database.sql("update work_process set seen_at = seen_at - interval '20 seconds' where id = :id")
                .param("id", far)
                .update();
        assertThat(api.get("/runs/" + run)
                        .body()
                        .path("pieces")
                        .path(0)
                        .path("strips")
                        .asInt())
                .isZero();
        assertThat(listed(far).path("making")).isEmpty();
    }
}
