package embrick.server.support;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Random;
import javax.imageio.ImageIO;

/** Scans that are drawn: prints with grain on an even bed, as PNG. */
public final class TestBeds {
    public static final int WIDTH = 1500;
    public static final int HEIGHT = 1100;

    private TestBeds() {}

    /** A print's middle, its sides in pixels, and by how much it lies turned clockwise. */
    public record Laid(double x, double y, double width, double height, double degrees) {}

    public static byte[] scan(Color bed, Laid... prints) {
        BufferedImage scan = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = scan.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        on.setColor(bed);
        on.fillRect(0, 0, WIDTH, HEIGHT);
        for (Laid print : prints) {
            AffineTransform before = on.getTransform();
            on.translate(print.x(), print.y());
            on.rotate(Math.toRadians(print.degrees()));
            on.translate(-print.width() / 2, -print.height() / 2);
            on.setPaint(new GradientPaint(
                    0, 0, new Color(80, 130, 190), 0, (float) print.height(), new Color(170, 140, 90)));
            on.fill(new Rectangle2D.Double(0, 0, print.width(), print.height()));
            on.setColor(new Color(190, 40, 40));
            on.fill(new Ellipse2D.Double(print.width() * 0.4, print.height() * 0.3, 90, 90));
            on.setTransform(before);
        }
        on.dispose();
        return grained(scan);
    }

    /** A sea under a sky that lean clockwise. */
    public static byte[] horizon(double degrees) {
        BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        on.setColor(new Color(150, 190, 220));
        on.fillRect(0, 0, WIDTH, HEIGHT);
        on.rotate(Math.toRadians(degrees), WIDTH / 2.0, HEIGHT / 2.0);
        on.setColor(new Color(40, 80, 110));
        on.fill(new Rectangle2D.Double(-WIDTH, HEIGHT * 0.55, 3 * WIDTH, 2 * HEIGHT));
        on.dispose();
        return grained(picture);
    }

    /** An edge that leans a little in the middle, softened by so many passes of a mean of 3 × 3; grained after that. */
    public static byte[] softEdge(int passes) {
        BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = picture.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        on.setColor(new Color(60, 60, 60));
        on.fillRect(0, 0, WIDTH, HEIGHT);
        on.rotate(Math.toRadians(8), WIDTH / 2.0, HEIGHT / 2.0);
        on.setColor(new Color(200, 200, 200));
        on.fill(new Rectangle2D.Double(WIDTH / 2.0, -HEIGHT, WIDTH, 3 * HEIGHT));
        on.dispose();
        float[] mean = new float[9];
        Arrays.fill(mean, 1 / 9f);
        for (int pass = 0; pass < passes; pass++) {
            picture = new ConvolveOp(new Kernel(3, 3, mean), ConvolveOp.EDGE_NO_OP, null).filter(picture, null);
        }
        return grained(picture);
    }

    private static byte[] grained(BufferedImage picture) {
        Random random = new Random(7);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int rgb = picture.getRGB(x, y);
                int grained = 0;
                for (int shift = 16; shift >= 0; shift -= 8) {
                    int value = (rgb >> shift & 0xff) + (int) Math.round(1.5 * random.nextGaussian());
                    grained |= Math.clamp(value, 0, 255) << shift;
                }
                picture.setRGB(x, y, grained);
            }
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture, "png", bytes);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return bytes.toByteArray();
    }
}
