package embrick.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * {@code ./embrick bench}: the whole job of one picture, 24 MP JPEG → 8 × 10 in at 300 ppi → sRGB → JPEG quality 95, by
 * Embrick and by Pillow in turns, each in a process of its own that is warm before it is measured.
 *
 * <p>Printed are medians and the ratio; on a shared machine only the ratio means something.
 */
public final class Bench {
    private static final int ROUNDS = 3;
    private static final int PICTURES = 5;

    private Bench() {}

    public static void main(String[] arguments) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("embrick-bench");
        try {
            Path original = folder.resolve("original.jpg");
            Pillow.draw(original);
            List<Measured> ours = new ArrayList<>();
            List<Measured> pillow = new ArrayList<>();
            for (int round = 0; round < ROUNDS; round++) {
                ours.addAll(WholeJob.inOwnProcess(original, folder.resolve("ours.jpg"), PICTURES));
                pillow.addAll(Pillow.measure(original, folder.resolve("pillow.jpg"), PICTURES));
            }
            print(original, ours, pillow);
        } finally {
            try (var files = Files.walk(folder)) {
                for (Path file :
                        files.sorted(java.util.Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(file);
                }
            }
        }
    }

    private static void print(Path original, List<Measured> ours, List<Measured> pillow) throws IOException {
        System.out.printf(
                Locale.ROOT,
                "24 MP JPEG (%.1f MB) → 8 × 10 in at 300 → sRGB → JPEG q95 4:4:4, medians of %d%n",
                Files.size(original) / 1e6,
                ours.size());
        line("Embrick", ours);
        line("Pillow", pillow);
        System.out.printf(
                Locale.ROOT,
                "ratio     CPU %.2f   wall %.2f%n",
                Measured.medianCpu(ours) / Measured.medianCpu(pillow),
                Measured.medianWall(ours) / Measured.medianWall(pillow));
    }

    private static void line(String name, List<Measured> measured) {
        System.out.printf(
                Locale.ROOT,
                "%-8s  CPU %.0f ms   wall %.0f ms   peak memory %.0f MiB%n",
                name,
                Measured.medianCpu(measured) * 1e3,
                Measured.medianWall(measured) * 1e3,
                Measured.peak(measured) / 1024.0);
    }
}
