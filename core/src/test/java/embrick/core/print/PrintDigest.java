package embrick.core.print;

import embrick.core.framing.Framing;
import embrick.core.lanes.Lanes;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.ticket.Ticket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.params.provider.Arguments;

/** Prints which lanes a process has, and a digest of every sample of every kind of plan. */
final class PrintDigest {
    private PrintDigest() {}

    static String inOwnProcess(String option) throws Exception {
        Process process = new ProcessBuilder(List.of(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-Xmx512m",
                        option,
                        "-cp",
                        System.getProperty("java.class.path"),
                        PrintDigest.class.getName()))
                .start();
        process.getOutputStream().close();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (process.waitFor() != 0) {
            throw new AssertionError(new String(process.getErrorStream().readAllBytes(), StandardCharsets.UTF_8));
        }
        return output;
    }

    public static void main(String[] arguments) throws Exception {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        for (Arguments kind : PrintTest.plansOfEveryKind().toList()) {
            Plan plan = PrintTest.plan(333, 222, (Ticket) kind.get()[0], (Framing) kind.get()[1]);
            try (Raster raster = PrintTest.disc(333, 222, 150, 100, 60)) {
                Print print = Printer.print(plan, raster, PrintTest.NONE);
                int height = print.size().height();
                float[] samples = print.rows(0, height).samples();
                ByteBuffer bytes = ByteBuffer.allocate(height * print.size().width() * 3 * 4);
                for (int i = 0; i < bytes.capacity() / 4; i++) {
                    bytes.putFloat(samples[i]);
                }
                digest.update(bytes.array());
            }
        }
        System.out.println(
                Lanes.best().getClass().getSimpleName() + " " + HexFormat.of().formatHex(digest.digest()));
    }
}
