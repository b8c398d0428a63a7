package embrick.core.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.units.PixelSize;
import java.util.Random;
import org.junit.jupiter.api.Test;

class OverlapTest {
    private static final PixelSize PICTURE = new PixelSize(60, 40);

    private static double[][] frame(double x, double y, double width, double height, double degrees) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double[][] corners = new double[4][];
        double[][] ends = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
        for (int i = 0; i < 4; i++) {
            double u = ends[i][0] * width / 2;
            double v = ends[i][1] * height / 2;
            corners[i] = new double[] {x + cos * u - sin * v, y + sin * u + cos * v};
        }
        return corners;
    }

    @Test
    void aFrameInsideCountsWhole() {
        assertThat(Overlap.area(PICTURE, frame(30, 20, 20, 10, 17))).isCloseTo(200, within(1e-9));
    }

    @Test
    void aFrameApartCountsNothing() {
        assertThat(Overlap.area(PICTURE, frame(130, 20, 20, 10, 17))).isZero();
    }

    @Test
    void aPictureInsideAFrameCountsWhole() {
        assertThat(Overlap.area(PICTURE, frame(30, 20, 300, 300, 30))).isCloseTo(2400, within(1e-9));
    }

    /** Counted on a grid of 0.05 px: a rim of length L is off by at most half a step along it, here under 6 px². */
    @Test
    void anyOtherIsWhatACountFinds() {
        Random random = new Random(8);
        for (int i = 0; i < 20; i++) {
            double x = random.nextDouble() * 60;
            double y = random.nextDouble() * 40;
            double width = 5 + random.nextDouble() * 50;
            double height = 5 + random.nextDouble() * 50;
            double degrees = random.nextDouble() * 90 - 45;
            double cos = Math.cos(Math.toRadians(degrees));
            double sin = Math.sin(Math.toRadians(degrees));
            double counted = 0;
            for (double py = 0.025; py < 40; py += 0.05) {
                for (double px = 0.025; px < 60; px += 0.05) {
                    double u = cos * (px - x) + sin * (py - y);
                    double v = -sin * (px - x) + cos * (py - y);
                    if (Math.abs(u) < width / 2 && Math.abs(v) < height / 2) {
                        counted += 0.0025;
                    }
                }
            }
            assertThat(Overlap.area(PICTURE, frame(x, y, width, height, degrees)))
                    .isCloseTo(counted, within(6.0));
        }
    }
}
