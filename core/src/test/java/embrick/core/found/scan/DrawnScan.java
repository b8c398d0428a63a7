package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A scan that is drawn from a seed, its truth known: prints on a bed with noise, a soft shadow, dust and hairs. */
final class DrawnScan {
    /** How a print looks at a place of its own: 0..1 across and down. */
    interface Print {
        float at(int colour, double u, double v);
    }

    /** A print with where it lies. */
    record Laid(Rectangle where, Print print, Wander wander) {}

    /** How far inside its rectangle a print's edge lies, in pixels, at a share of a side. */
    interface Wander {
        Wander NONE = (side, share) -> 0;

        double inwards(int side, double share);
    }

    static final float[] WHITE = {0.95f, 0.95f, 0.94f};
    static final float[] GREY = {0.52f, 0.53f, 0.52f};
    static final float[] BLACK = {0.05f, 0.05f, 0.06f};
    static final float[] GREEN = {0.25f, 0.55f, 0.35f};

    private static final int FINE = 4;
    private static final float[] NOISE = new float[1 << 18];

    static {
        Random random = new Random(1);
        for (int i = 0; i < NOISE.length; i++) {
            NOISE[i] = (float) random.nextGaussian();
        }
    }

    final int width;
    final int height;
    private final float[][] planes;
    private final Random random;

    DrawnScan(int width, int height, float[] bed, long seed) {
        this.width = width;
        this.height = height;
        random = random(seed);
        planes = new float[3][width * height];
        double slant = (random.nextDouble() - 0.5) * 0.02;
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < width * height; i++) {
                planes[c][i] = (float) (bed[c] + slant * (i % width / (double) width - 0.5));
            }
        }
    }

    /** A shadow that falls to one side of a print: its own shape, moved and blurred, so dark in its middle. */
    DrawnScan shadow(Rectangle where, double moveX, double moveY, double blur, double dark) {
        Axes axes = new Axes(where);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double along = Math.abs(axes.along(x + 0.5 - moveX, y + 0.5 - moveY)) - where.width() / 2;
                double down = Math.abs(axes.down(x + 0.5 - moveX, y + 0.5 - moveY)) - where.height() / 2;
                if (along > 6 * blur || down > 6 * blur || (along < -6 * blur && down < -6 * blur)) {
                    continue;
                }
                double cover = logistic(-along / blur) * logistic(-down / blur);
                for (float[] plane : planes) {
                    plane[y * width + x] *= (float) (1 - dark * cover);
                }
            }
        }
        return this;
    }

    /** A rectangle's own axes, from its middle. */
    private record Axes(double centreX, double centreY, double cos, double sin) {
        Axes(Rectangle of) {
            this(of.centreX(), of.centreY(), of.cos(), of.sin());
        }

        double along(double x, double y) {
            return (x - centreX) * cos + (y - centreY) * sin;
        }

        double down(double x, double y) {
            return -(x - centreX) * sin + (y - centreY) * cos;
        }
    }

    private static double logistic(double x) {
        return 1 / (1 + Math.exp(-1.7 * x));
    }

    DrawnScan lay(Laid laid) {
        Rectangle where = laid.where();
        Axes axes = new Axes(where);
        // Farther inside than any edge wanders, no pixel is shared with the bed.
        double sure = laid.wander().equals(Wander.NONE) ? 2 : 40;
        double reach = Math.hypot(where.width(), where.height()) / 2 + 2;
        int left = Math.max(0, (int) (where.centreX() - reach));
        int right = Math.min(width, (int) (where.centreX() + reach));
        for (int y = Math.max(0, (int) (where.centreY() - reach)); y < Math.min(height, where.centreY() + reach); y++) {
            for (int x = left; x < right; x++) {
                double along = axes.along(x + 0.5, y + 0.5);
                double down = axes.down(x + 0.5, y + 0.5);
                double in = Math.min(where.width() / 2 - Math.abs(along), where.height() / 2 - Math.abs(down));
                double cover = in > sure ? 1 : in < -2 ? 0 : cover(laid, axes, x, y);
                if (cover > 0) {
                    double u = Math.clamp(along / where.width() + 0.5, 0, 1);
                    double v = Math.clamp(down / where.height() + 0.5, 0, 1);
                    for (int c = 0; c < 3; c++) {
                        float here = planes[c][y * width + x];
                        planes[c][y * width + x] =
                                (float) (here + cover * (laid.print().at(c, u, v) - here));
                    }
                }
            }
        }
        return this;
    }

    private static double cover(Laid laid, Axes axes, int x, int y) {
        double w = laid.where().width();
        double h = laid.where().height();
        int covered = 0;
        for (int k = 0; k < FINE * FINE; k++) {
            double atX = x + (k % FINE + 0.5) / FINE;
            double atY = y + (Math.floorDiv(k, FINE) + 0.5) / FINE;
            double along = axes.along(atX, atY) + w / 2;
            double down = axes.down(atX, atY) + h / 2;
            if (down >= laid.wander().inwards(0, along / w)
                    && w - along >= laid.wander().inwards(1, down / h)
                    && h - down >= laid.wander().inwards(2, along / w)
                    && along >= laid.wander().inwards(3, down / h)) {
                covered++;
            }
        }
        return covered / (double) (FINE * FINE);
    }

    DrawnScan dust(int specks) {
        for (int i = 0; i < specks; i++) {
            double x = random.nextDouble() * width;
            double y = random.nextDouble() * height;
            double angle = random.nextDouble() * 2 * Math.PI;
            float tone = random.nextBoolean() ? 0.2f : 0.75f;
            int length = random.nextInt(6) == 0 ? 20 + random.nextInt(60) : 1 + random.nextInt(3);
            for (int k = 0; k < length; k++) {
                int atX = (int) x;
                int atY = (int) y;
                if (atX >= 0 && atY >= 0 && atX < width && atY < height) {
                    for (float[] plane : planes) {
                        plane[atY * width + atX] = tone;
                    }
                }
                angle += (random.nextDouble() - 0.5) * 0.4;
                x += Math.cos(angle);
                y += Math.sin(angle);
            }
        }
        return this;
    }

    /** The lens's softness (1 2 1 along both axes), then noise, then 8 bits. */
    SmallPixels scanned(double noise) {
        float[][] out = new float[3][width * height];
        int start = random.nextInt(NOISE.length);
        float[] rows = new float[width * height];
        for (int c = 0; c < 3; c++) {
            float[] in = planes[c];
            for (int i = 0; i < rows.length; i++) {
                int x = i % width;
                rows[i] = in[i] * 2 + in[x > 0 ? i - 1 : i] + in[x < width - 1 ? i + 1 : i];
            }
            for (int i = 0; i < rows.length; i++) {
                float sum =
                        rows[i] * 2 + rows[i >= width ? i - width : i] + rows[i + width < rows.length ? i + width : i];
                float noisy =
                        sum / 16 + (float) noise * NOISE[(i + 7919 * (i / width + c) + start) & (NOISE.length - 1)];
                out[c][i] = Math.clamp((int) (noisy * 255 + 0.5f), 0, 255) / 255f;
            }
        }
        return new SmallPixels(width, height, out);
    }

    /** A landscape: sky above hills above sand, all with their own grain. */
    static Print landscape(long seed) {
        Random random = random(seed);
        double horizon = 0.35 + 0.3 * random.nextDouble();
        double[] phases = random.doubles(16, 0, 2 * Math.PI).toArray();
        float[] sky = {
            0.35f + 0.3f * random.nextFloat(), 0.5f + 0.2f * random.nextFloat(), 0.7f + 0.1f * random.nextFloat()
        };
        float[] land = {
            0.3f + 0.3f * random.nextFloat(), 0.3f + 0.2f * random.nextFloat(), 0.15f + 0.2f * random.nextFloat()
        };
        return kept((c, u, v) -> {
            double hill = horizon + 0.05 * Math.sin(7 * u + phases[0]) + 0.02 * Math.sin(23 * u + phases[1]);
            double grain = 0;
            for (int k = 0; k < 6; k++) {
                grain += 0.03
                        * Math.sin((9 + 17 * k) * u + phases[k + 2] + 3 * Math.sin((5 + 11 * k) * v + phases[k + 8]));
            }
            float base = v < hill ? (float) (sky[c] - 0.15 * v) : (float) (land[c] + 0.3 * (v - hill));
            return Math.clamp((float) (base + grain), 0.1f, 0.86f);
        });
    }

    /** The same, drawn once on 160 × 120 places and read between them. */
    private static Print kept(Print print) {
        int columns = 160;
        int rows = 120;
        float[][] grid = new float[3][columns * rows];
        for (int i = 0; i < columns * rows; i++) {
            for (int c = 0; c < 3; c++) {
                grid[c][i] = print.at(c, (i % columns + 0.5) / columns, (i / columns + 0.5) / rows);
            }
        }
        return print(new SmallPixels(columns, rows, grid));
    }

    /** A picture, read between its pixels. */
    static Print print(SmallPixels picture) {
        return (c, u, v) -> {
            float[] sums = new float[3];
            picture.addBetween(u * picture.width(), v * picture.height(), sums);
            return sums[c];
        };
    }

    /** A sky as pale as the bed above dark ground. */
    static Print paleSky(float[] bed, double off, long seed) {
        Print land = landscape(seed);
        return (c, u, v) ->
                v < 0.4 + 0.02 * Math.sin(9 * u) ? (float) (bed[c] + off) : Math.min(0.6f, land.at(c, u, v));
    }

    /** Seeds beside one another give numbers beside one another at first; multiplied they do not. */
    static Random random(long seed) {
        return new Random((seed + 1) * 0x9E3779B97F4A7C15L);
    }

    static List<float[]> grounds() {
        return List.of(WHITE, GREY, BLACK, GREEN);
    }

    /** A print of a seed in about the middle, at up to 10° either way. */
    static Rectangle somewhere(Random random, int width, int height) {
        double degrees = (random.nextDouble() - 0.5) * 20;
        double w = width * (0.5 + 0.2 * random.nextDouble());
        double h = height * (0.5 + 0.2 * random.nextDouble());
        return new Rectangle(
                width * (0.48 + 0.04 * random.nextDouble()),
                height * (0.48 + 0.04 * random.nextDouble()),
                w,
                h,
                degrees);
    }

    static double[] off(Rectangle found, Rectangle truth) {
        List<Double> off = new ArrayList<>();
        double sin = truth.sin();
        double cos = truth.cos();
        double dx = found.centreX() - truth.centreX();
        double dy = found.centreY() - truth.centreY();
        double along = dx * cos + dy * sin;
        double down = -dx * sin + dy * cos;
        off.add(down - (found.height() - truth.height()) / 2);
        off.add(along + (found.width() - truth.width()) / 2);
        off.add(down + (found.height() - truth.height()) / 2);
        off.add(along - (found.width() - truth.width()) / 2);
        return off.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
