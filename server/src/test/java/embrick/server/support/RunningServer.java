package embrick.server.support;

import embrick.server.EmbrickApplication;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;

/** Starts the real application once for the JVM's tests, on a free port, with its own database and storage. */
public final class RunningServer implements BeforeAllCallback {
    private static Started started;

    /** Under which name the server knows {@link Started#root}. */
    public static final String ROOT = "pictures";

    /** Under which name the server knows {@link Started#other}. */
    public static final String OTHER = "other disk";

    /**
     * What tests need to know of it.
     *
     * @param root a folder that may be opened and delivered to
     * @param other another one, on a file system of its own
     */
    public record Started(
            String address, Path storage, Path root, Path other, ServletWebServerApplicationContext context) {}

    @Override
    public void beforeAll(ExtensionContext context) {
        get();
    }

    public static synchronized Started get() {
        if (started == null) {
            started = start();
        }
        return started;
    }

    private static Started start() {
        ThrowawayPostgres postgres = ThrowawayPostgres.get();
        postgres.create("embrick");
        try {
            Path storage = Files.createTempDirectory("embrick-storage");
            Path root = Files.createTempDirectory("embrick-root");
            // In memory, and so another file system than the storage's, on every Linux.
            Path other = Files.createTempDirectory(Path.of("/dev/shm"), "embrick-root");
            deleteAtTheEnd(other);
            SpringApplication application = new SpringApplication(EmbrickApplication.class);
            var context = (ServletWebServerApplicationContext) application.run(
                    "--server.port=0",
                    "--spring.datasource.url=" + postgres.url("embrick"),
                    "--spring.datasource.username=embrick",
                    "--spring.datasource.password=",
                    "--embrick.storage=" + storage,
                    "--embrick.roots=" + ROOT + "=" + root + "," + OTHER + "=" + other + ",away=" + root
                            + "-that-is-away",
                    "--embrick.counter.address=" + Counter.get().address(),
                    "--embrick.roll.address=" + Roll.get().address(),
                    "--embrick.counter.every=200ms",
                    "--embrick.counter.part-bytes=100000",
                    "--embrick.counter.longest-pause=500ms",
                    "--db-scheduler.polling-interval=3s",
                    "--db-scheduler.heartbeat-interval=500ms",
                    "--embrick.reconcile-every=500ms",
                    "--embrick.hot-folders.every=200ms",
                    "--embrick.hot-folders.still=600ms",
                    "--embrick.hot-folders.patience=2s");
            return new Started("http://127.0.0.1:" + context.getWebServer().getPort(), storage, root, other, context);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void deleteAtTheEnd(Path folder) {
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            try (var all = Files.walk(folder)) {
                all.sorted(java.util.Comparator.reverseOrder())
                        .forEach(file -> file.toFile().delete());
            } catch (IOException stays) {
                System.err.println(folder + " stays: " + stays);
            }
        }));
    }
}
