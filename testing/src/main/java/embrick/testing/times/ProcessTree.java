package embrick.testing.times;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The processor time of this process and of all that it started, as Linux counts it in {@code /proc} (proc(5)). */
final class ProcessTree {
    /** USER_HZ: 100 on every Linux architecture that a JDK is built for. */
    private static final long MILLIS_PER_TICK = 10;

    // Fields of /proc/PID/stat, counted from the one that follows the name.
    private static final int PARENT = 1;
    private static final int FIRST_TIME = 11;
    private static final int LAST_TIME = 14;

    private ProcessTree() {}

    private record Status(long parent, long ticks) {}

    /**
     * Milliseconds of user and system time so far. A descendant that ended counts through the parent that waited for it; one
     * that became a daemon is lost.
     */
    static long processorMillis() {
        Map<Long, Status> all = new HashMap<>();
        Map<Long, List<Long>> children = new HashMap<>();
        try (DirectoryStream<Path> processes = Files.newDirectoryStream(Path.of("/proc"), "[0-9]*")) {
            for (Path process : processes) {
                long pid = Long.parseLong(process.getFileName().toString());
                Status status = read(process.resolve("stat"));
                if (status != null) {
                    all.put(pid, status);
                    children.computeIfAbsent(status.parent(), parent -> new ArrayList<>())
                            .add(pid);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        long ticks = 0;
        Deque<Long> open = new ArrayDeque<>(List.of(ProcessHandle.current().pid()));
        while (!open.isEmpty()) {
            long pid = open.pop();
            Status status = all.get(pid);
            ticks += status == null ? 0 : status.ticks();
            open.addAll(children.getOrDefault(pid, List.of()));
        }
        return ticks * MILLIS_PER_TICK;
    }

    /** Null for a process that ended meanwhile. */
    private static Status read(Path stat) {
        try {
            String text = Files.readString(stat, java.nio.charset.StandardCharsets.ISO_8859_1);
            // The name in parentheses may hold anything.
            String[] fields = text.substring(text.lastIndexOf(')') + 2).split(" ");
            long ticks = 0;
            for (int field = FIRST_TIME; field <= LAST_TIME; field++) {
                ticks += Long.parseLong(fields[field]);
            }
            return new Status(Long.parseLong(fields[PARENT]), ticks);
        } catch (IOException ended) {
            return null;
        }
    }
}
