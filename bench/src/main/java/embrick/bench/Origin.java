package embrick.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.stream.Stream;

/** Where a figure comes from: the code's revision, the day and the machine. Figures of different ones are not held beside each other. */
final class Origin {
    private static final String WORDS = words();

    private Origin() {}

    /** As each line ends; {@code scripts/bench-table.sh} reads it. */
    static String told() {
        return WORDS;
    }

    private static String words() {
        return "[revision " + System.getProperty("embrick.revision", "unknown") + ", " + LocalDate.now() + ", "
                + processor() + " × " + Runtime.getRuntime().availableProcessors() + "]";
    }

    private static String processor() {
        try (Stream<String> lines = Files.lines(Path.of("/proc/cpuinfo"))) {
            return lines.filter(line -> line.startsWith("model name"))
                    .map(line -> line.substring(line.indexOf(':') + 1).strip())
                    .findFirst()
                    .orElse(System.getProperty("os.arch"));
        } catch (IOException unreadable) {
            return System.getProperty("os.arch");
        }
    }
}
