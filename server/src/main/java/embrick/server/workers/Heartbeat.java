package embrick.server.workers;

import embrick.server.storage.StorageSettings;
import embrick.server.workers.StageTimes.Spent;
import embrick.server.workers.StageTimes.Stage;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Map;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ApplicationContext;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Tells the others, second by second, that this process is there and what it is making. */
@Component
class Heartbeat {
    private static final Logger LOG = LoggerFactory.getLogger(Heartbeat.class);
    private static final long EVERY_MILLIS = 1000;

    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final LiveProgress progress;
    private final StageTimes stages;
    private final UUID process;
    private final String name;
    private final int threads;
    private final boolean hasPages;
    private boolean isTold;
    private Map<Stage, Spent> told = Map.of();

    Heartbeat(
            JdbcClient database,
            TransactionTemplate transaction,
            LiveProgress progress,
            StageTimes stages,
            ProcessId process,
            StorageSettings settings,
            ApplicationContext context,
            @Value("${db-scheduler.scheduler-name}") String name) {
        this.database = database;
        this.transaction = transaction;
        this.progress = progress;
        this.stages = stages;
        this.process = process.get();
        this.name = name;
        this.threads = settings.worker() ? settings.threads() : 0;
        this.hasPages = context instanceof WebServerApplicationContext;
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void beat() {
        Map<UUID, LiveProgress.Making> making = progress.all();
        Map<Stage, Spent> spent = stages.spent();
        try {
            transaction.executeWithoutResult(_ -> {
                tellThere();
                if (isTold || !making.isEmpty()) {
                    tellMaking(making);
                }
                if (!spent.equals(told)) {
                    tellSpent(spent);
                }
            });
            isTold = !making.isEmpty();
            told = spent;
        } catch (RuntimeException later) {
            // It is told by the next beat; a database that is away is told of elsewhere.
            LOG.debug("not told: {}", later.toString());
        }
    }

    private void tellThere() {
        database.sql("""
                        insert into work_process (id, name, began_at, machine, number, has_pages, threads, memory_bytes, seen_at)
                        values (:id, :name, clock_timestamp(), :machine, :number, :pages, :threads, :memory, clock_timestamp())
                        on conflict (id) do update set machine = excluded.machine, number = excluded.number,
                          has_pages = excluded.has_pages, threads = excluded.threads,
                          memory_bytes = excluded.memory_bytes, seen_at = excluded.seen_at""")
                .param("id", process)
                .param("name", name)
                .param("machine", machine())
                .param("number", ProcessHandle.current().pid())
                .param("pages", hasPages)
                .param("threads", threads)
                .param("memory", Runtime.getRuntime().maxMemory())
                .update();
    }

    private void tellMaking(Map<UUID, LiveProgress.Making> making) {
        database.sql("delete from work_making where process_id = :id")
                .param("id", process)
                .update();
        making.forEach((piece, at) -> database.sql("""
                        insert into work_making (process_id, piece_id, run_id, strip, strips, checking)
                        values (:id, :piece, :run, :strip, :strips, :checking)""")
                .param("id", process)
                .param("piece", piece)
                .param("run", at.runId())
                .param("strip", at.strip())
                .param("strips", at.strips())
                .param("checking", at.checking())
                .update());
    }

    private void tellSpent(Map<Stage, Spent> spent) {
        spent.forEach((stage, sum) -> database.sql("""
                        insert into work_stage (process_id, stage, times, seconds) values (:id, :stage, :times, :seconds)
                        on conflict (process_id, stage) do update set times = excluded.times, seconds = excluded.seconds""")
                .param("id", process)
                .param("stage", stage.name())
                .param("times", sum.times())
                .param("seconds", sum.seconds())
                .update());
    }

    /** One that ends as it was asked to is not lost. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        try {
            database.sql("update work_process set ended = true where id = :id")
                    .param("id", process)
                    .update();
        } catch (RuntimeException away) {
            LOG.info("the database was not told of this end: {}", away.toString());
        }
    }

    private static String machine() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException unnamed) {
            return "unnamed";
        }
    }
}
