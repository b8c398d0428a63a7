package embrick.demo;

import java.awt.image.BufferedImage;

/** Sky with clouds, wet sand that mirrors it, dunes at the horizon: the ground on which kites are drawn. */
final class Landscape {
    /** The landscape is soft: it is worked out at this share of the picture's pixels each way. */
    private static final int REDUCE = 3;

    private final Noise noise;
    private final Mood mood;
    private final float horizon;

    /**
     * @param horizon from the top, as a share of the height
     */
    Landscape(long seed, Mood mood, float horizon) {
        this.noise = new Noise(seed);
        this.mood = mood;
        this.horizon = horizon;
    }

    BufferedImage draw(int width, int height) {
        int w = Math.max(2, width / REDUCE);
        int h = Math.max(2, height / REDUCE);
        BufferedImage small = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        float aspect = (float) width / height;
        float[][] sky = new float[h][];
        int horizonRow = Math.round(horizon * h);
        int[] row = new int[w];
        for (int y = 0; y < h; y++) {
            float[] line = new float[w * 3];
            if (y < horizonRow) {
                skyRow(line, w, y, h, aspect);
            } else {
                groundRow(line, sky, w, y, h, horizonRow, aspect);
            }
            sky[y] = line;
            for (int x = 0; x < w; x++) {
                row[x] = rgb(line[x * 3], line[x * 3 + 1], line[x * 3 + 2]);
            }
            small.setRGB(0, y, w, 1, row, 0, w);
        }
        BufferedImage full = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var graphics = full.createGraphics();
        graphics.setRenderingHint(
                java.awt.RenderingHints.KEY_INTERPOLATION, java.awt.RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(small, 0, 0, width, height, null);
        graphics.dispose();
        return full;
    }

    private void skyRow(float[] line, int w, int y, int h, float aspect) {
        float v = (float) y / h / horizon;
        for (int x = 0; x < w; x++) {
            float u = (float) x / w * aspect;
            float depth = 1.25f - v * 0.5f;
            float cx = u * 2.6f * depth;
            float cy = v * 3.4f * depth;
            float density = noise.layered(cx, cy, 6);
            float bank = noise.layered(u * 0.9f + 40, v * 0.7f, 2);
            float cover = Noise.step(0.50f, 0.68f, density * 0.7f + bank * 0.35f) * 0.92f;
            float light = Math.clamp(0.55f + 5.2f * (density - noise.layered(cx - 0.09f, cy - 0.11f, 5)), 0f, 1f);
            for (int c = 0; c < 3; c++) {
                float clear = Noise.mix(mood.zenith()[c], mood.horizon()[c], (float) Math.pow(v, 1.4));
                float cloud = Noise.mix(mood.shade()[c], mood.lit()[c], light);
                line[x * 3 + c] = Noise.mix(clear, Noise.mix(cloud, clear, v * 0.35f), cover);
            }
        }
    }

    private void groundRow(float[] line, float[][] sky, int w, int y, int h, int horizonRow, float aspect) {
        float near = (float) (y - horizonRow) / Math.max(1, h - horizonRow);
        float perspective = 1f / (0.06f + near);
        for (int x = 0; x < w; x++) {
            float u = (float) x / w * aspect;
            float wet = noise.layered(u * 1.1f + near * 0.8f + 90, perspective * 0.9f + 7, 4);
            float ripple = noise.smooth(u * 60 * (0.4f + near), perspective * 26) - 0.5f;
            int mirrored = Math.clamp(
                    Math.round(horizonRow - 1 - (y - horizonRow) * 1.15f + ripple * 14 * near), 0, horizonRow - 1);
            int shifted = Math.clamp(Math.round(x + ripple * 10 * near), 0, w - 1);
            float dry = Noise.step(0.47f, 0.60f, wet);
            float texture = 0.86f + 0.28f * noise.layered(u * 38, perspective * 14, 3);
            float dune = Noise.step(0.055f, 0.0f, near) * Noise.step(0.42f, 0.58f, noise.layered(u * 3 + 5, 3, 4));
            for (int c = 0; c < 3; c++) {
                float mirror = sky[mirrored][shifted * 3 + c] * (0.92f - 0.2f * near) * (0.96f + ripple * 0.12f);
                float sand = mood.sand()[c] * texture * (0.72f + 0.5f * near);
                float ground = Noise.mix(mirror, sand, dry);
                line[x * 3 + c] = Noise.mix(ground, mood.sand()[c] * 0.45f * texture, dune);
            }
        }
    }

    private static int rgb(float r, float g, float b) {
        return channel(r) << 16 | channel(g) << 8 | channel(b);
    }

    private static int channel(float value) {
        return Math.clamp(Math.round(value * 255), 0, 255);
    }
}
