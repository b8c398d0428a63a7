package embrick.server.support;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Random;
import javax.imageio.ImageIO;

/** Small pictures made by the JDK, so that the tests' input is not written by our own code. */
public final class TestPictures {
    private TestPictures() {}

    /** A gradient with a circle in its middle, in the JDK's format name. */
    public static byte[] drawn(String format, int width, int height) {
        return drawn(format, width, height, Color.ORANGE);
    }

    public static byte[] drawn(String format, int width, int height, Color circle) {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setPaint(new java.awt.GradientPaint(0, 0, Color.BLUE, width, height, Color.WHITE));
        on.fillRect(0, 0, width, height);
        on.setColor(circle);
        int radius = Math.min(width, height) / 4;
        on.fillOval(width / 2 - radius, height / 2 - radius, radius * 2, radius * 2);
        on.dispose();
        return written(picture, format);
    }

    /** Slabs of stone that lie over one another: crisp edges all over, as PNG. */
    public static byte[] paved(int width, int height, long seed) {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = picture.createGraphics();
        Random random = new Random(seed);
        for (int i = 0; i < width * height / 400; i++) {
            int tone = 30 + random.nextInt(200);
            pen.setColor(new Color(tone, tone, tone));
            pen.fillRect(random.nextInt(width), random.nextInt(height), 8 + random.nextInt(60), 8 + random.nextInt(60));
        }
        pen.dispose();
        return written(picture, "png");
    }

    /** The same picture, three times averaged over 3 × 3 pixels: a blur of 1.4 px. */
    public static byte[] blurred(byte[] picture, String format) {
        try {
            BufferedImage sharp = ImageIO.read(new ByteArrayInputStream(picture));
            float[] even = new float[9];
            Arrays.fill(even, 1f / even.length);
            ConvolveOp blur = new ConvolveOp(new Kernel(3, 3, even), ConvolveOp.EDGE_NO_OP, null);
            BufferedImage blurred = sharp;
            for (int i = 0; i < 3; i++) {
                blurred = blur.filter(blurred, null);
            }
            return written(blurred, format);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static byte[] written(BufferedImage picture, String format) {
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            if (!ImageIO.write(picture, format, bytes)) {
                throw new IllegalArgumentException("format: expected one that the JDK writes, got " + format);
            }
            return bytes.toByteArray();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    /** Grains of sand, all alike: texture without a thing in it, as PNG. */
    public static byte[] sand(int width, int height, long seed) {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(seed);
        for (int i = 0; i < width * height; i++) {
            int tone = 130 + random.nextInt(60);
            picture.setRGB(i % width, i / width, tone << 16 | (tone - 20) << 8 | tone - 50);
        }
        return written(picture, "png");
    }

    /** A sky, and a striped balloon that its upper edge cuts through, as PNG. */
    public static byte[] cutBalloon(int width, int height, long seed) {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(seed);
        for (int i = 0; i < width * height; i++) {
            int x = i % width;
            int y = i / width;
            int tone = 150 + y / 6 + random.nextInt(5);
            boolean isBalloon = Math.hypot(x - width / 2.0, y - 6) < 38;
            int stripe = x / 8 % 2 == 0 ? 230 : 160;
            picture.setRGB(x, y, isBalloon ? stripe << 16 | 20 << 8 | 30 : (tone - 30) << 16 | tone << 8 | tone + 10);
        }
        return written(picture, "png");
    }

    public static byte[] cutShort(byte[] whole) {
        return Arrays.copyOf(whole, whole.length / 2);
    }
}
