package embrick.core.found.detail;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.found.JpegCoded;
import embrick.core.found.Photographs;
import embrick.core.found.SmallPixels;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Photographs of Debian's package plasma-workspace-wallpapers, reduced, and then blurred or coded by known amounts. What a Gaussian
 * leaves follows from its definition: variances of blurs add up.
 */
class DetailMeasureTest {
    private static SmallPixels photograph(String name) throws IOException {
        Path file = Photographs.all().stream()
                .filter(path -> path.toString().contains("/" + name + "/"))
                .findFirst()
                .orElseThrow();
        return Photographs.read(file, 800);
    }

    private static Raster raster(int width, int height, float[][] planes) {
        Raster raster = Raster.allocate(new PixelSize(width, height), planes.length, 1);
        for (int i = 0; i < width * height; i++) {
            for (int c = 0; c < planes.length; c++) {
                raster.samples().set(ValueLayout.JAVA_BYTE, (long) i * planes.length + c, (byte)
                        Math.clamp(Math.round(planes[c][i] * 255), 0, 255));
            }
        }
        return raster;
    }

    private static double held(SmallPixels picture, double sigma) {
        try (Raster raster = raster(picture.width(), picture.height(), blurred(picture, sigma))) {
            return DetailMeasure.of(raster).heldShare().orElseThrow();
        }
    }

    private static double marks(int width, int height, float[][] planes) {
        try (Raster raster = raster(width, height, planes)) {
            return DetailMeasure.of(raster).blockMarks().orElseThrow();
        }
    }

    private static float[][] blurred(SmallPixels picture, double sigma) {
        float[][] planes = new float[3][];
        for (int c = 0; c < 3; c++) {
            float[] across = sigma == 0 ? picture.planes()[c] : blurred(picture.planes()[c], picture, sigma, 1, 0);
            planes[c] = sigma == 0 ? across : blurred(across, picture, sigma, 0, 1);
        }
        return planes;
    }

    private static float[] blurred(float[] plane, SmallPixels of, double sigma, int right, int down) {
        int reach = (int) Math.ceil(4 * sigma);
        double[] kernel = new double[2 * reach + 1];
        for (int k = -reach; k <= reach; k++) {
            kernel[k + reach] = Math.exp(-k * k / (2 * sigma * sigma));
        }
        float[] into = new float[plane.length];
        for (int y = 0; y < of.height(); y++) {
            for (int x = 0; x < of.width(); x++) {
                double sum = 0;
                double weights = 0;
                for (int k = -reach; k <= reach; k++) {
                    double weight = kernel[k + reach];
                    int u = Math.max(0, Math.min(of.width() - 1, x + k * right));
                    int v = Math.max(0, Math.min(of.height() - 1, y + k * down));
                    sum += weight * plane[v * of.width() + u];
                    weights += weight;
                }
                into[y * of.width() + x] = (float) (sum / weights);
            }
        }
        return into;
    }

    @ParameterizedTest
    @ValueSource(strings = {"Path", "Canopee"})
    void moreBlurNeverHoldsMore(String name) throws IOException {
        SmallPixels picture = photograph(name);
        double own = held(picture, 0);
        double before = own;
        for (double sigma : new double[] {0.5, 1, 2}) {
            double now = held(picture, sigma);
            assertThat(now).isLessThanOrEqualTo(before);
            before = now;
        }
        double left = 1 / Math.sqrt(1 / (own * own) + square(1.5 / 0.5));
        assertThat(held(picture, 1.5) / left).isBetween(0.8, 1.2);
    }

    private static double square(double of) {
        return of * of;
    }

    @Test
    void anEvenPictureTellsNothingOfItsSharpness() {
        Random random = new Random(3);
        float[] plane = new float[640 * 480];
        for (int i = 0; i < plane.length; i++) {
            plane[i] = (float) (0.5 + random.nextGaussian() * 2 / 255);
        }
        try (Raster raster = raster(640, 480, new float[][] {plane})) {
            assertThat(DetailMeasure.of(raster).heldShare()).isEmpty();
            assertThat(DetailMeasure.of(raster).blockMarks().orElseThrow()).isLessThan(0.1);
        }
    }

    @Test
    void aPictureOfAFewPixelsTellsNothing() {
        try (Raster raster = raster(100, 90, new float[][] {new float[9000]})) {
            assertThat(DetailMeasure.of(raster).isMeasured()).isFalse();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"Path", "Kokkini"})
    void coarserJpegLeavesStrongerMarks(String name) throws IOException {
        SmallPixels picture = photograph(name);
        double clean = marks(picture.width(), picture.height(), picture.planes());
        assertThat(clean).isLessThan(0.3);
        double before = clean;
        for (int quality : new int[] {85, 60, 30}) {
            SmallPixels coded = JpegCoded.of(picture, quality);
            double marks = marks(coded.width(), coded.height(), coded.planes());
            assertThat(marks).as("quality %d", quality).isGreaterThan(before);
            before = marks;
        }
    }

    @Test
    void marksAreFoundWhereThePictureWasCutAfterwards() throws IOException {
        SmallPixels coded = JpegCoded.of(photograph("ColdRipple"), 50);
        int width = coded.width() - 3;
        int height = coded.height() - 5;
        float[][] cut = new float[3][width * height];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < width * height; i++) {
                cut[c][i] = coded.planes()[c][(i / width + 5) * coded.width() + i % width + 3];
            }
        }
        double whole = marks(coded.width(), coded.height(), coded.planes());
        assertThat(marks(width, height, cut)).isBetween(0.9 * whole, 1.1 * whole);
    }
}
