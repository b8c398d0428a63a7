package embrick.server.runs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * The queue: a task for each piece, holding only its id.
 *
 * <p>Priority falls with a piece's place in its run, so that the first pieces of a small run come before the later ones
 * of a large one: all runs advance together, whoever came first.
 */
@Configuration
class PieceQueue {
    static final String TASK = "piece";

    /** Of what the maker itself could not answer, such as a database that is away for a moment. */
    private static final int RETRIES = 5;

    private static final Duration PAUSE = Duration.ofSeconds(2);

    @Bean
    OneTimeTask<Void> pieceTask(ObjectProvider<PieceMaker> maker) {
        return Tasks.oneTime(TaskDescriptor.of(TASK))
                .onFailure(FailureHandler.<Void>maxRetries(RETRIES)
                        .withBackoff(PAUSE)
                        .thenRemove())
                .execute((instance, _) -> maker.getObject().make(UUID.fromString(instance.getId())));
    }

    /** A process that makes no pieces has no scheduler, but still puts pieces into the queue. */
    @Bean
    @ConditionalOnProperty(name = "embrick.worker", havingValue = "false")
    SchedulerClient queueOnly(DataSource dataSource, OneTimeTask<Void> pieceTask) {
        return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource), pieceTask)
                .enablePriority()
                .build();
    }

    /** Puts pieces into the queue, inside the caller's transaction. */
    static void schedule(SchedulerClient scheduler, List<Piece> pieces, Clock clock) {
        Instant now = clock.instant();
        List<TaskInstance<?>> instances = new java.util.ArrayList<>();
        for (Piece piece : pieces) {
            instances.add(new TaskInstance.Builder<Void>(TASK, piece.id().toString())
                    .priority(Math.max(Short.MIN_VALUE, -piece.position()))
                    .build());
        }
        scheduler.scheduleBatch(instances, now);
    }
}
