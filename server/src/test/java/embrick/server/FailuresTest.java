package embrick.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.CannotCreateTransactionException;

/** What HikariCP says where no connection was to be had (its words, as of version 7: HikariPool.createTimeoutException). */
class FailuresTest {
    private static Throwable refusal(String pool) {
        return new CannotCreateTransactionException(
                "Could not open JPA EntityManager for transaction",
                new SQLTransientConnectionException(
                        "HikariPool-1 - Connection is not available, request timed out after 3000ms (" + pool + ")"));
    }

    @Test
    void aPoolWhoseConnectionsAreAllInUseIsBusy() {
        Throwable busy = refusal("total=12, active=12, idle=0, waiting=188");
        assertThat(Failures.isBusy(busy)).isTrue();
    }

    @Test
    void oneThatCanMakeNoneHasNoDatabase() {
        Throwable away = refusal("total=0, active=0, idle=0, waiting=3");
        assertThat(Failures.isBusy(away)).isFalse();
        assertThat(Failures.isDatabaseAway(away)).isTrue();
    }
}
