package embrick.server.runs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.ExecutionComplete;
import com.github.kagkarlsson.scheduler.task.ExecutionOperations;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * What takes pieces from the queue. What the maker itself could not answer, such as a database that is away, is tried again
 * with growing pauses and without end: it is no fault of the piece.
 */
@Configuration
class PieceTask {
    static final String NAME = "piece";

    private static final Duration FIRST_PAUSE = Duration.ofSeconds(1);
    private static final Duration LONGEST_PAUSE = Duration.ofMinutes(1);
    private static final int DOUBLED_AT_MOST = 6;

    @Bean
    OneTimeTask<Void> makePiece(ObjectProvider<PieceMaker> maker) {
        return Tasks.oneTime(TaskDescriptor.of(NAME))
                .onFailure(PieceTask::tryLater)
                .execute((instance, context) -> maker.getObject()
                        .make(UUID.fromString(instance.getId()), context.getExecution().consecutiveFailures));
    }

    private static void tryLater(ExecutionComplete failed, ExecutionOperations<Void> operations) {
        int failures = Math.min(failed.getExecution().consecutiveFailures, DOUBLED_AT_MOST);
        Duration pause = FIRST_PAUSE.multipliedBy(1L << failures);
        operations.reschedule(
                failed, failed.getTimeDone().plus(pause.compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause));
    }

    /** A process that makes no pieces has no scheduler, but its queue is the same. */
    @Bean
    @ConditionalOnProperty(name = "embrick.worker", havingValue = "false")
    SchedulerClient queueOnly(DataSource dataSource, OneTimeTask<Void> makePiece) {
        return SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(dataSource), makePiece)
                .enablePriority()
                .build();
    }
}
