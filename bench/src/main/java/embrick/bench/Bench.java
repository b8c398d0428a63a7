package embrick.bench;

import embrick.bench.folder.FolderBench;
import embrick.bench.folder.Photographs;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Prints each work beside its reference in the same run, as ratios of CPU time; medians, taken in turns so that a busy
 * moment of the machine meets both.
 */
public final class Bench {
    private static final int TURNS = 3;
    private static final int REPEATS = 3;

    /** The decoded original: 6000 × 4000 × 3 bytes. */
    private static final double ORIGINAL_MEBIBYTES = 6000 * 4000 * 3 / 1048576.0;

    private final Pictures pictures;
    private final List<String> wanted;

    private Bench(Pictures pictures, List<String> wanted) {
        this.pictures = pictures;
        this.wanted = wanted;
    }

    /** @param arguments the beginnings of the names wanted, or {@code quality}; none for all that is measured in time */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("embrick-bench");
        List<String> wanted = List.of(arguments);
        try {
            if (wanted.equals(List.of("quality"))) {
                Quality.printTable(folder);
            } else {
                boolean draws = wanted.size() != 1 || !wanted.getFirst().startsWith("folder");
                new Bench(draws ? Pictures.draw(folder) : Pictures.in(folder), wanted).run();
            }
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(path);
                }
            }
        }
    }

    private void run() throws IOException, InterruptedException {
        folders();
        beside("whole job with sharpening to opRGB", "sharpened", Reference.PILLOW, 0.5, 0.4);
        beside("whole job with sharpening to opRGB", "sharpened", Reference.LIBVIPS, 0.4, 0.33);
        beside("whole job, plain", "whole", Reference.PILLOW, 1, 0.8);
        beside("whole job, plain", "whole", Reference.LIBVIPS, 1.15, 0.9);
        beside("Lanczos alone, 20 to 7.2 MP", "stage", Reference.PILLOW, 0.65, 0.5);
        beside("Lanczos alone, 20 to 7.2 MP", "stage", Reference.LIBVIPS, 1.0, 0.8);
        beside("Lanczos alone, 2 to 7.2 MP", "magnify", Reference.PILLOW, 0.5, 0.4);
        beside("16-bit TIFF, Deflate, 24 MP to 8 × 10", "tiff", Reference.LIBVIPS, 1.0, 0.7);
        beside("PNG, 24 MP to 8 × 10", "png", Reference.PILLOW, 0.7, 0.5);
        beside("603 small pictures, two at a time", "small", Reference.PILLOW, 0.75, 0.6);
        among("sharpened job beside decode and encode alone", "sharpened", "floor", 1.9, 1.6);
        among("job with a blur undone beside one sharpened", "blur-undone", "sharpened", 12, 8);
        among("sideways original beside an upright one", "sideways", "whole", 1.15, 1.08);
        among("16-bit PNG of 7.2 MP, beside 8-bit", "png16", "png", 3, 2);
        among("2° tilt against none", "tilted", "stage", 2, 1.7);
        among("circular Lanczos against Lanczos 3", "circular", "stage", 5, 3);
        among("learned detail against Lanczos 3, 6 to 24 MP", "learned", "doubled", 6, 4);
        beside("the same filters as a network, 6 to 24 MP", "learned", Reference.OPENCV, 1, 0.7);
        twoTickets();
        gain("one canvas of 70 MP on two cores: gain over one", "canvas-one", "canvas-all", 1, 1.8, 1.9);
        gain("two pictures on two cores: gain over one", "two-one", "two", 2, 1.8, 1.9);
        gain("HEIC pictures, two decoder processes: gain over one", "heic-one", "heic-two", 1, 1.7, 1.9);
        perMegapixel();
        proof();
        found();
        colours();
        bands();
        grown();
        huge("huge-jpeg");
        huge("huge-tiff");
    }

    /** What a second ticket costs that takes the same decoded pixels: both, less the cheaper without decoding, beside the dearer. */
    private void twoTickets() throws IOException, InterruptedException {
        if (!isWanted("sets")) {
            return;
        }
        List<Measured> both = new ArrayList<>();
        List<Measured> prints = new ArrayList<>();
        List<Measured> screens = new ArrayList<>();
        for (int turn = 0; turn < TURNS; turn++) {
            both.addAll(Ours.measure("sets-both", REPEATS, pictures));
            prints.addAll(Ours.measure("whole", REPEATS, pictures));
            screens.addAll(Ours.measure("sets-screen", REPEATS, pictures));
        }
        double together = Measured.medianCpu(both);
        double cheaper = Measured.medianCpu(screens);
        double dearer = Measured.medianCpu(prints);
        line(
                "two tickets at once, less the second without decoding",
                (together - cheaper) / dearer,
                1.15,
                1.05,
                String.format(
                        Locale.ROOT,
                        "CPU %.0f ms: print alone %.0f, screen without decoding %.0f",
                        together * 1e3,
                        dearer * 1e3,
                        cheaper * 1e3));
    }

    /** Whole folders through the running application, beside Pillow in two processes. */
    private void folders() throws IOException, InterruptedException {
        if (isWanted("folder-mixed")) {
            List<Path> mixed = Reference.mixed(pictures.folder(), Photographs.all());
            folder("a customer's mixed folder by default", mixed, "BY_ITSELF", 1.2, 0.9);
        }
        if (isWanted("folder-large")) {
            folder("24 photographs by Lanczos 3", Photographs.all(), "LANCZOS3", 0.9, 0.7);
        }
    }

    private void folder(String title, List<Path> photographs, String method, double must, double aim)
            throws IOException, InterruptedException {
        FolderBench.Figures figures = FolderBench.measure(pictures.folder(), photographs, method, Reference::folder);
        double wall = figures.median(turn -> turn.ours().all()) / figures.median(FolderBench.Turn::theirWall);
        double cpu = figures.median(FolderBench.Turn::ourCpu) / figures.median(FolderBench.Turn::theirCpu);
        line(title + ", folder to ZIP, wall, beside Pillow × 2", wall, must, aim, figures.parts());
        line("the same, processor time of all processes", cpu, must, aim, "");
        double warm = figures.median(turn -> turn.ours().all());
        line("the first folder at once after a start beside a warm one", figures.firstAtOnce() / warm, 1.5, 1.3, "");
        line("the same 30 s after the start", figures.firstAfterRest() / warm, 1.5, 1.3, "");
    }

    private boolean isWanted(String work) {
        return wanted.isEmpty() || wanted.stream().anyMatch(work::startsWith);
    }

    private void beside(String title, String work, Reference reference, double must, double aim)
            throws IOException, InterruptedException {
        if (!isWanted(work)) {
            return;
        }
        List<Measured> ours = new ArrayList<>();
        List<Measured> theirs = new ArrayList<>();
        for (int turn = 0; turn < TURNS; turn++) {
            ours.addAll(Ours.measure(work, REPEATS, pictures));
            theirs.addAll(reference.measure(work, REPEATS, pictures));
        }
        line(
                title + " beside " + reference.title(),
                Measured.medianCpu(ours) / Measured.medianCpu(theirs),
                must,
                aim,
                String.format(
                        Locale.ROOT,
                        "CPU %.0f ms to %.0f, wall %.0f ms to %.0f, peak %.0f MiB to %.0f",
                        Measured.medianCpu(ours) * 1e3,
                        Measured.medianCpu(theirs) * 1e3,
                        Measured.medianWall(ours) * 1e3,
                        Measured.medianWall(theirs) * 1e3,
                        Measured.peak(ours) / 1024.0,
                        Measured.peak(theirs) / 1024.0));
    }

    /** A work beside another of ours, by processor time. */
    private void among(String title, String work, String other, double must, double aim)
            throws IOException, InterruptedException {
        if (!isWanted(work)) {
            return;
        }
        List<Measured> first = new ArrayList<>();
        List<Measured> second = new ArrayList<>();
        for (int turn = 0; turn < TURNS; turn++) {
            first.addAll(Ours.measure(work, REPEATS, pictures));
            second.addAll(Ours.measure(other, REPEATS, pictures));
        }
        line(
                title,
                Measured.medianCpu(first) / Measured.medianCpu(second),
                must,
                aim,
                String.format(
                        Locale.ROOT,
                        "CPU %.0f ms to %.0f",
                        Measured.medianCpu(first) * 1e3,
                        Measured.medianCpu(second) * 1e3));
    }

    /**
     * What doing a work on both cores gains, beside what two threads gain that only count.
     *
     * @param times the work of {@code one} that {@code both} does
     */
    private void gain(String title, String one, String both, int times, double must, double aim)
            throws IOException, InterruptedException {
        if (!isWanted(both)) {
            return;
        }
        List<Measured> inTurn = new ArrayList<>();
        List<Measured> together = new ArrayList<>();
        List<Measured> control = new ArrayList<>();
        for (int turn = 0; turn < TURNS; turn++) {
            inTurn.addAll(Ours.measure(one, times * REPEATS, pictures));
            together.addAll(Ours.measure(both, times * REPEATS, pictures));
            control.add(Spinning.measure());
        }
        double gain = times * Measured.medianWall(inTurn) / Measured.medianWall(together);
        String verdict = gain >= aim ? "aim met" : gain >= must ? "must met" : "MISSED";
        System.out.printf(
                Locale.ROOT,
                "%-58s %6.2f   must at least %.2f, aim %.2f: %-8s (two threads that only count %.2f; CPU %.0f ms to %.0f)%n",
                title,
                gain,
                must,
                aim,
                verdict,
                Measured.medianWall(control),
                times * Measured.medianCpu(inTurn) * 1e3,
                Measured.medianCpu(together) * 1e3);
    }

    private void perMegapixel() throws IOException, InterruptedException {
        if (!isWanted("enlarge")) {
            return;
        }
        int[] sizes = {7, 50, 380};
        double least = Double.MAX_VALUE;
        double most = 0;
        StringBuilder said = new StringBuilder("CPU ms a megapixel:");
        for (int size : sizes) {
            double each =
                    Measured.medianCpu(Ours.measure("enlarge-" + size, size > 100 ? 3 : 5, pictures)) * 1e3 / size;
            least = Math.min(least, each);
            most = Math.max(most, each);
            said.append(String.format(Locale.ROOT, " %.1f at %d MP,", each, size));
        }
        line(
                "cost per output megapixel, twice as large, 7 to 380 MP",
                most / least,
                1.3,
                1.3,
                said.substring(0, said.length() - 1));
    }

    private void found() throws IOException, InterruptedException {
        for (String work : List.of("scan-border", "level")) {
            if (isWanted(work)) {
                double cpu = Measured.medianCpu(Ours.measure(work, 15, pictures));
                line(work + " found on 2048 px (ms of CPU)", cpu * 1e3, 60, 45, "");
            }
        }
    }

    private void proof() throws IOException, InterruptedException {
        if (!isWanted("proof")) {
            return;
        }
        double warm = Measured.medianWall(Ours.measure("proof", 15, pictures));
        double cold = Measured.medianWall(Ours.measure("proof-cold", 9, pictures));
        double decode = Measured.medianWall(Ours.measure("decode", 9, pictures));
        String decoding =
                String.format(Locale.ROOT, "libjpeg-turbo alone, in a process of its own: %.0f ms", decode * 1e3);
        line("proof region 1200 × 700, decoded (ms)", warm * 1e3, 40, 25, "sharpening and all");
        line("the same with decoding 24 MP (ms)", cold * 1e3, 250, 180, decoding);
    }

    private void colours() throws IOException, InterruptedException {
        if (!isWanted("colour")) {
            return;
        }
        Map<String, String> paths = new LinkedHashMap<>();
        paths.put("matrix", "opRGB to sRGB");
        paths.put("lut", "opRGB to paper, RGB");
        paths.put("cmyk", "opRGB to paper, CMYK");
        paths.put("from-cmyk", "paper, CMYK, to sRGB");
        for (Map.Entry<String, String> path : paths.entrySet()) {
            List<Measured> ours = new ArrayList<>();
            List<Measured> alone = new ArrayList<>();
            for (int turn = 0; turn < TURNS; turn++) {
                ours.addAll(Ours.measure("colour-" + path.getKey(), REPEATS, pictures));
                alone.addAll(Ours.measure("colour-alone-" + path.getKey(), REPEATS, pictures));
            }
            line(
                    path.getValue() + ", beside Little CMS alone in its 16-bit grid",
                    Measured.medianCpu(ours) / Measured.medianCpu(alone),
                    1.0,
                    0.8,
                    String.format(
                            Locale.ROOT,
                            "CPU ms a megapixel: %.1f to %.1f",
                            Measured.medianCpu(ours) * 1e3 / 24,
                            Measured.medianCpu(alone) * 1e3 / 24));
        }
        double paper = Measured.medianWall(Ours.measure("proof-paper", 15, pictures));
        line(
                "proof 1200 × 700 on its paper, decoded (ms)",
                paper * 1e3,
                100,
                60,
                "sharpening, canvas, screen, PNG and all");
    }

    /** A background of a tenth more at one side of 24 MP, all scales of it. */
    private void grown() throws IOException, InterruptedException {
        if (!isWanted("grown")) {
            return;
        }
        List<Measured> measured = Ours.measure("grown", 3, pictures);
        line(
                "background grown, 10 % more at one side of 24 MP (CPU s)",
                Measured.medianCpu(measured),
                30,
                20,
                String.format(
                        Locale.ROOT,
                        "wall %.1f s, peak %.0f MiB, heap of 512",
                        Measured.medianWall(measured),
                        Measured.peak(measured) / 1024.0));
    }

    /**
     * A canvas of 26 × 30 in, 70 MP, beside its face of 20 × 24 in, 43 MP: what its bands cost to make, as a share of the
     * face made whole, from JPEG to JPEG.
     */
    private void bands() throws IOException, InterruptedException {
        if (!isWanted("wrap")) {
            return;
        }
        List<String> fills = List.of("wrap-mirror", "wrap-drawn-out", "wrap-plain", "wrap-rim-mean");
        Map<String, List<Measured>> measured = new HashMap<>();
        List<String> works = Stream.concat(Stream.of("wrap-face-jpeg", "wrap-face"), fills.stream())
                .toList();
        for (int turn = 0; turn < TURNS; turn++) {
            for (String work : works) {
                measured.computeIfAbsent(work, _ -> new ArrayList<>()).addAll(Ours.measure(work, 5, pictures));
            }
        }
        double face = Measured.medianCpu(measured.get("wrap-face-jpeg"));
        double pixels = Measured.medianCpu(measured.get("wrap-face"));
        for (String fill : fills) {
            double wrapped = Measured.medianCpu(measured.get(fill));
            line(
                    "bands of a canvas, " + fill.substring(5) + ", of its face's whole cost (%)",
                    (wrapped - pixels) / face * 100,
                    15,
                    10,
                    String.format(
                            Locale.ROOT,
                            "pixels alone CPU %.2f s to the face's %.2f, the face from JPEG to JPEG %.2f",
                            wrapped,
                            pixels,
                            face));
        }
        List<Measured> whole = Ours.measure("wrap-jpeg", 3, pictures);
        line(
                "26 × 30 in at 300 ppi, mirrored: resident besides the original (MiB)",
                Measured.peak(whole) / 1024.0 - ORIGINAL_MEBIBYTES,
                1024,
                512,
                String.format(
                        Locale.ROOT,
                        "from JPEG to JPEG CPU %.1f s, wall %.1f s; the face alone %.0f MiB",
                        Measured.medianCpu(whole),
                        Measured.medianWall(whole),
                        Measured.peak(measured.get("wrap-face-jpeg")) / 1024.0 - ORIGINAL_MEBIBYTES));
    }

    private void huge(String work) throws IOException, InterruptedException {
        if (!isWanted(work)) {
            return;
        }
        List<Measured> measured = Ours.measure(work, 1, pictures);
        double mebibytes = Measured.peak(measured) / 1024.0 - ORIGINAL_MEBIBYTES;
        line(
                "380 MP " + work.substring(5) + ": resident besides the original (MiB)",
                mebibytes,
                1024,
                1024,
                String.format(
                        Locale.ROOT,
                        "CPU %.1f s, wall %.1f s, -Xmx512m",
                        Measured.medianCpu(measured),
                        Measured.medianWall(measured)));
    }

    private static void line(String title, double figure, double must, double aim, String more) {
        String verdict = figure <= aim ? "aim met" : figure <= must ? "must met" : "MISSED";
        System.out.printf(
                Locale.ROOT,
                "%-58s %6.2f   must %.2f, aim %.2f: %-8s (%s) %s%n",
                title,
                figure,
                must,
                aim,
                verdict,
                more,
                Origin.told());
    }
}
