package embrick.demo;

/** Smooth value noise in layers, from a seed; the same on every machine. */
final class Noise {
    private final long seed;

    Noise(long seed) {
        this.seed = seed;
    }

    /** 0..1 at a lattice point. */
    float at(int x, int y) {
        long h = seed + x * 0x9E3779B97F4A7C15L + y * 0xC2B2AE3D27D4EB4FL;
        h = (h ^ (h >>> 30)) * 0xBF58476D1CE4E5B9L;
        h = (h ^ (h >>> 27)) * 0x94D049BB133111EBL;
        return ((h ^ (h >>> 31)) >>> 40) / (float) (1 << 24);
    }

    /** 0..1, smooth between lattice points. */
    float smooth(float x, float y) {
        int x0 = (int) Math.floor(x);
        int y0 = (int) Math.floor(y);
        float fx = ease(x - x0);
        float fy = ease(y - y0);
        float top = mix(at(x0, y0), at(x0 + 1, y0), fx);
        float bottom = mix(at(x0, y0 + 1), at(x0 + 1, y0 + 1), fx);
        return mix(top, bottom, fy);
    }

    /** Layers of half the size and 0.55 of the weight each, scaled to 0..1. */
    float layered(float x, float y, int layers) {
        float sum = 0;
        float weight = 1;
        float all = 0;
        for (int layer = 0; layer < layers; layer++) {
            sum += smooth(x + layer * 17.3f, y - layer * 9.1f) * weight;
            all += weight;
            weight *= 0.55f;
            x *= 2.03f;
            y *= 2.03f;
        }
        return sum / all;
    }

    static float mix(float a, float b, float share) {
        return a + (b - a) * share;
    }

    /** 0 below low, 1 above high, smooth between. */
    static float step(float low, float high, float value) {
        return ease(Math.clamp((value - low) / (high - low), 0f, 1f));
    }

    private static float ease(float t) {
        return t * t * (3 - 2 * t);
    }
}
