package embrick.server.workers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.EmbrickApplication;
import embrick.server.support.Api;
import embrick.server.support.RunningServer;
import embrick.server.support.ThrowawayPostgres;
import embrick.testing.Await;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;

/** Two applications on one database: the second is refused, and one that lost its place ends. */
class OneApplicationTest {
    private static final String DATABASE = "embrick_one_application";

    @BeforeAll
    static void aDatabase() {
        ThrowawayPostgres.get().create(DATABASE);
    }

    private static OneApplication application(String name) {
        return new OneApplication(ThrowawayPostgres.get().url(DATABASE), "embrick", "", name, Duration.ofMillis(300));
    }

    @Test
    void theSecondIsToldWhoTheFirstIs() {
        try (OneApplication first = application("first");
                OneApplication second = application("second")) {
            first.hold();
            assertThatThrownBy(second::hold)
                    .isInstanceOf(StartRefusedException.class)
                    .hasMessageContaining("embrick first on ")
                    .hasMessageContaining("process " + ProcessHandle.current().pid())
                    .hasMessageContaining("there since ");
            assertThat(first.lost()).isEmpty();
        }
    }

    @Test
    void theSecondComesInWhenTheFirstHasEnded() {
        OneApplication first = application("first");
        first.hold();
        first.close();
        try (OneApplication second = application("second")) {
            second.hold();
            assertThat(second.lost()).isEmpty();
        }
    }

    /** As after the database was started again: whoever comes first has it. */
    @Test
    void aSessionThatWasLostIsTakenAgainUnlessAnotherHasTakenIt() throws SQLException {
        try (OneApplication first = application("first");
                OneApplication second = application("second")) {
            first.hold();
            endSessions();
            assertThat(first.lost()).isEmpty();
            assertThatThrownBy(second::hold).isInstanceOf(StartRefusedException.class);
            endSessions();
            second.hold();
            assertThat(first.lost())
                    .hasValueSatisfying(holder -> assertThat(holder.name()).startsWith("embrick second on "));
        }
    }

    /** With another storage, which it would be refused for too: before that it must have changed nothing of the first. */
    @Test
    void aWholeApplicationIsRefusedBeforeItsFirstWrite(@TempDir Path other) {
        Api api = new Api(RunningServer.get().address());
        String before = api.get("/workers").body().at("/0/id").asString();
        SpringApplication second = new SpringApplication(EmbrickApplication.class);
        second.setRegisterShutdownHook(false);
        assertThatThrownBy(() -> second.run(
                        "--server.port=0",
                        "--spring.datasource.url=" + ThrowawayPostgres.get().url("embrick"),
                        "--spring.datasource.username=embrick",
                        "--spring.datasource.password=",
                        "--embrick.storage=" + other.resolve("storage"),
                        "--embrick.patience-with-another=100ms"))
                .hasRootCauseInstanceOf(StartRefusedException.class)
                .rootCause()
                .hasMessageContaining("is in use by embrick application on ");
        assertThat(api.get("/workers").body()).hasSize(1).allSatisfy(worker -> {
            assertThat(worker.path("id").asString()).isEqualTo(before);
            assertThat(worker.path("state").asString()).isNotEqualTo("LOST");
        });
    }

    private static void endSessions() throws SQLException {
        try (Connection connection =
                        DriverManager.getConnection(ThrowawayPostgres.get().url(DATABASE), "embrick", "");
                Statement statement = connection.createStatement()) {
            statement.execute("select pg_terminate_backend(pid) from pg_stat_activity"
                    + " where datname = current_database() and pid <> pg_backend_pid()");
            Await.until("the sessions to end", () -> others(statement) == 0);
        }
    }

    private static int others(Statement statement) {
        try (ResultSet count = statement.executeQuery("select count(*) from pg_stat_activity"
                + " where datname = current_database() and pid <> pg_backend_pid()")) {
            count.next();
            return count.getInt(1);
        } catch (SQLException failed) {
            throw new AssertionError(failed);
        }
    }
}
