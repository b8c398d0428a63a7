package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/** Invented scenes, known wherever one looks, so that what was grown can be held against what would have been there. */
interface Scenery {
    /** Red, green and blue of a place, 0..1. */
    float[] at(int x, int y);

    default PixelSource pixels() {
        return (part, into, at) -> {
            int to = at;
            for (int y = part.y(); y < part.bottom(); y++) {
                for (int x = part.x(); x < part.right(); x++, to += 3) {
                    System.arraycopy(at(x, y), 0, into, to, 3);
                }
            }
        };
    }

    /** Where a scene is bare there are absurd colours: whoever looks at them fails. */
    default PixelSource pixelsOf(BareArea area) {
        PixelSource all = pixels();
        return (part, into, at) -> {
            all.render(part, into, at);
            for (int i = 0; i < part.width() * part.height(); i++) {
                if (area.isBare(part.x() + i % part.width(), part.y() + i / part.width())) {
                    into[at + i * 3] = 1;
                    into[at + i * 3 + 1] = 0;
                    into[at + i * 3 + 2] = 1;
                }
            }
        };
    }

    /** Evenly from −1 to 1, by the place alone. */
    static float chance(int x, int y, int salt) {
        int hash = x * 0x9E3779B1 ^ y * 0x85EBCA77 ^ salt * 0xC2B2AE3D;
        hash ^= hash >>> 16;
        hash *= 0x85EBCA6B;
        hash ^= hash >>> 13;
        hash *= 0xC2B2AE35;
        hash ^= hash >>> 16;
        return (hash >>> 8) * 0x1p-23f - 1;
    }

    /** Chance that changes slowly, over so many pixels. */
    static float lumps(double x, double y, int size, int salt) {
        int i = (int) Math.floor(x / size);
        int j = (int) Math.floor(y / size);
        float u = smooth(x / size - i);
        float v = smooth(y / size - j);
        float top = chance(i, j, salt) * (1 - u) + chance(i + 1, j, salt) * u;
        float bottom = chance(i, j + 1, salt) * (1 - u) + chance(i + 1, j + 1, salt) * u;
        return top * (1 - v) + bottom * v;
    }

    private static float smooth(double t) {
        return (float) (t * t * (3 - 2 * t));
    }

    /** A sky that grows darker upward, with the grain of a camera. */
    static Scenery sky(int height) {
        return (x, y) -> {
            float light = 0.45f + 0.4f * y / height;
            float grain = 0.012f * chance(x, y, 1);
            return new float[] {light * 0.8f + grain, light * 0.9f + grain, light + grain};
        };
    }

    static Scenery sand() {
        return (x, y) -> {
            float tone = 0.6f + 0.08f * chance(x, y, 2) + 0.06f * lumps(x, y, 3, 3) + 0.04f * lumps(x, y, 9, 4);
            return new float[] {tone, tone * 0.86f, tone * 0.64f};
        };
    }

    static Scenery grass() {
        return (x, y) -> {
            float blade = 0.15f * lumps(x * 3.0, y, 6, 5) + 0.1f * lumps(x, y / 4.0, 2, 6);
            return new float[] {0.25f + blade * 0.8f, 0.42f + blade, 0.16f + blade * 0.5f};
        };
    }

    /** Sky over sea; the line between them rises to the right. */
    static Scenery coast(double horizon, double slope) {
        Scenery above = sky(400);
        return (x, y) -> {
            double line = horizon - slope * x;
            float share = (float) Math.clamp(y - line + 0.5, 0, 1);
            float[] sky = above.at(x, y);
            float wave = 0.05f * lumps(x / 3.0, y * 2.0, 5, 7) + 0.012f * chance(x, y, 8);
            return new float[] {
                sky[0] * (1 - share) + (0.10f + wave) * share,
                sky[1] * (1 - share) + (0.24f + wave) * share,
                sky[2] * (1 - share) + (0.34f + wave) * share
            };
        };
    }

    static Scenery bricks() {
        return (x, y) -> {
            int row = Math.floorDiv(y, 24);
            boolean isMortar = Math.floorMod(y, 24) < 3 || Math.floorMod(x + (row % 2 == 0 ? 0 : 24), 48) < 3;
            float grain = 0.03f * chance(x, y, 9) + 0.03f * lumps(x, y, 12, 10);
            return isMortar
                    ? new float[] {0.72f + grain, 0.7f + grain, 0.66f + grain}
                    : new float[] {0.55f + grain, 0.26f + grain, 0.2f + grain};
        };
    }

    /** A balloon of a colour that nothing else has. */
    default Scenery withBalloon(int middleX, int middleY, int radius) {
        return (x, y) -> {
            double away = Math.hypot(x - middleX, y - middleY);
            float share = (float) Math.clamp(radius - away + 0.5, 0, 1);
            float[] under = at(x, y);
            float stripe = (x - middleX) / 6 % 2 == 0 ? 0.85f : 0.65f;
            return new float[] {
                under[0] * (1 - share) + stripe * share,
                under[1] * (1 - share) + 0.08f * share,
                under[2] * (1 - share) + 0.1f * share
            };
        };
    }

    /** Whether a colour is a balloon's. */
    static boolean isBalloon(float[] samples, int at) {
        return samples[at] > samples[at + 1] + 0.25f
                && samples[at] > samples[at + 2] + 0.25f
                && samples[at + 1] < 0.22f;
    }

    /** The area's pixels with what was grown. Shapes: height × width × 3. */
    static float[] whole(Scenery scene, BareArea area, GrownLayer layer) {
        PixelRect all = PixelRect.whole(area.size());
        float[] samples = new float[all.width() * all.height() * 3];
        scene.pixelsOf(area).render(all, samples, 0);
        layer.read(all, samples, 0);
        return samples;
    }
}
