package embrick.bench.train;

import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * {@code ./embrick bench learned}: what learned filters gain over Lanczos 3 on the photographs that were set aside, as a table
 * in Markdown. Each is reduced by Lanczos 3 to a half, a third and a quarter, and enlarged again; PSNR and structural
 * similarity of the luminance in whole steps of 8 bits, without eight pixels at the rim.
 */
public final class Gains {
    private static final int[] FACTORS = {2, 3, 4};
    private static final List<Method> OTHERS = List.of(Method.KEYS, Method.MITCHELL);
    private static final int REDUCED = 1200;
    private static final int QUALITY = 75;
    private static final PixelSize MOST = new PixelSize(2400, 2400);

    private final List<List<Double>> gains = new ArrayList<>();

    private Gains() {}

    public static void main(String[] words) throws IOException, InterruptedException {
        if (words.length == 0) {
            new Gains().print();
        } else {
            SideBySide.write(words[0], Integer.parseInt(words[1]), Integer.parseInt(words[2]), Path.of(words[3]));
        }
    }

    private void print() throws IOException, InterruptedException {
        System.out.println(
                "| photograph | Lanczos 3 at 2× | learned at 2× | 3× | 4× | 2× of JPEG 75 | Keys at 2× | Mitchell | SSIM at 2×, thousandths |");
        System.out.println("|---|---|---|---|---|---|---|---|---|");
        for (Photograph photograph : TrainingPhotographs.all()) {
            if (photograph.isSetAside()) {
                try (Raster whole = Reductions.read(photograph.file())) {
                    try (Raster middle = Reductions.middle(whole, MOST)) {
                        print(photograph.name(), middle);
                    }
                    try (Raster reduced = reduced(whole)) {
                        print(photograph.name() + ", " + REDUCED + " px", reduced);
                    }
                }
            }
        }
        StringBuilder line = new StringBuilder("| **mean; least** | |");
        for (int column = 0; column < gains.getFirst().size(); column++) {
            int at = column;
            double[] all =
                    gains.stream().mapToDouble(row -> row.get(at)).sorted().toArray();
            double sum = 0;
            for (double gain : all) {
                sum += gain;
            }
            line.append(String.format(Locale.ROOT, " %+.2f; %+.2f |", sum / all.length, all[0]));
        }
        System.out.println(line);
        System.out.println();
        printDrawings();
    }

    private void print(String name, Raster large) throws IOException {
        List<Double> row = new ArrayList<>();
        double plain = 0;
        double alike = 0;
        for (int factor : FACTORS) {
            try (Raster part = divisible(large, factor);
                    Raster small = Reductions.scaled(part, divided(part.stored(), factor), Method.LANCZOS3)) {
                Luminance wanted = Luminance.of(part);
                Luminance kernel = enlarged(small, part, Method.LANCZOS3);
                Luminance learned = enlarged(small, part, Method.LEARNED);
                double lanczos = Similarity.psnr(kernel, wanted);
                row.add(Similarity.psnr(learned, wanted) - lanczos);
                if (factor == 2) {
                    plain = lanczos;
                    alike = Similarity.ssim(learned, wanted) - Similarity.ssim(kernel, wanted);
                }
            }
        }
        try (Raster part = divisible(large, 2);
                Raster small = Reductions.scaled(part, divided(part.stored(), 2), Method.LANCZOS3);
                Raster packed = Reductions.throughJpeg(small, QUALITY)) {
            Luminance wanted = Luminance.of(part);
            row.add(Similarity.psnr(enlarged(packed, part, Method.LEARNED_SOFTENING), wanted)
                    - Similarity.psnr(enlarged(packed, part, Method.LANCZOS3), wanted));
            for (Method other : OTHERS) {
                row.add(Similarity.psnr(enlarged(small, part, other), wanted) - plain);
            }
        }
        row.add(alike * 1000);
        gains.add(row);
        StringBuilder line = new StringBuilder(String.format(Locale.ROOT, "| %s | %.2f |", name, plain));
        row.forEach(gain -> line.append(String.format(Locale.ROOT, " %+.2f |", gain)));
        System.out.println(line);
    }

    private static PixelSize divided(PixelSize size, int by) {
        return new PixelSize(size.width() / by, size.height() / by);
    }

    private static Raster divisible(Raster large, int by) {
        PixelSize size = large.stored();
        return Reductions.part(large, new PixelRect(0, 0, size.width() / by * by, size.height() / by * by));
    }

    /** A whole photograph at 1200 px. */
    static Raster reduced(Raster whole) {
        double scale = (double) REDUCED
                / Math.max(whole.stored().width(), whole.stored().height());
        return Reductions.scaled(
                whole,
                new PixelSize((int) (whole.stored().width() * scale), (int)
                        (whole.stored().height() * scale)),
                Method.LANCZOS3);
    }

    private static Luminance enlarged(Raster small, Raster large, Method method) {
        try (Raster enlarged = Reductions.scaled(small, large.stored(), method)) {
            return Luminance.of(enlarged);
        }
    }

    /** What is no photograph: PSNR, and how far the luminance goes beyond what is there, in counts of 255. */
    private static void printDrawings() {
        System.out.println("| drawn | Lanczos 3 at 2× | learned | softening | beyond by Lanczos 3 | by learned |");
        System.out.println("|---|---|---|---|---|---|");
        Drawings.all().forEach((name, large) -> {
            try (large;
                    Raster small = Reductions.scaled(large, divided(large.stored(), 2), Method.AREA)) {
                Luminance wanted = Luminance.of(large);
                Luminance plain = enlarged(small, large, Method.LANCZOS3);
                Luminance learned = enlarged(small, large, Method.LEARNED);
                Luminance softened = enlarged(small, large, Method.LEARNED_SOFTENING);
                double before = Similarity.psnr(plain, wanted);
                System.out.printf(
                        Locale.ROOT,
                        "| %s | %.2f | %+.2f | %+.2f | %.0f | %.0f |%n",
                        name,
                        before,
                        Similarity.psnr(learned, wanted) - before,
                        Similarity.psnr(softened, wanted) - before,
                        beyond(plain, Luminance.of(small)),
                        beyond(learned, Luminance.of(small)));
            }
        });
    }

    /** The furthest that a luminance leaves the range of the nine pixels of the small picture round it. */
    private static double beyond(Luminance large, Luminance small) {
        double most = 0;
        for (int y = 4; y < large.height() - 4; y++) {
            for (int x = 4; x < large.width() - 4; x++) {
                double low = 1;
                double high = 0;
                for (int i = 0; i < 9; i++) {
                    double tone = small.at(x / 2 + i % 3 - 1, y / 2 + i / 3 - 1);
                    low = Math.min(low, tone);
                    high = Math.max(high, tone);
                }
                most = Math.max(most, Math.max(low - large.at(x, y), large.at(x, y) - high));
            }
        }
        return most * 255;
    }
}
