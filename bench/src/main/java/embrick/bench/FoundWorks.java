package embrick.bench;

import embrick.core.found.SmallPixels;
import embrick.core.found.level.LevelFinder;
import embrick.core.found.scan.ScanBorder;
import java.util.Map;
import java.util.Random;

/** What is found in a small picture of 2048 pixels: a print on a bed with grain, leaning by 3°. */
final class FoundWorks {
    private static final int WIDTH = 2048;
    private static final int HEIGHT = 1500;
    private static final double LEANS = Math.toRadians(3);

    private FoundWorks() {}

    static void addTo(Map<String, Work.Making> works) {
        works.put("scan-border", () -> {
            SmallPixels scan = scan();
            return new Work(20, () -> ScanBorder.find(scan));
        });
        works.put("level", () -> {
            SmallPixels scan = scan();
            return new Work(20, () -> LevelFinder.find(scan));
        });
    }

    private static SmallPixels scan() {
        Random random = new Random(5);
        float[][] planes = new float[SmallPixels.COLOURS][WIDTH * HEIGHT];
        for (int i = 0; i < WIDTH * HEIGHT; i++) {
            double x = i % WIDTH - WIDTH / 2.0;
            double y = Math.floorDiv(i, WIDTH) - HEIGHT / 2.0;
            double along = x * Math.cos(LEANS) + y * Math.sin(LEANS);
            double down = -x * Math.sin(LEANS) + y * Math.cos(LEANS);
            boolean isPrint = Math.abs(along) < WIDTH * 0.38 && Math.abs(down) < HEIGHT * 0.36;
            double detail = 0.1 * Math.sin(along / 17 + 2 * Math.sin(down / 40)) + 0.1 * Math.sin(down / 5);
            for (int c = 0; c < SmallPixels.COLOURS; c++) {
                double tone = isPrint ? (down < 0 ? 0.7 - 0.1 * c : 0.3 + 0.1 * c) + detail : 0.94;
                planes[c][i] = (float) (tone + 0.008 * random.nextGaussian());
            }
        }
        return new SmallPixels(WIDTH, HEIGHT, planes);
    }
}
