package embrick.server.workers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.server.storage.Storage;
import embrick.server.storage.StorageSettings;
import embrick.server.support.ThrowawayPostgres;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.transaction.support.TransactionTemplate;

/** A process that has another storage than its database says does not begin to work. */
class SameStorageTest {
    private static final AtomicInteger DATABASES = new AtomicInteger();

    @TempDir
    private Path folder;

    private DriverManagerDataSource database;

    @BeforeEach
    void aDatabase() {
        String name = "embrick_storages_" + DATABASES.incrementAndGet();
        ThrowawayPostgres.get().create(name);
        database = new DriverManagerDataSource(ThrowawayPostgres.get().url(name), "embrick", "");
        Flyway.configure().dataSource(database).load().migrate();
    }

    private SameStorage process(Path storage, boolean isApplication, boolean takeAsNew) throws IOException {
        return new SameStorage(
                JdbcClient.create(database),
                new TransactionTemplate(new DataSourceTransactionManager(database)),
                new Storage(StorageSettings.in(storage)),
                isApplication,
                takeAsNew,
                1);
    }

    private SameStorage application(Path storage) throws IOException {
        return process(storage, true, false);
    }

    private SameStorage worker(Path storage) throws IOException {
        return process(storage, false, false);
    }

    @Test
    void aWorkerIsAtWorkOnTheSameStorageUnderAnotherPath() throws IOException {
        application(folder.resolve("storage")).begin();
        Path otherPath = Files.createSymbolicLink(folder.resolve("mounted"), folder.resolve("storage"));
        assertThatCode(() -> worker(otherPath).begin()).doesNotThrowAnyException();
        // Starting the application again changes nothing for those that come after.
        application(folder.resolve("storage")).begin();
        assertThatCode(() -> worker(otherPath).begin()).doesNotThrowAnyException();
    }

    @Test
    void anEmptyFolderAndAnOldCopyAreNotTheStorage() throws IOException {
        Path storage = folder.resolve("storage");
        application(storage).begin();
        assertRefused(folder.resolve("not mounted"));
        Path copy = Files.createDirectories(folder.resolve("copy"));
        Files.copy(storage.resolve(".embrick-storage"), copy.resolve(".embrick-storage"));
        application(storage).begin();
        assertRefused(copy);
        Files.writeString(copy.resolve(".embrick-storage"), "torn");
        assertRefused(copy);
    }

    private void assertRefused(Path storage) throws IOException {
        SameStorage worker = worker(storage);
        assertThatThrownBy(worker::begin)
                .isInstanceOf(StartRefusedException.class)
                .hasMessageContaining(storage.toString());
    }

    @Test
    void aWorkerBeforeTheApplicationSaysSo() throws IOException {
        SameStorage worker = worker(folder.resolve("storage"));
        assertThatThrownBy(worker::begin).hasMessageContaining("No storage belongs to this database yet");
    }

    @Test
    void theApplicationTakesNoOtherStorageUnlessItIsTold() throws IOException {
        application(folder.resolve("storage")).begin();
        Path empty = folder.resolve("empty");
        SameStorage second = application(empty);
        assertThatThrownBy(second::begin).isInstanceOfSatisfying(StartRefusedException.class, wrong -> {
            assertThat(wrong.getExitCode()).isEqualTo(2);
            assertThat(wrong.remedy()).contains("EMBRICK_TAKE_STORAGE");
        });
        assertThat(empty.resolve(".embrick-storage")).doesNotExist();
        process(empty, true, true).begin();
        assertThatCode(() -> application(empty).begin()).doesNotThrowAnyException();
        assertThatCode(() -> worker(empty).begin()).doesNotThrowAnyException();
        assertRefused(folder.resolve("storage"));
    }
}
