package embrick.core.colour.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Lab;
import embrick.core.colour.Xyz;
import embrick.core.colour.chain.Table.Between;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChainTest {
    /** Sums of a few floats below 2. */
    private static final double FLOATS = 2e-6;

    private static float[] colours(int pixels, int channels) {
        Random random = new Random(9);
        float[] colours = new float[pixels * channels];
        for (int i = 0; i < colours.length; i++) {
            colours[i] = random.nextFloat();
        }
        return colours;
    }

    /** A table of a function that is even along each channel. */
    private static Table even(int[] sides, int out, Between between) {
        int count = 1;
        for (int side : sides) {
            count *= side;
        }
        float[] values = new float[count * out];
        for (int node = 0; node < count; node++) {
            int rest = node;
            double[] at = new double[sides.length];
            for (int channel = sides.length - 1; channel >= 0; channel--) {
                at[channel] = rest % sides[channel] / (sides[channel] - 1.0);
                rest /= sides[channel];
            }
            for (int c = 0; c < out; c++) {
                values[node * out + c] = (float) evenly(at, c);
            }
        }
        return new Table(sides, out, values, between);
    }

    private static double evenly(double[] at, int c) {
        double sum = 0.1 * c;
        for (int channel = 0; channel < at.length; channel++) {
            sum += at[channel] * (channel + 1 + c) / 20;
        }
        return sum;
    }

    @ParameterizedTest
    @CsvSource({
        "1, 3, TETRAHEDRA",
        "3, 3, TETRAHEDRA",
        "3, 3, CORNERS",
        "3, 4, CORNERS",
        "3, 1, CORNERS",
        "4, 3, TETRAHEDRA"
    })
    void betweenTheNodesOfAnEvenTableAllIsEven(int in, int out, Between between) {
        int[] sides = {5, 4, 7, 3};
        Chain chain = new Chain(List.of(even(java.util.Arrays.copyOf(sides, in), out, between)));
        int pixels = 1201;
        float[] colours = colours(pixels, in);
        float[] results = new float[pixels * out];
        chain.apply(colours, 0, results, 0, pixels);
        for (int pixel = 0; pixel < pixels; pixel++) {
            double[] at = new double[in];
            for (int channel = 0; channel < in; channel++) {
                at[channel] = colours[pixel * in + channel];
            }
            for (int c = 0; c < out; c++) {
                assertThat((double) results[pixel * out + c]).isCloseTo(evenly(at, c), within(FLOATS));
            }
        }
    }

    @Test
    void nodesAreMetExactly() {
        Random random = new Random(4);
        float[] values = new float[3 * 3 * 3 * 3];
        for (int i = 0; i < values.length; i++) {
            values[i] = random.nextFloat();
        }
        for (Between between : Between.values()) {
            Chain chain = new Chain(List.of(new Table(new int[] {3, 3, 3}, 3, values, between)));
            for (int node = 0; node < 27; node++) {
                float[] colour = new float[3];
                chain.apply(new float[] {node / 9 / 2f, node / 3 % 3 / 2f, node % 3 / 2f}, 0, colour, 0, 1);
                for (int c = 0; c < 3; c++) {
                    assertThat(colour[c]).isEqualTo(values[node * 3 + c]);
                }
            }
        }
    }

    @Test
    void anyCountOfPixelsHasTheSameColours() {
        List<Step> steps = new ArrayList<>();
        steps.add(new Curves(new float[][] {{0, 0.2f, 1}, {0, 0.5f, 0.6f, 1}, {0, 1}}));
        steps.add(even(new int[] {5, 5, 5}, 3, Between.CORNERS));
        steps.addAll(LabSteps.fromXyz());
        Chain chain = new Chain(steps);
        int pixels = 1500;
        float[] colours = colours(pixels, 3);
        float[] together = new float[pixels * 3];
        chain.apply(colours, 0, together, 0, pixels);
        for (int from = 0, count = 1; from + count <= pixels; from += count, count += 13) {
            float[] part = new float[count * 3];
            chain.apply(colours, from * 3, part, 0, count);
            assertThat(part).isEqualTo(java.util.Arrays.copyOfRange(together, from * 3, (from + count) * 3));
        }
    }

    @Test
    void labStepsAreTheFormula() {
        Chain there = new Chain(LabSteps.fromXyz());
        Chain back = new Chain(LabSteps.toXyz());
        for (double l = 1; l <= 100; l += 3) {
            for (double a = -80; a <= 80; a += 16) {
                Xyz xyz = new Lab(l, a, a / 2).toXyz();
                float[] lab = new float[3];
                there.apply(new float[] {(float) xyz.x(), (float) xyz.y(), (float) xyz.z()}, 0, lab, 0, 1);
                // Less than no light and more than white are clipped; colours of papers have neither.
                if (xyz.x() > 0 && xyz.z() > 0 && xyz.x() < Xyz.D50.x() && xyz.z() < Xyz.D50.z()) {
                    assertThat(new Lab(lab[0], lab[1], lab[2]).distance(new Lab(l, a, a / 2)))
                            .as("L* %f a* %f", l, a)
                            .isLessThan(0.02);
                }
                float[] light = new float[3];
                back.apply(new float[] {(float) l, (float) a, (float) (a / 2)}, 0, light, 0, 1);
                assertThat((double) light[0]).isCloseTo(xyz.x(), within(1e-5));
                assertThat((double) light[2]).isCloseTo(xyz.z(), within(1e-5));
            }
        }
    }

    @Test
    void matricesThatMeetAreOneAndTheSame() {
        Affine first = new Affine(new double[][] {{1, 2, 3}, {0, 1, 0}, {4, 0, 1}}, new double[] {0.1, 0.2, 0.3});
        Affine second = new Affine(new double[][] {{0.5, 0, 1}, {0, 2, 0}, {1, 1, 1}}, new double[] {1, 2, 3});
        float[] out = new float[3];
        new Chain(List.of(first, second)).apply(new float[] {1, 2, 3}, 0, out, 0, 1);
        // First: 14.1, 2.2, 7.3; second: 7.05 + 7.3 + 1, 4.4 + 2, 14.1 + 2.2 + 7.3 + 3.
        assertThat(out).containsExactly(new float[] {15.35f, 6.4f, 26.6f}, within(1e-5f));
    }

    @Test
    void stepsMustFitTogether() {
        Affine toOne = new Affine(new double[][] {{1, 1, 1}});
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Chain(List.of(toOne, new Curves(new float[][] {{0, 1}, {0, 1}}))))
                .withMessageContaining("expected 1 channels, got 2");
    }

    @Test
    void tooShortArraysAreRefused() {
        Chain chain = new Chain(List.of(new Affine(new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}})));
        assertThatIllegalArgumentException().isThrownBy(() -> chain.apply(new float[5], 0, new float[6], 0, 2));
    }
}
