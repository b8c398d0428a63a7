package embrick.demo;

import embrick.formats.icc.MatrixProfile;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** The pictures of the demo's second job: scans and snapshots in which something is to be found. */
final class Album {
    private static final Color BLACK = new Color(24, 24, 26);
    private static final Color GREY = new Color(128, 128, 126);
    private static final Color WHITE = new Color(246, 246, 244);
    /** Depth of the soft shadow beside a print, in pixels. */
    private static final int SHADOW = 14;

    private Album() {}

    static List<Cast.Member> all() {
        return List.of(
                new Cast.Member("three-on-the-bed.jpg", Album::threePrints),
                new Cast.Member("print-on-black.jpg", file -> {
                    BufferedImage scan = bed(BLACK, 2000, 1500);
                    lay(scan, new Scene(52, Mood.NOON, 1500, 1000, 0, 3).draw(), 1010, 740, -3.4);
                    save(scan, file);
                }),
                new Cast.Member("pale-sky-on-white.jpg", Album::paleSky),
                new Cast.Member("leaning-left.jpg", file -> save(leaning(54, Mood.EVENING, -2.1), file)),
                new Cast.Member("leaning-right.jpg", file -> save(leaning(55, Mood.NOON, 1.4), file)),
                new Cast.Member("kite-at-the-fold.jpg", Album::kiteAtTheFold),
                // For 8 × 10 in its 3000 px of width ask for 2400 of height: 8 % more sky than there is.
                new Cast.Member(
                        "wants-more-sky.jpg", file -> save(new Scene(57, Mood.NOON, 3000, 2220, 0, 2).draw(), file)));
    }

    private static void save(BufferedImage picture, Path file) throws IOException {
        PictureFiles.jpeg(picture, MatrixProfile.srgb(), 300, 93, file);
    }

    private static BufferedImage bed(Color colour, int width, int height) {
        BufferedImage bed = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = bed.createGraphics();
        on.setColor(colour);
        on.fillRect(0, 0, width, height);
        on.dispose();
        grain(bed, colour.getRGB());
        return bed;
    }

    /** A scanner's noise, a count or two. */
    private static void grain(BufferedImage picture, long seed) {
        Noise noise = new Noise(seed);
        for (int y = 0; y < picture.getHeight(); y++) {
            for (int x = 0; x < picture.getWidth(); x++) {
                int off = (int) Math.round((noise.at(x, y) + noise.at(x + 7919, y) - 1) * 4);
                int rgb = picture.getRGB(x, y);
                int grained = 0;
                for (int shift = 16; shift >= 0; shift -= 8) {
                    grained |= Math.clamp((rgb >> shift & 255) + off, 0, 255) << shift;
                }
                picture.setRGB(x, y, grained);
            }
        }
    }

    /** Lays a print with its middle at a place, turned clockwise, its shadow below it. */
    private static void lay(BufferedImage bed, BufferedImage print, double x, double y, double degrees) {
        Graphics2D on = bed.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        AffineTransform turn = AffineTransform.getTranslateInstance(x, y);
        turn.rotate(Math.toRadians(degrees));
        turn.translate(-print.getWidth() / 2.0, -print.getHeight() / 2.0);
        on.transform(turn);
        for (int i = SHADOW; i > 0; i--) {
            on.setColor(new Color(0, 0, 0, 5));
            on.fill(new Rectangle2D.Double(3, 3, print.getWidth() + i, print.getHeight() + i));
        }
        on.drawImage(print, 0, 0, null);
        on.dispose();
    }

    private static void threePrints(Path file) throws IOException {
        BufferedImage bed = bed(GREY, 2400, 1800);
        lay(bed, new Scene(51, Mood.MORNING, 900, 640, 0, 2).draw(), 590, 450, 4.2);
        lay(bed, new Scene(58, Mood.EVENING, 640, 900, 0, 3).draw(), 1800, 620, -3.1);
        lay(bed, new Scene(59, Mood.NOON, 960, 680, 0, 4).draw(), 800, 1290, -6);
        save(bed, file);
    }

    /** The upper half of the print has the bed's own colour, without a trace of its edge: nobody can tell where it ends. */
    private static void paleSky(Path file) throws IOException {
        BufferedImage print = new BufferedImage(1500, 1000, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = print.createGraphics();
        on.setColor(WHITE);
        on.fillRect(0, 0, 1500, 1000);
        on.setPaint(new GradientPaint(0, 450, WHITE, 0, 1000, new Color(196, 178, 140)));
        on.fillRect(0, 450, 1500, 550);
        new Kites(on, 53, 1500, 1000, 0.6f).fly(0.4, 0.3, 0.08);
        on.dispose();
        BufferedImage scan = new BufferedImage(2000, 1500, BufferedImage.TYPE_INT_RGB);
        Graphics2D onScan = scan.createGraphics();
        onScan.setColor(WHITE);
        onScan.fillRect(0, 0, 2000, 1500);
        onScan.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        onScan.rotate(Math.toRadians(2.3), 1000, 750);
        onScan.drawImage(print, 250, 250, null);
        onScan.dispose();
        grain(scan, 53);
        save(scan, file);
    }

    /** The sea's far edge, ruled across, by a camera held askew. */
    private static BufferedImage leaning(long seed, Mood mood, double degrees) {
        return new Scene(seed, mood, 2700, 1800, degrees, 2).draw();
    }

    /** On a canvas of 24 × 20 in the left fold lies a tenth of the width inside: a kite flies across it. */
    private static void kiteAtTheFold(Path file) throws IOException {
        BufferedImage picture = new Scene(56, Mood.NOON, 3000, 2000, 0, 0).draw();
        Graphics2D on = picture.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        new Kites(on, 560, 3000, 2000, 0.64f).fly(0.115, 0.3, 0.06);
        on.dispose();
        save(picture, file);
    }
}
