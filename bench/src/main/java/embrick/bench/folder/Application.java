package embrick.bench.folder;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The application as its start command starts it, on a database and a storage of its own. */
final class Application implements AutoCloseable {
    /** What /proc counts processor time in (proc(5), USER_HZ); 100 on every Linux that Java runs on. */
    private static final double TICKS_A_SECOND = 100;

    private static final long MOST_START_MINUTES = 10;

    private final Path home;
    private final int port;

    private Application(Path home, int port) {
        this.home = home;
        this.port = port;
    }

    static Application in(Path home) throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            return new Application(home, free.getLocalPort());
        }
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    void start() throws IOException, InterruptedException {
        command("start");
    }

    void stop() throws IOException, InterruptedException {
        command("stop");
    }

    @Override
    public void close() throws IOException {
        try {
            stop();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private void command(String command) throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder("./embrick", command)
                .redirectErrorStream(true)
                .redirectOutput(
                        Files.createDirectories(home).resolve("command.log").toFile());
        builder.environment().put("EMBRICK_HOME", home.toString());
        builder.environment().put("EMBRICK_PORT", "" + port);
        builder.environment().put("EMBRICK_STORAGE", home.resolve("storage").toString());
        Process process = builder.start();
        if (!process.waitFor(MOST_START_MINUTES, TimeUnit.MINUTES) || process.exitValue() != 0) {
            throw new IOException("./embrick " + command + " failed: " + Files.readString(home.resolve("command.log")));
        }
    }

    /** Waits until nothing that the start began for later is at work any more, such as the making of the class cache. */
    void awaitClassCache() throws IOException, InterruptedException {
        while (true) {
            try (Stream<Path> releases = Files.list(home)) {
                if (releases.anyMatch(release -> Files.exists(release.resolve("application.aot")))) {
                    return;
                }
            }
            TimeUnit.MILLISECONDS.sleep(500);
        }
    }

    /** Processor seconds of all its processes so far, the database's and those that have ended among them. */
    double cpuSeconds() throws IOException {
        double seconds = 0;
        for (long[] stat : processes().values()) {
            seconds += (stat[0] + stat[1] + stat[2] + stat[3]) / TICKS_A_SECOND;
        }
        return seconds;
    }

    /** Resident bytes of all its processes, those shared with others counted in part. */
    long residentBytes() throws IOException {
        long kibibytes = 0;
        for (long pid : processes().keySet()) {
            try (Stream<String> lines = Files.lines(Path.of("/proc/" + pid + "/smaps_rollup"))) {
                kibibytes += lines.filter(line -> line.startsWith("Pss:"))
                        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                        .sum();
            } catch (IOException | java.io.UncheckedIOException gone) {
                // It has ended meanwhile, or is another user's: the database's are counted only by root.
            }
        }
        return kibibytes << 10;
    }

    /** User, system and both of ended children in ticks, by process id: those started from the home and their children. */
    private Map<Long, long[]> processes() throws IOException {
        Map<Long, long[]> stats = new HashMap<>();
        Map<Long, Long> parents = new HashMap<>();
        List<Long> all = ProcessHandle.allProcesses().map(ProcessHandle::pid).toList();
        for (long pid : all) {
            try {
                String stat = Files.readString(Path.of("/proc/" + pid + "/stat"), StandardCharsets.ISO_8859_1);
                String[] fields = stat.substring(stat.lastIndexOf(')') + 2).split(" ");
                parents.put(pid, Long.parseLong(fields[1]));
                stats.put(pid, new long[] {
                    Long.parseLong(fields[11]),
                    Long.parseLong(fields[12]),
                    Long.parseLong(fields[13]),
                    Long.parseLong(fields[14])
                });
            } catch (NoSuchFileException gone) {
                // It has ended meanwhile.
            } catch (IOException gone) {
                // As above: reading a process that ends fails with ESRCH.
            }
        }
        Set<Long> roots =
                stats.keySet().stream().filter(this::isStartedFromHome).collect(Collectors.toSet());
        stats.keySet().removeIf(pid -> !isBelow(pid, roots, parents));
        return stats;
    }

    private boolean isStartedFromHome(long pid) {
        try {
            return Files.readString(Path.of("/proc/" + pid + "/cmdline"), StandardCharsets.ISO_8859_1)
                    .contains(home.toString());
        } catch (IOException gone) {
            return false;
        }
    }

    private static boolean isBelow(long pid, Set<Long> roots, Map<Long, Long> parents) {
        // This process names the home too, if it is told of it; it is nobody's child here.
        if (pid == ProcessHandle.current().pid()) {
            return false;
        }
        Long at = pid;
        while (at != null && at > 1) {
            if (roots.contains(at)) {
                return true;
            }
            at = parents.get(at);
        }
        return false;
    }
}
