package embrick.bench;

import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.print.Printer;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.PaperColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.Resolution;
import embrick.formats.DecodeLimits;
import embrick.formats.FileTarget;
import embrick.formats.Formats;
import embrick.formats.OpenedPicture;
import embrick.formats.PrintFile;
import embrick.formats.icc.ProfileShelf;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** The whole job of one picture by Embrick, without a server, in a process of its own. */
final class WholeJob {
    /** Until the compiler is done with it. */
    private static final int WARM_UP = 8;

    private WholeJob() {}

    static List<Measured> inOwnProcess(Path original, Path piece, int pictures)
            throws IOException, InterruptedException {
        return Measured.parse(Processes.run(List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "--enable-native-access=ALL-UNNAMED",
                "-Xmx512m",
                "-cp",
                System.getProperty("java.class.path"),
                "embrick.bench.WholeJob",
                original.toString(),
                piece.toString(),
                "" + pictures)));
    }

    public static void main(String[] arguments) throws IOException {
        Path original = Path.of(arguments[0]);
        Path piece = Path.of(arguments[1]);
        Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);
        for (int i = 0; i < WARM_UP; i++) {
            make(formats, original, piece);
        }
        var machine = (com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
        for (int i = 0; i < Integer.parseInt(arguments[2]); i++) {
            long cpu = machine.getProcessCpuTime();
            long wall = System.nanoTime();
            make(formats, original, piece);
            System.out.printf(
                    Locale.ROOT,
                    "measured %f %f %d%n",
                    (machine.getProcessCpuTime() - cpu) / 1e9,
                    (System.nanoTime() - wall) / 1e9,
                    peakKibibytes());
        }
    }

    private static void make(Formats formats, Path original, Path piece) throws IOException {
        Files.deleteIfExists(piece);
        Ticket ticket = new Ticket(
                new Size.OnPaper(new PaperSize(Length.inches("8"), Length.inches("10"))),
                Turn.SUIT,
                new Fit.Fill(PaperColour.WHITE),
                Resolution.perInch(300),
                ViewingDistance.HAND,
                OutputColour.SRGB,
                new FileFormat.Jpeg(95),
                new NamePattern(List.of(new NamePattern.Brick.OriginalName())));
        try (OpenedPicture opened = formats.open(original)) {
            Plan plan = ((Planning.Ready) Planner.plan(opened.facts(), ticket, Framing.centred())).plan();
            try (FileTarget target = FileTarget.create(piece)) {
                formats.write(
                        Printer.print(plan, opened.raster(), formats.profiles()),
                        plan,
                        target,
                        PrintFile.Progress.none());
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
