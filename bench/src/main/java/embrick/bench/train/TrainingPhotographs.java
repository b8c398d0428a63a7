package embrick.bench.train;

import embrick.bench.Processes;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * Photographs and paintings of Debian's packages of wallpapers, each in the largest size that is there. In the order of their
 * names every third, from the second on, is set aside: training never sees it.
 */
final class TrainingPhotographs {
    private static final List<String> PACKAGES = List.of(
            "lomiri-wallpapers-16.04",
            "lomiri-wallpapers-20.04",
            "mate-backgrounds",
            "plasma-workspace-wallpapers",
            "ukui-wallpapers");

    /** Even areas and drawn stripes, of which nothing is to be learned, and a second picture of a name. */
    private static final Set<String> LEFT_OUT = Set.of(
            "Arc-Colors-Transparent-Wallpaper",
            "Elephants_3840x2160",
            "Elephants_5640x3172",
            "Float-into-MATE",
            "GreenTraditional",
            "Grey",
            "Gulp",
            "MATE-Stripes-Dark",
            "MATE-Stripes-Light",
            "Silk",
            "Spring",
            "Stripes",
            "Ubuntu-Mate-Cold-no-logo",
            "Ubuntu-Mate-Dark-no-logo",
            "Ubuntu-Mate-Radioactive-no-logo",
            "Ubuntu-Mate-Warm-no-logo",
            "Waves",
            "city",
            "desert",
            "fluent-color",
            "rollpaper");

    private TrainingPhotographs() {}

    /** @param isSetAside whether training leaves it alone */
    record Photograph(String name, Path file, boolean isSetAside) {}

    static List<Photograph> all() throws IOException, InterruptedException {
        Map<String, Path> largest =
                new TreeMap<>(String.CASE_INSENSITIVE_ORDER.thenComparing(Comparator.naturalOrder()));
        for (String name : PACKAGES) {
            for (String line : Processes.run(List.of("dpkg", "-L", name)).split("\n")) {
                Path file = Path.of(line);
                if (isPicture(file) && !LEFT_OUT.contains(nameOf(file))) {
                    largest.merge(nameOf(file), file, TrainingPhotographs::larger);
                }
            }
        }
        List<String> names = List.copyOf(largest.keySet());
        return IntStream.range(0, names.size())
                .mapToObj(i -> new Photograph(names.get(i), largest.get(names.get(i)), i % 3 == 1))
                .toList();
    }

    private static boolean isPicture(Path file) {
        String path = file.toString();
        return (path.endsWith(".jpg") || path.endsWith(".png"))
                && !path.contains("screenshot")
                && !path.contains("images_dark")
                && Files.isRegularFile(file)
                && !Files.isSymbolicLink(file);
    }

    /** Of a picture in several sizes the folder's name, else the file's. */
    private static String nameOf(Path file) {
        String name = file.getFileName().toString();
        return file.getParent().endsWith("contents/images")
                ? file.getName(file.getNameCount() - 4).toString()
                : name.substring(0, name.lastIndexOf('.'));
    }

    /** Sizes stand in the names, as 5120x2880. */
    private static Path larger(Path one, Path other) {
        return width(one) >= width(other) ? one : other;
    }

    private static int width(Path file) {
        String digits = file.getFileName().toString().replaceAll("x.*", "");
        return digits.matches("\\d+") ? Integer.parseInt(digits) : 0;
    }
}
