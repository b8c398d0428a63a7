package embrick.bench.folder;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/**
 * Twenty-four photographs of 1.9 to 14.7 MP from Debian's plasma-workspace-wallpapers and ukui-wallpapers: most are enlarged
 * for 8 × 10 in at 300 ppi.
 */
public final class Photographs {
    private static final Path PLASMA = Path.of("/usr/share/wallpapers");
    private static final Path UKUI = Path.of("/usr/share/backgrounds");

    private Photographs() {}

    public static List<Path> all() throws IOException {
        List<Path> found = List.of(
                plasma("Autumn", "1600x1200"),
                plasma("Autumn", "2560x1600"),
                plasma("BytheWater", "2560x1600"),
                plasma("ColdRipple", "2560x1600"),
                plasma("ColorfulCups", "2560x1600"),
                plasma("DarkestHour", "2560x1600"),
                plasma("EveningGlow", "2560x1600"),
                plasma("FallenLeaf", "2560x1600"),
                plasma("Flow", "5120x2880"),
                plasma("Honeywave", "5120x2880"),
                plasma("Kite", "2560x1600"),
                plasma("OneStandsOut", "2560x1600"),
                plasma("PastelHills", "3200x2000"),
                plasma("Path", "2560x1600"),
                plasma("SafeLanding", "1622x2880"),
                plasma("SafeLanding", "5120x2880"),
                plasma("Shell", "5120x2880"),
                plasma("Volna", "5120x2880"),
                plasma("summer_1am", "2560x1600"),
                UKUI.resolve("2004default.jpg"),
                UKUI.resolve("firstgeneration.jpg"),
                UKUI.resolve("rhythm.jpg"),
                UKUI.resolve("string.jpg"),
                UKUI.resolve("the-mouse.jpg"));
        for (Path photograph : found) {
            if (!Files.isRegularFile(photograph)) {
                throw new IOException(
                        "there is no " + photograph + ": install plasma-workspace-wallpapers and ukui-wallpapers");
            }
        }
        return found;
    }

    private static Path plasma(String name, String size) {
        return PLASMA.resolve(name).resolve("contents/images").resolve(size + ".jpg");
    }
}
