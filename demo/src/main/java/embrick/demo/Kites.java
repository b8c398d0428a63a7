package embrick.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.util.Random;

/** Kites of strong fabric colours with their lines and tails, and the people who hold them. */
final class Kites {
    private static final Color[] FABRIC = {
        new Color(0xE0202C), new Color(0xF28C18), new Color(0xF6C21C), new Color(0x138A54), new Color(0x1B56C4),
        new Color(0x6A2C9A), new Color(0xE2388C), new Color(0xF6F2EA), new Color(0x12183A), new Color(0x00A0B4)
    };

    private final Graphics2D on;
    private final Random random;
    private final int width;
    private final int height;
    private final float horizon;

    Kites(Graphics2D on, long seed, int width, int height, float horizon) {
        this.on = on;
        this.random = new Random(seed);
        this.width = width;
        this.height = height;
        this.horizon = horizon;
    }

    private Color fabric() {
        return FABRIC[random.nextInt(FABRIC.length)];
    }

    /** Flies a kite of some kind with its middle at a share of the picture, so large beside its height. */
    void fly(double x, double y, double size) {
        double reach = size * Math.min(width, height);
        double px = x * width;
        double py = y * height;
        double holderX = px + (random.nextDouble() - 0.5) * width * 0.3;
        double holderY = height * (horizon + 0.04 + random.nextDouble() * 0.06);
        on.setStroke(new BasicStroke((float) Math.max(0.8, width / 3200.0)));
        on.setColor(new Color(20, 24, 34, 150));
        Path2D line = new Path2D.Double();
        line.moveTo(px, py + reach * 0.3);
        line.quadTo((px + holderX) / 2 + reach * 0.3, (py + holderY) / 2 + reach * 0.6, holderX, holderY);
        on.draw(line);
        person(holderX, holderY, height * 0.035);
        AffineTransform before = on.getTransform();
        on.translate(px, py);
        on.rotate((random.nextDouble() - 0.5) * 0.7);
        switch (random.nextInt(3)) {
            case 0 -> delta(reach);
            case 1 -> diamond(reach);
            default -> box(reach);
        }
        on.setTransform(before);
    }

    private void panel(Color colour, double... points) {
        Path2D shape = new Path2D.Double();
        shape.moveTo(points[0], points[1]);
        for (int i = 2; i < points.length; i += 2) {
            shape.lineTo(points[i], points[i + 1]);
        }
        shape.closePath();
        on.setColor(colour);
        on.fill(shape);
        on.setColor(new Color(0, 0, 0, 60));
        on.draw(shape);
    }

    private void delta(double s) {
        Color wing = fabric();
        Color middle = fabric();
        panel(wing, 0, -0.5 * s, -s, 0.35 * s, -0.3 * s, 0.25 * s);
        panel(wing.darker(), 0, -0.5 * s, s, 0.35 * s, 0.3 * s, 0.25 * s);
        panel(middle, 0, -0.5 * s, -0.3 * s, 0.25 * s, 0, 0.42 * s);
        panel(middle.brighter(), 0, -0.5 * s, 0.3 * s, 0.25 * s, 0, 0.42 * s);
        for (int i = -1; i <= 1; i++) {
            streamer(i * 0.28 * s, 0.3 * s, s * 1.3, fabric(), s * 0.03);
        }
    }

    private void diamond(double s) {
        Color a = fabric();
        Color b = fabric();
        panel(a, 0, -0.8 * s, -0.55 * s, -0.15 * s, 0, 0);
        panel(b, 0, -0.8 * s, 0.55 * s, -0.15 * s, 0, 0);
        panel(b.darker(), -0.55 * s, -0.15 * s, 0, 0.9 * s, 0, 0);
        panel(a.brighter(), 0.55 * s, -0.15 * s, 0, 0.9 * s, 0, 0);
        double x = 0;
        double y = 0.9 * s;
        for (int i = 0; i < 7; i++) {
            double nextX = x + (random.nextDouble() - 0.5) * 0.5 * s;
            double nextY = y + 0.3 * s;
            on.setColor(new Color(30, 30, 40, 170));
            on.draw(new java.awt.geom.Line2D.Double(x, y, nextX, nextY));
            Color bow = fabric();
            double t = 0.09 * s;
            panel(bow, nextX, nextY, nextX - t, nextY - t * 0.7, nextX - t, nextY + t * 0.7);
            panel(bow, nextX, nextY, nextX + t, nextY - t * 0.7, nextX + t, nextY + t * 0.7);
            x = nextX;
            y = nextY;
        }
    }

    /** An arched soft kite of cells. */
    private void box(double s) {
        int cells = 7 + random.nextInt(4);
        Color a = fabric();
        Color b = fabric();
        Color c = fabric();
        for (int i = 0; i < cells; i++) {
            double from = Math.PI * (0.12 + 0.76 * i / cells);
            double to = Math.PI * (0.12 + 0.76 * (i + 1) / cells);
            Color cell = i % 3 == 0 ? a : i % 3 == 1 ? b : c;
            panel(
                    cell,
                    -Math.cos(from) * s,
                    -Math.sin(from) * 0.5 * s,
                    -Math.cos(to) * s,
                    -Math.sin(to) * 0.5 * s,
                    -Math.cos(to) * s * 0.93,
                    -Math.sin(to) * 0.5 * s + 0.3 * s,
                    -Math.cos(from) * s * 0.93,
                    -Math.sin(from) * 0.5 * s + 0.3 * s);
        }
    }

    private void streamer(double x, double y, double length, Color colour, double thick) {
        Path2D wave = new Path2D.Double();
        wave.moveTo(x, y);
        double sway = length * 0.12;
        for (int i = 1; i <= 4; i++) {
            double side = i % 2 == 0 ? sway : -sway;
            wave.quadTo(x + side, y + length * (i - 0.5) / 4, x + side * 0.2, y + length * i / 4);
        }
        on.setStroke(new BasicStroke((float) Math.max(1, thick), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        on.setColor(colour);
        on.draw(wave);
        on.setStroke(new BasicStroke((float) Math.max(0.8, width / 3200.0)));
    }

    /** A standing figure, its feet at (x, y), with its mirror in the wet sand. */
    void person(double x, double y, double tall) {
        Color coat = fabric();
        for (int mirror = 0; mirror < 2; mirror++) {
            double up = mirror == 0 ? -1 : 0.8;
            int alpha = mirror == 0 ? 255 : 70;
            on.setColor(new Color(24, 28, 40, alpha));
            on.fill(rect(x - tall * 0.1, y + up * tall * 0.45, tall * 0.2, tall * 0.45, up));
            on.setColor(new Color(coat.getRed(), coat.getGreen(), coat.getBlue(), alpha));
            on.fill(rect(x - tall * 0.15, y + up * tall * 0.82, tall * 0.3, tall * 0.42, up));
            on.setColor(new Color(168, 120, 92, alpha));
            double head = y + up * tall * 0.92;
            on.fill(new Ellipse2D.Double(x - tall * 0.09, head - tall * 0.09, tall * 0.18, tall * 0.18));
        }
    }

    private static java.awt.Shape rect(double x, double farY, double w, double h, double up) {
        return new java.awt.geom.Rectangle2D.Double(x, up < 0 ? farY : farY - h, w, h);
    }

    void crowd(int people) {
        for (int i = 0; i < people; i++) {
            double depth = random.nextDouble();
            person(
                    random.nextDouble() * width,
                    height * (horizon + 0.015 + depth * 0.12),
                    height * (0.018 + depth * 0.03));
        }
    }

    /** A pier on posts, out to the horizon. */
    void pier(double x) {
        double y = height * (horizon - 0.022);
        double thick = height * 0.006;
        on.setColor(new Color(0x3A342E));
        double length = width * 0.32;
        on.fill(new java.awt.geom.Rectangle2D.Double(x * width, y, length, thick));
        for (int i = 0; i <= 22; i++) {
            on.fill(new java.awt.geom.Rectangle2D.Double(
                    x * width + i * length / 22, y, thick * 0.5, height * (0.03 + 0.01 * i / 22)));
        }
    }
}
