package embrick.bench;

import embrick.core.colour.Encoding;
import embrick.core.colour.ToneCurve;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.resample.Method;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * How much of a picture is left when it is shrunk and enlarged again, for every method, as a table in Markdown.
 *
 * <p>Pictures, PSNR and SSIM (Wang et al. 2004, Gaussian window, σ 1.5) are scikit-image's; Pillow's own round trips
 * stand beside. Files between the two are PPM.
 */
final class Quality {
    private static final List<Integer> FACTORS = List.of(2, 3, 5);

    private final Path folder;

    private Quality(Path folder) {
        this.folder = folder;
    }

    static void printTable(Path folder) throws IOException, InterruptedException {
        Path trips = Files.createDirectories(folder.resolve("quality"));
        script("originals", trips);
        new Quality(trips).writeRoundTrips();
        System.out.print(script("table", trips));
    }

    private static String script(String verb, Path folder) throws IOException, InterruptedException {
        return Processes.run(List.of(
                "/usr/bin/python3", Reference.folder().resolve("quality.py").toString(), verb, folder.toString()));
    }

    private void writeRoundTrips() throws IOException {
        List<Path> originals;
        try (Stream<Path> all = Files.list(folder)) {
            originals = all.filter(path -> path.getFileName().toString().split("\\.").length == 2)
                    .toList();
        }
        for (Path original : originals) {
            try (Raster picture = readPpm(original)) {
                for (int factor : FACTORS) {
                    for (Method method : Method.values()) {
                        Resampling both = Resampling.by(method);
                        write(original, factor, name(method), picture, both, both);
                    }
                    Resampling lanczos = Resampling.by(Method.LANCZOS3);
                    write(
                            original,
                            factor,
                            "lanczos, up by mitchell",
                            picture,
                            lanczos,
                            Resampling.by(Method.MITCHELL));
                    Resampling bounded =
                            new Resampling(Method.LANCZOS3, Resampling.Light.ENCODED, Resampling.Ringing.LIMITED);
                    write(original, factor, "lanczos, ringing bounded", picture, bounded, bounded);
                    Resampling light =
                            new Resampling(Method.LANCZOS3, Resampling.Light.LINEAR, Resampling.Ringing.FREE);
                    write(original, factor, "lanczos, linear light", picture, light, light);
                }
            }
        }
    }

    private static String name(Method method) {
        return method.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private void write(Path original, int factor, String title, Raster picture, Resampling down, Resampling up)
            throws IOException {
        PixelSize small = new PixelSize(
                picture.stored().width() / factor, picture.stored().height() / factor);
        String name = original.getFileName().toString().replace(".ppm", "." + factor + "." + title + ".ppm");
        try (Raster shrunk = resized(picture, small, down);
                Raster again = resized(shrunk, picture.stored(), up)) {
            writePpm(again, folder.resolve(name));
        }
    }

    private static Raster resized(Raster from, PixelSize size, Resampling how) {
        double scale = (double) from.stored().width() / size.width();
        Window window = new Window(
                Orientation.UPRIGHT,
                size,
                from.stored().width() / 2.0,
                from.stored().height() / 2.0,
                scale,
                0);
        float[] samples = new float[Math.toIntExact(size.pixels() * 3)];
        Resampler.of(from, window, how, Resampler.LastChannel.COLOUR, Encoding.srgb())
                .render(new PixelRect(0, 0, size.width(), size.height()), samples, 0);
        if (how.light() == Resampling.Light.LINEAR) {
            ToneCurve.srgb().encode(samples, 0, samples, 0, samples.length);
        }
        byte[] bytes = new byte[samples.length];
        new Strip(0, size.height(), size.width(), 3, samples).toBytes(bytes);
        return raster(size, bytes);
    }

    private static Raster raster(PixelSize size, byte[] bytes) {
        Raster raster = Raster.allocate(size, 3, 1);
        MemorySegment.copy(bytes, 0, raster.samples(), ValueLayout.JAVA_BYTE, 0, bytes.length);
        return raster;
    }

    /** As Pillow writes it: {@code P6}, sizes and 255 on lines without remarks. */
    private static Raster readPpm(Path path) throws IOException {
        byte[] file = Files.readAllBytes(path);
        int begins = 0;
        for (int lines = 0; lines < 3; begins++) {
            lines += file[begins] == '\n' ? 1 : 0;
        }
        String[] head = new String(file, 0, begins, StandardCharsets.US_ASCII).split("\\s+");
        PixelSize size = new PixelSize(Integer.parseInt(head[1]), Integer.parseInt(head[2]));
        return raster(size, Arrays.copyOfRange(file, begins, file.length));
    }

    private static void writePpm(Raster raster, Path path) throws IOException {
        byte[] head = ("P6\n" + raster.stored().width() + " " + raster.stored().height() + "\n255\n")
                .getBytes(StandardCharsets.US_ASCII);
        byte[] samples = raster.samples().toArray(ValueLayout.JAVA_BYTE);
        byte[] file = Arrays.copyOf(head, head.length + samples.length);
        System.arraycopy(samples, 0, file, head.length, samples.length);
        Files.write(path, file);
    }
}
