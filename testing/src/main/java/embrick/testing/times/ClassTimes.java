package embrick.testing.times;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.support.descriptor.ClassSource;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.TestPlan;

/**
 * Writes the wall and processor time of every test class to {@code target/class-times.tsv}: name, wall seconds, processor
 * seconds.
 *
 * <p>Processor time is that of the whole process tree. Where two classes run at once, what is spent between two events is
 * shared equally among those at work; so the column's sum is exact and one line is an estimate. What is spent while no class
 * is at work, such as the start of the Java machine, is the line {@code (between classes)}.
 */
public final class ClassTimes implements TestExecutionListener {
    private static final Path TABLE = Path.of("target", "class-times.tsv");
    private static final String BETWEEN = "(between classes)";

    private final Map<String, Times> running = new LinkedHashMap<>();
    private final List<String> lines = new ArrayList<>();
    private final Times between = new Times(System.nanoTime());
    private long settledMillis;

    private static final class Times {
        private final long begunNanos;
        private double processorMillis;

        private Times(long begunNanos) {
            this.begunNanos = begunNanos;
        }
    }

    @Override
    public synchronized void executionStarted(TestIdentifier test) {
        nameOf(test).ifPresent(name -> {
            settle();
            running.put(name, new Times(System.nanoTime()));
        });
    }

    @Override
    public synchronized void executionFinished(TestIdentifier test, TestExecutionResult result) {
        nameOf(test).ifPresent(name -> {
            settle();
            Times times = running.remove(name);
            if (times != null) {
                lines.add(line(name, (System.nanoTime() - times.begunNanos) / 1e9, times));
            }
        });
    }

    @Override
    public synchronized void testPlanExecutionFinished(TestPlan plan) {
        settle();
        if (lines.isEmpty()) {
            return;
        }
        lines.add(line(BETWEEN, 0, between));
        try {
            Files.createDirectories(TABLE.getParent());
            Files.write(TABLE, lines);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Gives what was spent since the last event to the classes that are at work. */
    private void settle() {
        long now = ProcessTree.processorMillis();
        double spent = Math.max(0, now - settledMillis);
        settledMillis = now;
        if (running.isEmpty()) {
            between.processorMillis += spent;
        }
        running.values().forEach(times -> times.processorMillis += spent / running.size());
    }

    /** Of top-level classes alone: nested ones are part of them. */
    private static java.util.Optional<String> nameOf(TestIdentifier test) {
        return test.getSource()
                .filter(source -> test.isContainer() && source instanceof ClassSource)
                .map(source -> ((ClassSource) source).getClassName())
                .filter(name -> !name.contains("$"));
    }

    private static String line(String name, double wallSeconds, Times times) {
        return String.format(Locale.ROOT, "%s\t%.1f\t%.1f", name, wallSeconds, times.processorMillis / 1e3);
    }
}
