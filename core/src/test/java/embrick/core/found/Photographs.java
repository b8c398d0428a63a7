package embrick.core.found;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Image;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;

/** The photographs of Debian's packages plasma-workspace-wallpapers and ukui-wallpapers, which {@code ./embrick test} installs. */
public final class Photographs {
    /** Those that show a horizon, a shore, a jetty or trees. */
    public static final List<String> WITH_LINES =
            List.of("BytheWater", "ColdRipple", "DarkestHour", "EveningGlow", "Path", "summer_1am");

    private Photographs() {}

    /** One file of each picture, in the order of their names; every third with {@code -Dembrick.photographs} not set to all. */
    public static List<Path> files() throws IOException {
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
        return "all".equals(System.getProperty("embrick.photographs"))
                ? files
                : IntStream.range(0, files.size())
                        .filter(i -> i % 3 == 0 || isWithLines(files.get(i)))
                        .mapToObj(files::get)
                        .toList();
    }

    private static boolean isWithLines(Path file) {
        return WITH_LINES.stream().anyMatch(file.toString()::contains);
    }

    private static boolean isPicture(Path file) {
        String name = file.toString();
        return Files.isRegularFile(file) && (name.endsWith(".jpg") || name.endsWith(".png"));
    }

    /** @param longer side, in pixels */
    public static SmallPixels read(Path file, int longer) throws IOException {
        BufferedImage picture = ImageIO.read(file.toFile());
        double scale = (double) longer / Math.max(picture.getWidth(), picture.getHeight());
        int width = (int) Math.round(picture.getWidth() * scale);
        int height = (int) Math.round(picture.getHeight() * scale);
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        small.getGraphics().drawImage(picture.getScaledInstance(width, height, Image.SCALE_AREA_AVERAGING), 0, 0, null);
        float[][] planes = new float[SmallPixels.COLOURS][width * height];
        for (int i = 0; i < width * height; i++) {
            int rgb = small.getRGB(i % width, i / width);
            for (int c = 0; c < SmallPixels.COLOURS; c++) {
                planes[c][i] = (rgb >> (16 - 8 * c) & 0xff) / 255f;
            }
        }
        return new SmallPixels(width, height, planes);
    }
}
