package embrick.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class Ciede2000Test {
    /**
     * All 34 pairs of table 1 in G. Sharma, W. Wu, E. N. Dalal, Color Research and Application 30 (2005), 21–30, as
     * scikit-image's test data has them.
     */
    @ParameterizedTest
    @CsvFileSource(resources = "ciede2000-pairs.csv", numLinesToSkip = 1)
    void publishedPairsHaveTheirDifference(
            double l1, double a1, double b1, double l2, double a2, double b2, double published) {
        Lab one = new Lab(l1, a1, b1);
        Lab other = new Lab(l2, a2, b2);
        // Published to four decimals.
        assertThat(Ciede2000.between(one, other)).isCloseTo(published, within(0.00005));
        assertThat(Ciede2000.between(other, one)).isCloseTo(published, within(0.00005));
    }

    @Test
    void aColourDoesNotDifferFromItself() {
        assertThat(Ciede2000.between(new Lab(50, 20, -30), new Lab(50, 20, -30)))
                .isZero();
        assertThat(Ciede2000.between(new Lab(0, 0, 0), new Lab(0, 0, 0))).isZero();
    }

    @Test
    void neverPassesTheBoundThatMarksRelyOn() {
        Random random = new Random(3);
        for (int i = 0; i < 200_000; i++) {
            double l = random.nextDouble() * 100;
            double a = (random.nextDouble() - 0.5) * 200;
            double b = (random.nextDouble() - 0.5) * 200;
            double step = random.nextDouble() * 3;
            Lab one = new Lab(l, a, b);
            Lab other = new Lab(
                    l + random.nextGaussian() * step,
                    a + random.nextGaussian() * step,
                    b + random.nextGaussian() * step);
            assertThat(Ciede2000.between(one, other)).isLessThanOrEqualTo(1.5 * 1.415 * one.distance(other));
        }
    }
}
