package embrick.bench;

import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * One picture made.
 *
 * @param peakKibibytes the process's highest resident memory so far (VmHWM)
 */
record Measured(double cpuSeconds, double wallSeconds, long peakKibibytes) {
    static double medianCpu(List<Measured> all) {
        return median(all, Measured::cpuSeconds);
    }

    static double medianWall(List<Measured> all) {
        return median(all, Measured::wallSeconds);
    }

    static long peak(List<Measured> all) {
        return all.stream().mapToLong(Measured::peakKibibytes).max().orElse(0);
    }

    private static double median(List<Measured> all, ToDoubleFunction<Measured> value) {
        double[] sorted = all.stream().mapToDouble(value).sorted().toArray();
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }

    /** As the measuring processes print it: {@code cpu wall peak}. */
    static List<Measured> parse(String output) {
        return output.lines()
                .filter(line -> line.startsWith("measured "))
                .map(line -> line.split(" "))
                .map(parts -> new Measured(
                        Double.parseDouble(parts[1]), Double.parseDouble(parts[2]), Long.parseLong(parts[3])))
                .toList();
    }
}
