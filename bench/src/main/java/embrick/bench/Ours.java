package embrick.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** One work by Embrick, without a server, in a process of its own that is warm before it is measured. */
final class Ours {
    private Ours() {}

    static List<Measured> measure(String work, int repeats, Pictures pictures)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "--add-modules=jdk.incubator.vector",
                "--enable-native-access=ALL-UNNAMED",
                "-Xmx512m",
                "-cp",
                System.getProperty("java.class.path"),
                "embrick.bench.Ours",
                work,
                "" + repeats,
                pictures.folder().toString()));
        return Measured.parse(Processes.run(command));
    }

    public static void main(String[] arguments) throws IOException {
        try (Works works = new Works(Pictures.in(Path.of(arguments[2])))) {
            Work work = works.named(arguments[0]);
            for (int i = 0; i < work.warmUps(); i++) {
                work.doing().run();
            }
            var machine = (com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
            for (int i = 0; i < Integer.parseInt(arguments[1]); i++) {
                long cpu = machine.getProcessCpuTime();
                long wall = System.nanoTime();
                work.doing().run();
                System.out.printf(
                        Locale.ROOT,
                        "measured %f %f %d%n",
                        (machine.getProcessCpuTime() - cpu) / 1e9,
                        (System.nanoTime() - wall) / 1e9,
                        peakKibibytes());
            }
        }
    }

    private static long peakKibibytes() throws IOException {
        for (String line : Files.readAllLines(Path.of("/proc/self/status"))) {
            if (line.startsWith("VmHWM:")) {
                return Long.parseLong(line.replaceAll("\\D", ""));
            }
        }
        return 0;
    }
}
