package embrick.server.workers;

import embrick.server.problems.ProblemException;
import jakarta.validation.constraints.NotNull;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The processes that are at work, or were until a short time ago and were lost. */
@Component
public class Workers {
    /**
     * Whether a process {@code p} is there: seen just now. A little longer than the queue waits before it gives a lost one's
     * pieces to others: five heartbeats of two seconds (application.yaml). One that was seen in times to come was seen before
     * the clock was set back.
     */
    static final String IS_THERE = "abs(extract(epoch from clock_timestamp() - p.seen_at)) < 12";

    private final JdbcClient database;

    Workers(JdbcClient database) {
        this.database = database;
    }

    public enum WorkerState {
        MAKING,
        IDLE,
        /** Not seen any more, without having said that it ends. Its pieces go to others by themselves. */
        LOST
    }

    /** @param strips 0 while the original is being decoded */
    public record MakingView(
            @NotNull UUID pieceId,
            @NotNull UUID runId,
            @NotNull UUID jobId,
            @NotNull String jobName,
            @NotNull String originalPath,
            @NotNull String name,
            int strip,
            int strips,
            boolean checking) {}

    /**
     * @param number of the process on its machine
     * @param hasPages whether it is the application itself
     * @param threads pieces it makes at once
     * @param memoryBytes the most its heap takes
     * @param lastHour pieces that it finished in the last hour
     */
    public record WorkerView(
            @NotNull UUID id,
            @NotNull String name,
            @NotNull String machine,
            long number,
            boolean hasPages,
            @NotNull WorkerState state,
            @NotNull Instant beganAt,
            @NotNull Instant seenAt,
            int threads,
            long memoryBytes,
            long lastHour,
            @NotNull List<MakingView> making) {}

    @Transactional(readOnly = true)
    public List<WorkerView> all() {
        Map<UUID, List<MakingView>> making = making();
        return database.sql("""
                        select p.*, :there as is_there,
                          (select count(*) from piece q where q.made_by = p.id and q.state = 'CHECKED'
                             and q.changed_at > now() - interval '1 hour') as last_hour
                        from work_process p
                        where not p.ended and p.threads > 0 and p.seen_at > now() - interval '1 day'
                        order by p.has_pages desc, p.machine, p.began_at""".replace(":there", IS_THERE))
                .query((row, _) -> worker(row, making))
                .list();
    }

    private static WorkerView worker(ResultSet row, Map<UUID, List<MakingView>> making) throws SQLException {
        UUID id = row.getObject("id", UUID.class);
        boolean isThere = row.getBoolean("is_there");
        List<MakingView> own = isThere ? making.getOrDefault(id, List.of()) : List.of();
        WorkerState state = own.isEmpty() ? WorkerState.IDLE : WorkerState.MAKING;
        return new WorkerView(
                id,
                row.getString("name"),
                row.getString("machine"),
                row.getLong("number"),
                row.getBoolean("has_pages"),
                isThere ? state : WorkerState.LOST,
                instant(row, "began_at"),
                instant(row, "seen_at"),
                row.getInt("threads"),
                row.getLong("memory_bytes"),
                row.getLong("last_hour"),
                own);
    }

    private static Instant instant(ResultSet row, String column) throws SQLException {
        return row.getObject(column, OffsetDateTime.class).toInstant();
    }

    private Map<UUID, List<MakingView>> making() {
        record Of(UUID process, MakingView piece) {}
        return database
                .sql("""
                        select m.*, j.id as job_id, j.name as job_name, q.original_path, q.name
                        from work_making m join piece q on q.id = m.piece_id
                          join run r on r.id = q.run_id join job j on j.id = r.job_id
                        order by q.position""")
                .query((row, _) -> new Of(
                        row.getObject("process_id", UUID.class),
                        new MakingView(
                                row.getObject("piece_id", UUID.class),
                                row.getObject("run_id", UUID.class),
                                row.getObject("job_id", UUID.class),
                                row.getString("job_name"),
                                row.getString("original_path"),
                                row.getString("name"),
                                row.getInt("strip"),
                                row.getInt("strips"),
                                row.getBoolean("checking"))))
                .list()
                .stream()
                .collect(Collectors.groupingBy(Of::process, Collectors.mapping(Of::piece, Collectors.toList())));
    }

    /** What the processes that are there have spent on a stage, by their names. */
    public record StageView(String worker, String stage, long times, double seconds) {}

    public List<StageView> stages() {
        return database.sql("""
                        select p.name, s.stage, s.times, s.seconds from work_stage s join work_process p on p.id = s.process_id
                        where not p.ended and :there""".replace(":there", IS_THERE))
                .query((row, _) -> new StageView(
                        row.getString("name"), row.getString("stage"), row.getLong("times"), row.getDouble("seconds")))
                .list();
    }

    /**
     * Takes a lost one off the list; one that is there stays.
     *
     * @throws ProblemException if it is not known, or not lost
     */
    @Transactional
    public void forget(UUID id) {
        int forgotten = database.sql(
                        "update work_process p set ended = true where id = :id and not ended and not :there"
                                .replace(":there", IS_THERE))
                .param("id", id)
                .update();
        if (forgotten == 0) {
            throw all().stream().anyMatch(worker -> worker.id().equals(id))
                    ? ProblemException.invalid(
                            "worker-there", "worker", "This worker is at work.", "End its process first.")
                    : ProblemException.notFound("worker");
        }
    }
}
