package embrick.formats.letters;

import embrick.core.edge.CaptionRenderer.Coverage;
import embrick.core.pixels.PixelRect;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.function.Consumer;

/** How much of each pixel something covers that the JDK's rasteriser draws. */
final class Filled {
    private Filled() {}

    /**
     * @param bounds of what is drawn, in pixels of the output
     * @param drawing in black, in pixels of the output
     */
    static Coverage of(Rectangle2D bounds, Consumer<Graphics2D> drawing) {
        int x = (int) Math.floor(bounds.getMinX()) - 1;
        int y = (int) Math.floor(bounds.getMinY()) - 1;
        int width = Math.max(1, (int) Math.ceil(bounds.getMaxX()) + 1 - x);
        int height = Math.max(1, (int) Math.ceil(bounds.getMaxY()) + 1 - y);
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = drawn.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        pen.setColor(Color.BLACK);
        pen.translate(-x, -y);
        drawing.accept(pen);
        pen.dispose();
        byte[] shares = new byte[width * height];
        for (int i = 0; i < shares.length; i++) {
            shares[i] = (byte) (drawn.getRGB(i % width, i / width) >>> 24);
        }
        return new Coverage(new PixelRect(x, y, width, height), shares);
    }
}
