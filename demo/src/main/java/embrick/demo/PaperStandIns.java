package embrick.demo;

import embrick.demo.ink.InkOnPaper;
import embrick.demo.ink.PaperProfile;
import embrick.demo.ink.ReadChart;
import embrick.demo.ink.RgbDriver;
import embrick.demo.ink.SimulatedPaper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;

/**
 * Makes the paper profiles that ship with Embrick, the way profiles are made: a chart is printed on the simulated device,
 * read, and turned into tables. {@code ./embrick papers} runs it again.
 */
public final class PaperStandIns {
    /** 9 261 patches. */
    private static final int RGB_STEPS = 21;
    /** 14 641 patches. */
    private static final int CMYK_STEPS = 11;

    private PaperStandIns() {}

    /** For a device that is sent RGB and makes its inks itself. */
    public static byte[] rgb(SimulatedPaper paper) {
        InkOnPaper device = new InkOnPaper(paper);
        RgbDriver driver = new RgbDriver(paper);
        ReadChart chart = ReadChart.of(
                3, RGB_STEPS, device.white(), values -> device.read(driver.inks(values[0], values[1], values[2])));
        return PaperProfile.of(paper.title() + ", RGB, simulated", chart, paper.mostInk());
    }

    /** For a device that is sent its inks. */
    public static byte[] cmyk(SimulatedPaper paper) {
        InkOnPaper device = new InkOnPaper(paper);
        ReadChart chart = ReadChart.of(4, CMYK_STEPS, device.white(), device::read);
        return PaperProfile.of(paper.title() + ", CMYK, simulated", chart, paper.mostInk());
    }

    /** The file name of a paper's profile. */
    public static String fileName(SimulatedPaper paper, String channels) {
        return paper.name().toLowerCase(Locale.ROOT).replace('_', '-') + "-" + channels + ".icc";
    }

    /** @param args the folder to write to */
    public static void main(String[] args) throws IOException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        for (SimulatedPaper paper : SimulatedPaper.values()) {
            Files.write(folder.resolve(fileName(paper, "rgb")), rgb(paper));
            Files.write(folder.resolve(fileName(paper, "cmyk")), cmyk(paper));
        }
    }
}
