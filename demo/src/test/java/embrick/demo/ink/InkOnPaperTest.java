package embrick.demo.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Lab;
import embrick.core.colour.Xyz;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class InkOnPaperTest {
    @Test
    void aPerfectReflectorIsTheConnectionSpacesWhite() {
        double[] all = new double[Spectra.BANDS];
        Arrays.fill(all, 1);
        Xyz white = Spectra.xyz(all);
        assertThat(white.x()).isCloseTo(Xyz.D50.x(), within(1e-12));
        assertThat(white.y()).isCloseTo(1, within(1e-12));
        assertThat(white.z()).isCloseTo(Xyz.D50.z(), within(1e-12));
    }

    @ParameterizedTest
    @EnumSource
    void moreInkIsNeverLighter(SimulatedPaper paper) {
        InkOnPaper device = new InkOnPaper(paper);
        for (int ink = 0; ink < 4; ink++) {
            double last = 2;
            for (int step = 0; step <= 50; step++) {
                double[] inks = new double[4];
                inks[ink] = step / 50.0;
                double light = device.read(inks).y();
                assertThat(light).isLessThan(last);
                last = light;
            }
        }
    }

    /** The trade's black: the sum of all is darkest, and rag never gets as dark as coated paper. */
    @Test
    void papersHaveTheBlacksOfTheirKind() {
        double lustre = darkest(SimulatedPaper.LUSTRE);
        double canvas = darkest(SimulatedPaper.CANVAS);
        double rag = darkest(SimulatedPaper.COTTON_RAG);
        assertThat(lustre).isBetween(2.0, 8.0);
        assertThat(canvas).isBetween(lustre, 16.0);
        assertThat(rag).isBetween(canvas, 26.0);
    }

    private static double darkest(SimulatedPaper paper) {
        InkOnPaper device = new InkOnPaper(paper);
        return Lab.of(device.read(0.7, 0.6, 0.6, 1).relativeTo(device.white())).l();
    }

    /** Of a dot of half the area, printed alone, Murray and Davies' equation (1936) finds the gain that the paper has. */
    @Test
    void dotsGrowByThePapersGain() {
        InkOnPaper device = new InkOnPaper(SimulatedPaper.LUSTRE);
        // Black absorbs evenly, and its spread to the power 1.9 is undone first (Yule and Nielsen 1951).
        double n = SimulatedPaper.LUSTRE.laydown().spread();
        double paper = Math.pow(device.white().y(), 1 / n);
        double solid = Math.pow(device.read(0, 0, 0, 1).y(), 1 / n);
        double half = Math.pow(device.read(0, 0, 0, 0.5).y(), 1 / n);
        // The paper is not quite even over the spectrum, which the broad reading mixes.
        assertThat((paper - half) / (paper - solid)).isCloseTo(0.5 + 0.14, within(2e-4));
    }

    @ParameterizedTest
    @EnumSource
    void theDriverKeepsToWhatThePaperHolds(SimulatedPaper paper) {
        RgbDriver driver = new RgbDriver(paper);
        for (int i = 0; i < 9 * 9 * 9; i++) {
            double[] inks = driver.inks(i % 9 / 8.0, i / 9 % 9 / 8.0, i / 81 / 8.0);
            assertThat(Arrays.stream(inks).sum()).isLessThanOrEqualTo(paper.mostInk() + 1e-12);
            assertThat(Arrays.stream(inks)).allMatch(ink -> ink >= 0 && ink <= 1);
        }
        assertThat(driver.inks(1, 1, 1)).containsOnly(0);
    }
}
