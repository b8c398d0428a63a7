package embrick.demo;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.Random;

/**
 * One invented view of the kite days, drawn from a seed.
 *
 * @param tiltDegrees by how much the camera was held askew
 * @param kites how many fly
 */
record Scene(long seed, Mood mood, int width, int height, double tiltDegrees, int kites) {
    private static final double GRAIN = 3.2;

    /** The picture in 8-bit RGB, with lens fall-off and grain. */
    BufferedImage draw() {
        Random random = new Random(seed);
        float horizon = 0.58f + random.nextFloat() * 0.14f;
        // A tilted camera sees past the picture's edge: it is drawn larger, turned, and cut.
        double grow = tiltDegrees == 0 ? 1 : 1.14;
        int w = (int) Math.round(width * grow);
        int h = (int) Math.round(height * grow);
        BufferedImage whole = new Landscape(seed, mood, horizon).draw(w, h);
        Graphics2D on = whole.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        Kites drawn = new Kites(on, seed * 31 + 7, w, h, horizon);
        if (random.nextInt(3) == 0) {
            drawn.pier(random.nextDouble() * 0.6);
        }
        drawn.crowd(8 + random.nextInt(10));
        for (int i = 0; i < kites; i++) {
            double x = 0.08 + 0.84 * ((i + 0.2 + 0.6 * random.nextDouble()) / kites);
            drawn.fly(x, 0.08 + 0.36 * random.nextDouble(), 0.035 + 0.09 * random.nextDouble());
        }
        on.dispose();
        BufferedImage picture = tiltDegrees == 0 ? whole : turned(whole);
        finish(picture);
        return picture;
    }

    private BufferedImage turned(BufferedImage whole) {
        BufferedImage cut = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = cut.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        AffineTransform turn = new AffineTransform();
        turn.translate(width / 2.0, height / 2.0);
        turn.rotate(Math.toRadians(tiltDegrees));
        turn.translate(-whole.getWidth() / 2.0, -whole.getHeight() / 2.0);
        on.drawImage(whole, turn, null);
        on.dispose();
        return cut;
    }

    private void finish(BufferedImage picture) {
        int[] pixels = ((DataBufferInt) picture.getRaster().getDataBuffer()).getData();
        Noise noise = new Noise(seed ^ 0x5EED);
        double reach = Math.hypot(width, height) / 2;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double r = Math.hypot(x - width / 2.0, y - height / 2.0) / reach;
                double fall = 1 - 0.22 * r * r * r;
                // The sum of two even spreads has a peak, as grain has.
                double grain = (noise.at(x, y) + noise.at(x + 7919, y) - 1) * GRAIN * 2;
                int rgb = pixels[y * width + x];
                pixels[y * width + x] = toned(rgb >> 16 & 255, fall, grain) << 16
                        | toned(rgb >> 8 & 255, fall, grain) << 8
                        | toned(rgb & 255, fall, grain);
            }
        }
    }

    private static int toned(int value, double fall, double grain) {
        return Math.clamp(Math.round(value * fall + grain), 0, 255);
    }
}
