package embrick.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.sql.SQLTransientConnectionException;
import java.util.List;
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

    @Test
    void noPathOfThisMachineIsTold() {
        String path = "/srv/prints/embrick/storage/making/1.part";
        for (IOException failed : List.of(
                new NoSuchFileException(path),
                new AccessDeniedException(path),
                new FileSystemException(path),
                new FileSystemException(path, null, "Stale file handle"))) {
            assertThat(Failures.words(failed)).isNotBlank().doesNotContain("/");
        }
        assertThat(Failures.words(new IOException("Input/output error"))).isEqualTo("Input/output error");
    }
}
