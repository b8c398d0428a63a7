package embrick.core.resample;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.resample.DoubledBlock.Luminance;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GuidedColoursTest {
    private static final int COLUMNS = 40;
    private static final int ROWS = 30;
    private static final Luminance LUMINANCE = Luminance.of(Encoding.srgb(), 3);
    private static final float COUNT = 1f / 255;

    private final Random lot = new Random(4);

    /** A tone for each pixel and channel, in counts of 255. */
    private interface Tones {
        double at(int x, int y, int channel);
    }

    private static float[] area(Tones tones) {
        float[] area = new float[COLUMNS * ROWS * 3];
        for (int i = 0; i < area.length; i++) {
            area[i] = (float) tones.at(i / 3 % COLUMNS, i / 3 / COLUMNS, i % 3) * COUNT;
        }
        return area;
    }

    private static float[] light(float[] area) {
        float[] light = new float[COLUMNS * ROWS];
        LUMINANCE.of(area, 3, light, light.length);
        return light;
    }

    private static float[] softened(float[] area) {
        float[] softened = area.clone();
        new GuidedColours(COLUMNS, ROWS, LUMINANCE).soften(softened, 3, light(area));
        return softened;
    }

    /** The furthest that a channel of one is from the other's, in counts of 255. */
    private static double furthest(float[] one, float[] other) {
        double most = 0;
        for (int i = 0; i < one.length; i++) {
            most = Math.max(most, Math.abs(one[i] - other[i]) / COUNT);
        }
        return most;
    }

    @Test
    void theLuminanceStays() {
        float[] area = area((_, _, _) -> 120 + lot.nextInt(20));
        assertThat(furthest(light(softened(area)), light(area))).isLessThan(1e-3);
        assertThat(furthest(softened(area), area)).isGreaterThan(1);
    }

    @Test
    void greyStaysGreyToTheLastBit() {
        int[] tones = lot.ints(COLUMNS * ROWS, 0, 256).toArray();
        float[] area = area((x, y, _) -> tones[y * COLUMNS + x]);
        assertThat(softened(area)).isEqualTo(area);
    }

    @Test
    void coloursThatGoAlongWithTheLuminanceStay() {
        float[] area = area((x, y, c) -> 40 + (c + 1) * (20 + 15 * Math.sin(x * 0.7) + 10 * Math.cos(y * 0.9)));
        assertThat(furthest(softened(area), area)).isLessThan(1.5);
    }

    /** Marks of a few counts, where the luminance is even: less than half of them is left. */
    @Test
    void whatTheLuminanceDoesNotShowIsSoftened() {
        float[] area = new float[COLUMNS * ROWS * 3];
        for (int i = 0; i < COLUMNS * ROWS; i++) {
            float mark = (float) lot.nextGaussian() * 3 * COUNT;
            area[3 * i] = 0.5f + mark;
            area[3 * i + 1] = 0.5f - mark * LUMINANCE.red() / LUMINANCE.green();
            area[3 * i + 2] = 0.5f;
        }
        assertThat(spread(softened(area))).isLessThan(0.5 * spread(area));
    }

    private static double spread(float[] area) {
        double sum = 0;
        for (int y = GuidedColours.REACH; y < ROWS - GuidedColours.REACH; y++) {
            for (int x = GuidedColours.REACH; x < COLUMNS - GuidedColours.REACH; x++) {
                float off = area[(y * COLUMNS + x) * 3] - 0.5f;
                sum += off * off;
            }
        }
        return Math.sqrt(sum);
    }

    /** Red beside a green of the same luminance: no line of the luminance tells them apart, and none is asked to. */
    @Test
    void coloursThatChangeByThemselvesStay() {
        double green = 40 + 160 * LUMINANCE.red() / LUMINANCE.green();
        float[] area = area((x, _, c) -> c == 0 && x < 20 ? 200 : c == 1 && x >= 20 ? green : 40);
        assertThat(furthest(softened(area), area)).isLessThan(3);
    }

    /** By the definition of He, Sun and Tang (2010), in doubles, at one pixel. */
    @Test
    void followsTheDefinition() {
        float[] area = area((x, y, c) -> 100 + 5 * lot.nextGaussian() + 3 * x * (c == 0 ? 1 : 0.5) + y);
        float[] light = light(area);
        int x = 17;
        int y = 11;
        double slope = 0;
        double start = 0;
        double unlike = 0;
        for (int i = 0; i < 25; i++) {
            double[] line = line(area, light, x + i % 5 - 2, y + i / 5 - 2);
            slope += line[0] / 25;
            start += line[1] / 25;
            unlike += line[2] / 25;
        }
        int at = y * COLUMNS + x;
        double marks = 25.0 / (255 * 255);
        double was = area[3 * at] - area[3 * at + 1];
        double wanted = was + (slope * light[at] + start - was) * marks / (marks + unlike);
        float[] softened = softened(area);
        assertThat((double) softened[3 * at] - softened[3 * at + 1]).isCloseTo(wanted, within(2e-5));
    }

    /** Slope and start of the line that fits best round a pixel, and the variance of what does not fit. */
    private static double[] line(float[] area, float[] light, int x, int y) {
        double[] means = new double[5];
        for (int i = 0; i < 25; i++) {
            int at = (y + i / 5 - 2) * COLUMNS + x + i % 5 - 2;
            double of = light[at];
            double colour = area[3 * at] - area[3 * at + 1];
            double[] each = {of, of * of, colour, colour * of, colour * colour};
            for (int k = 0; k < 5; k++) {
                means[k] += each[k] / 25;
            }
        }
        double together = means[3] - means[2] * means[0];
        double slope = together / (means[1] - means[0] * means[0] + 4.0 / (255 * 255));
        return new double[] {slope, means[2] - slope * means[0], means[4] - means[2] * means[2] - slope * together};
    }
}
