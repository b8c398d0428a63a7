package embrick.demo.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Ciede2000;
import embrick.core.colour.Lab;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class InversionTest {
    private static InkOnPaper device;
    private static ReadChart chart;
    private static Inversion inversion;
    private static GamutRim rim;

    @BeforeAll
    static void printAndRead() {
        SimulatedPaper paper = SimulatedPaper.CANVAS;
        device = new InkOnPaper(paper);
        chart = ReadChart.of(4, 9, device.white(), device::read);
        inversion = new Inversion(chart, paper.mostInk());
        RgbDriver driver = new RgbDriver(paper);
        ReadChart rgb = ReadChart.of(3, 13, device.white(), v -> device.read(driver.inks(v[0], v[1], v[2])));
        rim = new GamutRim(new Inversion(rgb, 4));
    }

    private static Lab look(double... inks) {
        return Lab.of(device.read(inks).relativeTo(device.white()));
    }

    @Test
    void inksAreFoundForColoursOfInks() {
        Random random = new Random(5);
        double sum = 0;
        int count = 300;
        for (int i = 0; i < count; i++) {
            double[] inks = random.doubles(4).toArray();
            if (Arrays.stream(inks).sum() > 2.4) {
                i--;
                continue;
            }
            Lab wanted = look(inks);
            Inversion.Found found = inversion.find(wanted);
            assertThat(Arrays.stream(found.values()).sum()).isLessThan(SimulatedPaper.CANVAS.mostInk() + 0.05);
            sum += Ciede2000.between(wanted, look(found.values()));
        }
        // Between patches a chart of 9 steps misses the device by about half of ΔE00 1 in the mean.
        assertThat(sum / count).isLessThan(0.6);
    }

    @Test
    void whiteIsNoInk() {
        assertThat(inversion.find(new Lab(100, 0, 0)).values()).containsOnly(0);
    }

    @Test
    void aColourBeyondThePaperKeepsItsHue() {
        Lab wanted = new Lab(60, 110, -20);
        Inversion.Found found = inversion.find(wanted);
        assertThat(found.error()).isGreaterThan(2);
        Lab printed = look(found.values());
        assertThat(printed.hue()).isCloseTo(wanted.hue(), within(Math.toRadians(8)));
        assertThat(printed.chroma()).isLessThan(wanted.chroma());
    }

    @Test
    void blackComesInWithTheShadows() {
        double last = -1;
        for (int l = 95; l >= 20; l -= 5) {
            double black = inversion.find(new Lab(l, 0, 0)).values()[3];
            // Inside a cell of the chart, an eighth wide, colours come before the rule.
            assertThat(black).as("L* %d", l).isGreaterThanOrEqualTo(last - 0.125 / 4);
            last = black;
        }
        assertThat(inversion.find(new Lab(90, 0, 0)).values()[3]).isLessThan(0.1);
    }

    @Test
    void fittedColoursKeepTheirOrderAndStayWithinTheRim() {
        GamutFit fit = new GamutFit(rim);
        for (int hue = 0; hue < 360; hue += 15) {
            double radians = Math.toRadians(hue);
            double last = -1;
            for (int chroma = 0; chroma <= 140; chroma += 5) {
                Lab fitted = fit.perceptual(new Lab(55, chroma * Math.cos(radians), chroma * Math.sin(radians)));
                assertThat(fitted.chroma()).isGreaterThan(last);
                assertThat(fitted.chroma()).isLessThanOrEqualTo(rim.chromaAt(fitted.l(), radians) + 1e-9);
                last = fitted.chroma();
            }
        }
        double dark = 0;
        for (int l = 0; l <= 100; l++) {
            double lightness = fit.perceptual(new Lab(l, 0, 0)).l();
            assertThat(lightness).isGreaterThanOrEqualTo(dark);
            dark = lightness;
        }
        assertThat(fit.perceptual(new Lab(100, 0, 0))).isEqualTo(new Lab(100, 0, 0));
        assertThat(fit.perceptual(new Lab(0, 0, 0)).l()).isCloseTo(rim.black(), within(1e-9));
    }
}
