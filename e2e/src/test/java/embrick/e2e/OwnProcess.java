package embrick.e2e;

import embrick.server.support.ThrowawayPostgres;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** The application as a process of its own, on a database and a storage of the test. */
final class OwnProcess {
    private final Path folder;
    private final String name;
    private final List<String> arguments;
    private final List<String> options = new ArrayList<>();
    private final List<String> before = new ArrayList<>();
    private Process process;
    private long begunNanos;
    private long said;

    private OwnProcess(Path folder, String name, List<String> arguments) {
        this.folder = folder;
        this.name = name;
        this.arguments = arguments;
    }

    /** The one with pages, on a port of its own. */
    static OwnProcess application(Path folder, int port, ThrowawayPostgres postgres, String database) {
        return new OwnProcess(folder, "application", with(folder, postgres, database, "--server.port=" + port));
    }

    /** One that only makes pieces. */
    static OwnProcess worker(Path folder, ThrowawayPostgres postgres, String database) {
        return worker(folder, "worker", folder.resolve("storage"), postgres, database);
    }

    /** @param storage the application's, perhaps under another path */
    static OwnProcess worker(Path folder, String name, Path storage, ThrowawayPostgres postgres, String database) {
        List<String> arguments = with(
                folder,
                postgres,
                database,
                "--spring.main.web-application-type=none",
                "--db-scheduler.scheduler-name=" + name);
        arguments.replaceAll(
                argument -> argument.startsWith("--embrick.storage=") ? "--embrick.storage=" + storage : argument);
        return new OwnProcess(folder, name, arguments);
    }

    private static List<String> with(Path folder, ThrowawayPostgres postgres, String database, String... more) {
        List<String> arguments = new ArrayList<>(List.of(more));
        arguments.add("--spring.datasource.url=" + postgres.url(database));
        arguments.add("--spring.datasource.username=embrick");
        arguments.add("--spring.datasource.password=");
        arguments.add("--embrick.storage=" + folder.resolve("storage"));
        arguments.add("--embrick.reconcile-every=1s");
        arguments.add("--embrick.threads=1");
        return arguments;
    }

    /**
     * Compiled quickly instead of well, without vectors: for tests that start it again and again and do not ask how fast it
     * makes a piece.
     */
    OwnProcess compiledQuickly() {
        options.addAll(List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Dembrick.vectors=off"));
        return this;
    }

    /** With a command before its own, as one that binds it to a core. */
    OwnProcess under(String... words) {
        before.addAll(List.of(words));
        return this;
    }

    OwnProcess saying(String... more) {
        arguments.addAll(List.of(more));
        return this;
    }

    static int freePort() throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            return free.getLocalPort();
        }
    }

    long pid() {
        return process.pid();
    }

    /** Starts it and waits until it is at work; the seconds that took. */
    double start() throws IOException, InterruptedException {
        begin();
        return awaitStart();
    }

    /** Starts it without waiting. */
    void begin() throws IOException {
        List<String> command = new ArrayList<>(before);
        command.addAll(List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "-cp",
                System.getProperty("java.class.path"),
                "--add-modules=jdk.incubator.vector",
                "--enable-native-access=ALL-UNNAMED",
                "-Djava.awt.headless=true",
                "-Xmx1g"));
        command.addAll(options);
        command.add("embrick.server.EmbrickApplication");
        command.addAll(arguments);
        begunNanos = System.nanoTime();
        said = Files.exists(log()) ? Files.size(log()) : 0;
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log().toFile()));
        if (process != null) {
            // As its supervisor says it: a kill is no picture's fault.
            builder.environment().put("EMBRICK_ENDED_WITH", String.valueOf(process.exitValue()));
        }
        process = builder.start();
    }

    private Path log() {
        return folder.resolve(name + ".log");
    }

    /** Waits until it is at work; the seconds since it was begun. */
    double awaitStart() throws IOException, InterruptedException {
        while (!saidSince(log(), said).contains("Started EmbrickApplication")) {
            if (process.waitFor(50, TimeUnit.MILLISECONDS)) {
                throw new AssertionError(name + " ended: " + Files.readString(log()));
            }
            if (System.nanoTime() - begunNanos > 120_000_000_000L) {
                throw new AssertionError(name + " is not ready: " + Files.readString(log()));
            }
        }
        return (System.nanoTime() - begunNanos) / 1e9;
    }

    private static String saidSince(Path log, long from) throws IOException {
        byte[] all = Files.readAllBytes(log);
        return new String(all, (int) from, all.length - (int) from, java.nio.charset.StandardCharsets.UTF_8);
    }

    /** It stands still where it is, warm, until it {@link #goOn goes on}. */
    void hold() throws IOException, InterruptedException {
        signal("STOP");
    }

    void goOn() throws IOException, InterruptedException {
        signal("CONT");
    }

    private void signal(String name) throws IOException, InterruptedException {
        new ProcessBuilder("kill", "-" + name, String.valueOf(process.pid()))
                .inheritIO()
                .start()
                .waitFor();
    }

    void kill() throws InterruptedException {
        if (process != null) {
            process.destroyForcibly().waitFor();
        }
    }
}
