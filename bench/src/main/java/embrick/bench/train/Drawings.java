package embrick.bench.train;

import embrick.core.pixels.Raster;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;

/** What is no photograph: drawn, for what enlarging makes of it. */
final class Drawings {
    private static final int SIDE = 800;
    private static final String WORDS = "Clear prints from small pictures, 0123456789";

    private Drawings() {}

    static Map<String, Raster> all() {
        Map<String, Raster> all = new LinkedHashMap<>();
        all.put("text", text());
        all.put("line art", lines());
        all.put("zone plate", toned((x, y) -> 0.5 + 0.5 * Math.cos(Math.PI * (x * x + y * y) / (2.5 * SIDE))));
        Random lot = new Random(11);
        all.put("noise", toned((_, _) -> 0.5 + 0.12 * lot.nextGaussian()));
        all.put("slope of tones", toned((x, y) -> (x + 0.3 * y) / (1.3 * SIDE)));
        return all;
    }

    private static Raster toned(DoubleBinaryOperator tone) {
        BufferedImage picture = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                int count = Math.clamp(Math.round(255 * tone.applyAsDouble(x, y)), 0, 255);
                picture.setRGB(x, y, count << 16 | count << 8 | count);
            }
        }
        return Reductions.raster(picture);
    }

    private static Raster text() {
        BufferedImage picture = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = pen(picture);
        int y = 20;
        for (int size = 14; y < SIDE; size += 2) {
            pen.setFont(new Font(Font.SERIF, Font.PLAIN, size));
            pen.drawString(WORDS, 12, y + size);
            y += size + 8;
        }
        pen.dispose();
        return Reductions.raster(picture);
    }

    private static Raster lines() {
        BufferedImage picture = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = pen(picture);
        for (int i = 0; i < 36; i++) {
            pen.setStroke(new BasicStroke(1 + i % 4));
            double angle = Math.PI * i / 36;
            int dx = (int) (360 * Math.cos(angle));
            int dy = (int) (360 * Math.sin(angle));
            pen.drawLine(400 - dx, 400 - dy, 400 + dx, 400 + dy);
            pen.drawOval(400 - 10 * i, 400 - 10 * i, 20 * i, 20 * i);
        }
        pen.dispose();
        return Reductions.raster(picture);
    }

    private static Graphics2D pen(BufferedImage picture) {
        Graphics2D pen = picture.createGraphics();
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, SIDE, SIDE);
        pen.setColor(Color.BLACK);
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        return pen;
    }
}
