package embrick.server.support;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A PostgreSQL cluster for the tests of one JVM: made below the temporary folder, on loopback, without fsync. A watcher
 * ends it when the JVM has gone, however that went.
 */
public final class ThrowawayPostgres {
    private static ThrowawayPostgres running;

    private final int port;
    private final Path folder;

    private ThrowawayPostgres(int port, Path folder) {
        this.port = port;
        this.folder = folder;
    }

    /** A cluster of its own for a test that ends it. */
    public static ThrowawayPostgres another() throws IOException, InterruptedException {
        return make();
    }

    /** Ends the server as a crash would: its process is gone at once, its children notice. */
    public void kill() throws IOException, InterruptedException {
        ProcessHandle postmaster = ProcessHandle.of(postmaster()).orElseThrow();
        postmaster.destroyForcibly();
        postmaster.onExit().join();
    }

    /** Starts the server again, as soon as the children of the one that was killed are gone. */
    @SuppressWarnings("ThreadSleep")
    public void startAgain() throws IOException, InterruptedException {
        for (int attempt = 0; ; attempt++) {
            Files.deleteIfExists(folder.resolve("data/postmaster.pid"));
            try {
                start();
                return;
            } catch (IOException notYet) {
                if (attempt == 40) {
                    throw notYet;
                }
                Thread.sleep(250);
            }
        }
    }

    private long postmaster() throws IOException {
        return Long.parseLong(Files.readAllLines(folder.resolve("data/postmaster.pid"))
                .getFirst()
                .strip());
    }

    /** The one cluster of this JVM, started at the first call. */
    public static synchronized ThrowawayPostgres get() {
        if (running == null) {
            try {
                running = make();
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(interrupted);
            }
        }
        return running;
    }

    /** Address of a database; {@link #create} makes it. */
    public String url(String database) {
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + database;
    }

    public void create(String database) {
        try {
            run(List.of(
                    bin().resolve("createdb").toString(),
                    "-h",
                    "127.0.0.1",
                    "-p",
                    "" + port,
                    "-U",
                    "embrick",
                    database));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    private static ThrowawayPostgres make() throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("embrick-postgres");
        Path data = folder.resolve("data");
        boolean root = "root".equals(System.getProperty("user.name"));
        if (root) {
            // PostgreSQL refuses to run as root; its own user must be able to write here.
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxrwxrwx"));
        }
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        run(asServerUser(
                root,
                bin().resolve("initdb").toString(),
                "-D",
                data.toString(),
                "-U",
                "embrick",
                "-A",
                "trust",
                "-E",
                "UTF8",
                "--locale=C.UTF-8",
                "--no-sync"));
        ThrowawayPostgres made = new ThrowawayPostgres(port, folder);
        made.start();
        made.watch();
        return made;
    }

    private void start() throws IOException, InterruptedException {
        run(asServerUser(
                "root".equals(System.getProperty("user.name")),
                bin().resolve("pg_ctl").toString(),
                "-D",
                folder.resolve("data").toString(),
                "-l",
                folder.resolve("log").toString(),
                "-w",
                "-t",
                "60",
                "-o",
                "-c listen_addresses=127.0.0.1 -c port=" + port + " -c unix_socket_directories='' -c fsync=off"
                        // What is committed outlives the server's kill, as it does for users.
                        + " -c full_page_writes=off",
                "start"));
    }

    /** Ends the cluster when this JVM has gone; a postmaster works in its data folder, which tells it from all others. */
    private void watch() throws IOException {
        long self = ProcessHandle.current().pid();
        Path data = folder.resolve("data");
        String script = "while kill -0 " + self + " 2>/dev/null; do sleep 0.5; done; pid=$(head -n 1 '" + data
                + "/postmaster.pid'); [ \"$(readlink /proc/$pid/cwd)\" = '" + data
                + "' ] && kill -INT $pid; sleep 1; rm -rf '"
                + folder + "'";
        new ProcessBuilder("setsid", "sh", "-c", script)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    private static List<String> asServerUser(boolean root, String... command) {
        List<String> whole = new ArrayList<>();
        if (root) {
            whole.addAll(List.of("setpriv", "--reuid", "postgres", "--regid", "postgres", "--clear-groups"));
        }
        whole.addAll(List.of(command));
        return whole;
    }

    private static Path bin() throws IOException {
        try (Stream<Path> versions = Files.list(Path.of("/usr/lib/postgresql"))) {
            return versions.max(Comparator.comparing(Path::toString))
                    .orElseThrow()
                    .resolve("bin");
        }
    }

    private static void run(List<String> command) throws IOException, InterruptedException {
        Path log = Files.createTempFile("embrick-postgres", ".log");
        try {
            Process process = new ProcessBuilder(command)
                    .directory(Path.of("/").toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(log.toFile())
                    .start();
            if (!process.waitFor(2, TimeUnit.MINUTES) || process.exitValue() != 0) {
                throw new IOException(command + " failed: " + Files.readString(log));
            }
        } finally {
            Files.deleteIfExists(log);
        }
    }
}
