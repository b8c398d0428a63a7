package embrick.server.workers;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * How processes that make pieces ended. A process that starts notes how the former one of its name did, as whoever started
 * it says. A crash may be a picture's doing; a kill, a power cut or a restart is not.
 */
@Component
public class ProcessEnds {
    /** So much blame sets a piece aside: three crashes, or twelve ends of other kinds. */
    public static final int MOST_BLAME = 12;

    private static final int OF_A_CRASH = 4;
    private static final int OF_ANOTHER_END = 1;

    /**
     * SIGILL, SIGTRAP, SIGABRT, SIGBUS, SIGFPE and SIGSEGV (signal(7), 128 added as POSIX shells do), and 3, which a JVM ends
     * with when its heap overflows ({@code ExitOnOutOfMemoryError}).
     */
    private static final Set<Integer> CRASHES = Set.of(3, 132, 133, 134, 135, 136, 139);

    private static final Duration KEPT = Duration.ofDays(30);

    private final JdbcClient database;
    private final Clock clock;
    private final String endedWith;

    public ProcessEnds(JdbcClient database, Clock clock, @Value("${EMBRICK_ENDED_WITH:}") String endedWith) {
        this.database = database;
        this.clock = clock;
        this.endedWith = endedWith;
    }

    /** Notes that a process has begun, and how the former one of its name ended. */
    public void begin(UUID process, String name) {
        OffsetDateTime now = OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
        database.sql("delete from work_process where ended and began_at < :old")
                .param("old", now.minus(KEPT))
                .update();
        database.sql("update work_process set ended = true, ended_with = :code where name = :name and not ended")
                .param("code", code().orElse(null))
                .param("name", name)
                .update();
        database.sql("insert into work_process (id, name, began_at) values (:id, :name, :now) on conflict do nothing")
                .param("id", process)
                .param("name", name)
                .param("now", now)
                .update();
    }

    private Optional<Integer> code() {
        return endedWith.matches("\\d{1,3}") ? Optional.of(Integer.valueOf(endedWith)) : Optional.empty();
    }

    /** How much a piece is blamed for the end of a process that was at it. */
    public int blameFor(UUID process) {
        Optional<Optional<Integer>> end = database.sql("select ended_with from work_process where id = :id")
                .param("id", process)
                .query((row, _) -> Optional.ofNullable(row.getObject("ended_with", Integer.class)))
                .optional();
        // Of a process that nobody knows the worst is thought.
        return end.map(code -> code.filter(CRASHES::contains).isPresent() ? OF_A_CRASH : OF_ANOTHER_END)
                .orElse(OF_A_CRASH);
    }
}
