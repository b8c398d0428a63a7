package embrick.bench.train;

import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.found.detail.DetailMeasure;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;

/**
 * {@code ./embrick bench detail}: how near what is told of a photograph's detail comes to what was left of it, on the photographs
 * that were set aside. The middle of each, reduced to a half, is blurred by a Gaussian, or reduced further and enlarged again. What
 * was left of it is what it held before, as told, less what is known to be taken; against a photograph that is taken for crisp
 * there is a column too.
 */
public final class HeldDetail {
    private static final double[] BLURS = {0.5, 0.8, 1, 1.5, 2};
    private static final double[] ENLARGED = {1.5, 2, 3, 4};
    private static final double REDUCED = 0.5;
    private static final PixelSize MIDDLE = new PixelSize(1280, 960);
    private static final String AS_REDUCED = "as reduced";
    private static final double NEAR = 0.15;
    private static final double GRAIN = 2;

    private final Map<String, List<Told>> ratios = new LinkedHashMap<>();
    private int silent;
    private int rises;
    private int steps;

    private HeldDetail() {}

    public static void main(String[] words) throws IOException, InterruptedException {
        HeldDetail detail = new HeldDetail();
        for (Photograph photograph : TrainingPhotographs.all()) {
            if (photograph.isSetAside()) {
                try (Raster whole = Reductions.read(photograph.file());
                        Raster reduced = scaled(whole, REDUCED, Method.LANCZOS3);
                        Raster crisp = Reductions.middle(reduced, MIDDLE)) {
                    detail.measure(crisp);
                }
            }
        }
        detail.print();
    }

    private static Raster scaled(Raster from, double scale, Method method) {
        return Reductions.scaled(
                from,
                new PixelSize((int) Math.round(from.stored().width() * scale), (int)
                        Math.round(from.stored().height() * scale)),
                method);
    }

    private void measure(Raster crisp) {
        Optional<Double> held = DetailMeasure.of(crisp).heldShare();
        if (held.isEmpty()) {
            silent++;
            return;
        }
        double own = held.get();
        double before = own;
        // Alike by definition where it is held against itself: only the last column says something.
        take(AS_REDUCED, own, 1, crisp);
        for (double sigma : BLURS) {
            try (Raster blurred = blurred(crisp, sigma, 0)) {
                Optional<Double> told =
                        take("blurred by " + sigma + " px", own, Math.sqrt(1 + 4 * sigma * sigma), blurred);
                if (told.isPresent()) {
                    steps++;
                    rises += told.get() > before + 1e-9 ? 1 : 0;
                    before = told.get();
                }
            }
        }
        for (double times : ENLARGED) {
            try (Raster small = scaled(crisp, 1 / times, Method.LANCZOS3);
                    Raster large = Reductions.scaled(small, crisp.stored(), Method.KEYS)) {
                take("enlarged " + times + "×", own, times, large);
            }
        }
        try (Raster grainy = blurred(crisp, 1, GRAIN)) {
            take("blurred by 1 px, grain of " + GRAIN, own, Math.sqrt(5), grainy);
        }
    }

    /**
     * @param own share that the photograph held before
     * @param coarser how many times what was done makes a crisp photograph coarser; what is blurred already adds up in squares
     */
    private Optional<Double> take(String what, double own, double coarser, Raster picture) {
        Optional<Double> told = DetailMeasure.of(picture).heldShare();
        if (told.isEmpty()) {
            silent++;
        }
        double left = 1 / Math.sqrt(1 / (own * own) - 1 + coarser * coarser);
        told.ifPresent(share ->
                ratios.computeIfAbsent(what, _ -> new ArrayList<>()).add(new Told(share / left, share * coarser)));
        return told;
    }

    /** What was told, by what was left of the photograph and by what would be left of a crisp one. */
    private record Told(double ofOwn, double ofCrisp) {}

    private static long near(List<Told> of, ToDoubleFunction<Told> ratio) {
        return of.stream()
                .filter(told -> Math.abs(ratio.applyAsDouble(told) - 1) <= NEAR)
                .count();
    }

    private void print() {
        System.out.println("| | told ÷ left: least tenth | middle | most tenth | within 15 % | of a crisp one |");
        System.out.println("|---|---|---|---|---|---|");
        List<Told> all = new ArrayList<>();
        ratios.forEach((what, of) -> {
            if (!AS_REDUCED.equals(what)) {
                all.addAll(of);
            }
            double[] sorted = of.stream().mapToDouble(Told::ofOwn).sorted().toArray();
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %.2f | %.2f | %.2f | %d of %d | %d |%n",
                    what,
                    sorted[sorted.length / 10],
                    sorted[sorted.length / 2],
                    sorted[sorted.length * 9 / 10],
                    near(of, Told::ofOwn),
                    of.size(),
                    near(of, Told::ofCrisp));
        });
        System.out.printf(
                Locale.ROOT,
                "%.0f %% of %d within 15 %%, %.0f %% if each is taken for crisp; nothing told of %d; rose with more blur %d times of %d%n",
                100.0 * near(all, Told::ofOwn) / all.size(),
                all.size(),
                100.0 * near(all, Told::ofCrisp) / all.size(),
                silent,
                rises,
                steps);
    }

    /** By a Gaussian, each colour by itself, and grain in counts. */
    private static Raster blurred(Raster from, double sigma, double grain) {
        int width = from.stored().width();
        int height = from.stored().height();
        int reach = (int) Math.ceil(4 * sigma);
        double[] kernel = new double[2 * reach + 1];
        double sum = 0;
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] = Math.exp(-(i - reach) * (i - reach) / (2 * sigma * sigma));
            sum += kernel[i];
        }
        Random lot = new Random(7);
        Raster into = Raster.allocate(from.stored(), 3, 1);
        double[] across = new double[width * height];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < across.length; i++) {
                across[i] = 0;
                for (int k = 0; k < kernel.length; k++) {
                    int x = Math.clamp(i % width + k - reach, 0, width - 1);
                    across[i] += kernel[k] / sum * tone(from, (i / width * width + x) * 3L + c);
                }
            }
            for (int i = 0; i < across.length; i++) {
                double tone = 0;
                for (int k = 0; k < kernel.length; k++) {
                    int y = Math.clamp(i / width + k - reach, 0, height - 1);
                    tone += kernel[k] / sum * across[y * width + i % width];
                }
                tone += grain * lot.nextGaussian();
                into.samples().set(ValueLayout.JAVA_BYTE, i * 3L + c, (byte) Math.clamp(Math.round(tone), 0, 255));
            }
        }
        return into;
    }

    private static int tone(Raster picture, long at) {
        return Byte.toUnsignedInt(picture.samples().get(ValueLayout.JAVA_BYTE, at));
    }
}
