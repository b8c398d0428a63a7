package embrick.core.found;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.Thorough;
import java.awt.AlphaComposite;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.lang.ref.SoftReference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;

/** The photographs of Debian's packages plasma-workspace-wallpapers and ukui-wallpapers, which {@code ./embrick test} installs. */
public final class Photographs {
    /** Those that show a horizon, a shore, a jetty or trees. */
    public static final List<String> WITH_LINES =
            List.of("BytheWater", "ColdRipple", "DarkestHour", "EveningGlow", "Path", "summer_1am");

    /** What several tests look at is read once. */
    private static final Map<String, SoftReference<SmallPixels>> READ = new ConcurrentHashMap<>();

    private Photographs() {}

    /** One file of each picture, in the order of their names; a part of them unless all are asked for. */
    public static List<Path> files() throws IOException {
        List<Path> files = all();
        return Thorough.isAsked()
                ? files
                : IntStream.range(0, files.size())
                        .filter(i -> i % 12 == 0 || isWithLines(files.get(i)))
                        .mapToObj(files::get)
                        .toList();
    }

    /** One file of each picture. */
    public static List<Path> all() throws IOException {
        List<Path> files = new ArrayList<>();
        try (Stream<Path> kde = Files.list(Path.of("/usr/share/wallpapers"));
                Stream<Path> ukui = Files.list(Path.of("/usr/share/backgrounds"))) {
            for (Path folder : kde.sorted().toList()) {
                Path images = folder.resolve("contents/images");
                if (Files.isDirectory(images)) {
                    try (Stream<Path> sizes = Files.list(images)) {
                        sizes.filter(Photographs::isPicture)
                                .sorted()
                                .findFirst()
                                .ifPresent(files::add);
                    }
                }
            }
            ukui.filter(Photographs::isPicture).sorted().forEach(files::add);
        }
        assertThat(files).as("the packages are installed").hasSizeGreaterThan(25);
        return files;
    }

    private static boolean isWithLines(Path file) {
        return WITH_LINES.stream().anyMatch(file.toString()::contains);
    }

    private static boolean isPicture(Path file) {
        String name = file.toString();
        return Files.isRegularFile(file) && (name.endsWith(".jpg") || name.endsWith(".png"));
    }

    /** @param longer side, in pixels; each is the mean of the area that it covers, in whole steps of 8 bits */
    public static SmallPixels read(Path file, int longer) throws IOException {
        String key = file + " " + longer;
        SoftReference<SmallPixels> kept = READ.get(key);
        SmallPixels pixels = kept == null ? null : kept.get();
        if (pixels == null) {
            pixels = reduced(file, longer);
            READ.put(key, new SoftReference<>(pixels));
        }
        return pixels;
    }

    /** With its samples in an array: reading each pixel through the file's own colour model takes longer than reducing. */
    private static BufferedImage decoded(Path file) throws IOException {
        BufferedImage picture = ImageIO.read(file.toFile());
        BufferedImage plain = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_ARGB);
        Graphics2D on = plain.createGraphics();
        on.setComposite(AlphaComposite.Src);
        on.drawImage(picture, 0, 0, null);
        on.dispose();
        return plain;
    }

    private static SmallPixels reduced(Path file, int longer) throws IOException {
        BufferedImage picture = decoded(file);
        double scale = (double) longer / Math.max(picture.getWidth(), picture.getHeight());
        int width = (int) Math.round(picture.getWidth() * scale);
        int height = (int) Math.round(picture.getHeight() * scale);
        float[][] planes = new float[SmallPixels.COLOURS][width * height];
        float[][] sums = new float[SmallPixels.COLOURS][width];
        int[] row = new int[picture.getWidth()];
        double down = (double) picture.getHeight() / height;
        for (int y = 0; y < height; y++) {
            for (float[] sum : sums) {
                Arrays.fill(sum, 0);
            }
            for (int from = (int) (y * down); from < Math.min(picture.getHeight(), (y + 1) * down); from++) {
                picture.getRGB(0, from, row.length, 1, row, 0, row.length);
                double share = Math.min(from + 1, (y + 1) * down) - Math.max(from, y * down);
                addAcross(row, (float) (share / down), sums);
            }
            for (int c = 0; c < SmallPixels.COLOURS; c++) {
                for (int x = 0; x < width; x++) {
                    planes[c][y * width + x] = Math.round(sums[c][x]) / 255f;
                }
            }
        }
        return new SmallPixels(width, height, planes);
    }

    /** Adds a row's share to the means of the columns that its pixels cover. */
    private static void addAcross(int[] row, float share, float[][] sums) {
        int width = sums[0].length;
        double across = (double) row.length / width;
        for (int x = 0; x < width; x++) {
            double end = (x + 1) * across;
            for (int from = (int) (x * across); from < Math.min(row.length, end); from++) {
                double part = Math.min(from + 1, end) - Math.max(from, x * across);
                float weight = (float) (part / across) * share;
                int rgb = row[from];
                sums[0][x] += weight * (rgb >> 16 & 0xff);
                sums[1][x] += weight * (rgb >> 8 & 0xff);
                sums[2][x] += weight * (rgb & 0xff);
            }
        }
    }
}
