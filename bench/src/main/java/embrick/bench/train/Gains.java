package embrick.bench.train;

import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * {@code ./embrick bench learned}: what learned filters gain over Lanczos 3 on the photographs that were set aside, as a table
 * in Markdown. Each is reduced by Lanczos 3 to a half, a third and a quarter, and enlarged again; PSNR of the luminance in
 * whole steps of 8 bits, without eight pixels at the rim.
 */
public final class Gains {
    private static final int[] FACTORS = {2, 3, 4};
    private static final List<Method> OTHERS = List.of(Method.KEYS, Method.MITCHELL);
    private static final int REDUCED = 1200;
    private static final int QUALITY = 75;
    private static final int RIM = 8;
    private static final PixelSize MOST = new PixelSize(2400, 2400);

    private final List<List<Double>> gains = new ArrayList<>();

    private Gains() {}

    public static void main(String[] words) throws IOException, InterruptedException {
        new Gains().print();
    }

    private void print() throws IOException, InterruptedException {
        System.out.println(
                "| photograph | Lanczos 3 at 2× | learned at 2× | 3× | 4× | 2× of JPEG 75 | Keys at 2× | Mitchell |");
        System.out.println("|---|---|---|---|---|---|---|---|");
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
    }

    private void print(String name, Raster large) throws IOException {
        List<Double> row = new ArrayList<>();
        double plain = 0;
        for (int factor : FACTORS) {
            try (Raster part = divisible(large, factor);
                    Raster small = Reductions.scaled(part, divided(part.stored(), factor), Method.LANCZOS3)) {
                double lanczos = psnr(part, small, Method.LANCZOS3);
                row.add(psnr(part, small, Method.LEARNED) - lanczos);
                plain = factor == 2 ? lanczos : plain;
            }
        }
        try (Raster part = divisible(large, 2);
                Raster small = Reductions.scaled(part, divided(part.stored(), 2), Method.LANCZOS3);
                Raster packed = Reductions.throughJpeg(small, QUALITY)) {
            row.add(psnr(part, packed, Method.LEARNED_SOFTENING) - psnr(part, packed, Method.LANCZOS3));
            for (Method other : OTHERS) {
                row.add(psnr(part, small, other) - plain);
            }
        }
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

    private static Raster reduced(Raster whole) {
        double scale = (double) REDUCED
                / Math.max(whole.stored().width(), whole.stored().height());
        return Reductions.scaled(
                whole,
                new PixelSize((int) (whole.stored().width() * scale), (int)
                        (whole.stored().height() * scale)),
                Method.LANCZOS3);
    }

    private static double psnr(Raster large, Raster small, Method method) {
        try (Raster enlarged = Reductions.scaled(small, large.stored(), method)) {
            Luminance got = Luminance.of(enlarged);
            Luminance wanted = Luminance.of(large);
            double sum = 0;
            for (int y = RIM; y < got.height() - RIM; y++) {
                for (int x = RIM; x < got.width() - RIM; x++) {
                    double off = got.at(x, y) - wanted.at(x, y);
                    sum += off * off;
                }
            }
            double mean = sum / (got.width() - 2 * RIM) / (got.height() - 2 * RIM);
            return -10 * Math.log10(Math.max(mean, 1e-10));
        }
    }
}
