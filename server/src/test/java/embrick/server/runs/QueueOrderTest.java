package embrick.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** Whose turn it is. Seen within transactions that are taken back, so that no worker takes anything meanwhile. */
@ExtendWith(RunningServer.class)
class QueueOrderTest {
    private final Api api = new Api(RunningServer.get().address());
    private final ApplicationContext context = RunningServer.get().context();
    private final PieceQueue queue = context.getBean(PieceQueue.class);
    private final JdbcClient database = context.getBean(JdbcClient.class);
    private final TransactionTemplate transaction = context.getBean(TransactionTemplate.class);

    private final UUID large = runOf("A large run", 8);
    private final UUID small = runOf("A small run", 3);

    private UUID runOf(String name, int pieces) {
        String job = api.newJob(name);
        for (int i = 0; i < pieces; i++) {
            api.upload(job, "kite" + i + ".jpg", TestPictures.drawn("jpg", 120 + i, 80));
        }
        api.changeFirstTicket(job, document -> document.put("ppi", 20));
        String run = api.startRun(job);
        api.finished(run);
        return UUID.fromString(run);
    }

    private void waits(UUID run) {
        database.sql("update piece set state = 'WAITING' where run_id = :run")
                .param("run", run)
                .update();
        queue.schedule(run);
    }

    /** The next one's run, as a worker takes it. */
    private char take() {
        UUID piece = UUID.fromString(database.sql("""
                        select task_instance from scheduled_tasks where task_name = 'piece' and not picked
                        order by priority desc, execution_time limit 1""").query(String.class).single());
        database.sql("delete from scheduled_tasks where task_instance = :piece")
                .param("piece", piece.toString())
                .update();
        UUID run = database.sql("update piece set state = 'CHECKED' where id = :piece returning run_id")
                .param("piece", piece)
                .query(UUID.class)
                .single();
        return run.equals(large) ? 'L' : 'S';
    }

    private String take(int pieces) {
        List<Character> taken = new ArrayList<>();
        for (int i = 0; i < pieces; i++) {
            taken.add(take());
        }
        return taken.stream().map(String::valueOf).collect(Collectors.joining());
    }

    private void takenBack(Runnable work) {
        transaction.executeWithoutResult(status -> {
            status.setRollbackOnly();
            work.run();
        });
    }

    @Test
    void aRunThatBeginsLaterGetsTheSameShareFromThenOn() {
        takenBack(() -> {
            waits(large);
            assertThat(take(4)).isEqualTo("LLLL");
            waits(small);
            // Three of each, one after the other in either order, then what is left.
            String both = take(6);
            for (int pair = 0; pair < 6; pair += 2) {
                assertThat(both.substring(pair, pair + 2)).matches("LS|SL");
            }
            assertThat(take(1)).isEqualTo("L");
        });
    }

    @Test
    void aStreamOfSmallRunsDoesNotKeepALargeOneWaiting() {
        takenBack(() -> {
            waits(large);
            assertThat(take(3)).isEqualTo("LLL");
            String taken = "";
            for (int again = 0; again < 4; again++) {
                waits(small);
                taken += take(2);
            }
            assertThat(taken.chars().filter(one -> one == 'L').count()).isGreaterThanOrEqualTo(3);
        });
    }

    @Test
    void aRunThatIsPutFirstComesBeforeTheOthersAndGoesBackAmongThem() {
        takenBack(() -> {
            waits(large);
            waits(small);
            putFirst(small, true);
            assertThat(take(2)).isEqualTo("SS");
            putFirst(small, false);
            assertThat(take(2)).matches("LS|SL");
        });
    }

    private void putFirst(UUID run, boolean first) {
        database.sql("update run set put_first = :first where id = :run")
                .param("first", first)
                .param("run", run)
                .update();
        queue.unschedule(run);
        queue.schedule(run);
    }

    @Test
    void itIsAskedForByRun() {
        assertThat(api.post("/runs/" + small + "/put-first", Map.of())
                        .body()
                        .path("putFirst")
                        .asBoolean())
                .isTrue();
        assertThat(api.post("/runs/" + small + "/put-back", Map.of())
                        .body()
                        .path("putFirst")
                        .asBoolean())
                .isFalse();
        assertThat(api.post("/runs/" + UUID.randomUUID() + "/put-first", Map.of())
                        .status())
                .isEqualTo(404);
    }
}
