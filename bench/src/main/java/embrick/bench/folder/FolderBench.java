package embrick.bench.folder;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;

/**
 * A folder of photographs through the running application, from the first upload to the last byte of the ZIP, beside a
 * reference that does the same in two processes; taken in turns.
 */
public final class FolderBench {
    /** What a person takes from the start to the first drop, about. */
    private static final Duration REST = Duration.ofSeconds(30);

    private static final int WARM_UPS = 2;
    private static final int TURNS = 3;

    private FolderBench() {}

    /** Does the same work with a reference library; seconds of processor time and of the clock. */
    public interface Reference {
        double[] measure(Path out, List<Path> originals) throws IOException, InterruptedException;
    }

    /**
     * All turns; wall and CPU in seconds.
     *
     * @param firstAtOnce the first folder after a start, begun as soon as the application answers
     * @param firstAfterRest the same after a rest
     */
    public record Figures(List<Turn> turns, double firstAtOnce, double firstAfterRest, long residentBytes) {
        public double median(ToDoubleFunction<Turn> figure) {
            double[] sorted = turns.stream().mapToDouble(figure).sorted().toArray();
            return sorted[sorted.length / 2];
        }

        public String parts() {
            return String.format(
                    Locale.ROOT,
                    "wall %.1f to %.1f s: intake %.1f, run %.1f, ZIP %.1f; CPU %.1f to %.1f s;"
                            + " first after a start %.1f s, after a rest %.1f s; resident afterwards %.1f GB",
                    median(turn -> turn.ours().all()),
                    median(Turn::theirWall),
                    median(turn -> turn.ours().intake()),
                    median(turn -> turn.ours().run()),
                    median(turn -> turn.ours().zip()),
                    median(Turn::ourCpu),
                    median(Turn::theirCpu),
                    firstAtOnce,
                    firstAfterRest,
                    residentBytes / 1e9);
        }
    }

    public record Turn(FolderRun.Took ours, double ourCpu, double theirWall, double theirCpu) {}

    /**
     * @param folder for the application's home and the reference's pieces
     * @param photographs what the folder holds
     * @param method as a ticket names it
     */
    public static Figures measure(Path folder, List<Path> photographs, String method, Reference reference)
            throws IOException, InterruptedException {
        // The database's user has to reach its home in there.
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx--x--x"));
        try (Application application = Application.in(folder.resolve("home"))) {
            application.start();
            application.awaitClassCache();
            application.stop();
            application.start();
            FolderRun run = new FolderRun(application.address(), method);
            for (int i = 0; i < WARM_UPS; i++) {
                run.take(photographs);
            }
            List<Turn> turns = new ArrayList<>();
            for (int turn = 0; turn < TURNS; turn++) {
                double cpu = application.cpuSeconds();
                FolderRun.Took took = run.take(photographs);
                cpu = application.cpuSeconds() - cpu;
                double[] theirs = reference.measure(folder, photographs);
                turns.add(new Turn(took, cpu, theirs[1], theirs[0]));
            }
            long resident = application.residentBytes();
            // Last, when this process, which asks, is as warm as it was for the others.
            double atOnce = firstAfterStart(application, photographs, method, Duration.ZERO);
            double rested = firstAfterStart(application, photographs, method, REST);
            return new Figures(turns, atOnce, rested, resident);
        }
    }

    private static double firstAfterStart(Application application, List<Path> photographs, String method, Duration rest)
            throws IOException, InterruptedException {
        application.stop();
        application.start();
        Thread.sleep(rest);
        return new FolderRun(application.address(), method).take(photographs).all();
    }
}
