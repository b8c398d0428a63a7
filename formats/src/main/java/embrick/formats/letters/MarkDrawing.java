package embrick.formats.letters;

import embrick.core.edge.CaptionLine;
import embrick.core.edge.CaptionRenderer;
import embrick.core.edge.Stamp;
import java.awt.Image;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** Draws captions and marks: letters of the shipped font, and figures of PNGs by what in them is not see-through. */
public final class MarkDrawing implements CaptionRenderer {
    private final Lettering font;
    private final Stencils stencils;

    public MarkDrawing(Lettering font, Stencils stencils) {
        this.font = font;
        this.stencils = stencils;
    }

    @Override
    public Coverage draw(CaptionLine line) {
        return font.draw(line);
    }

    @Override
    public Coverage draw(Stamp stamp, double degrees) {
        return switch (stamp) {
            case Stamp.Words words -> font.drawTurned(words.line(), degrees);
            case Stamp.Figure figure -> draw(figure, degrees);
        };
    }

    private Coverage draw(Stamp.Figure figure, double degrees) {
        int width = Math.max(1, (int) Math.round(figure.width()));
        int height = Math.max(1, (int) Math.round(figure.height()));
        Image scaled = scaled(figure.digest(), width, height);
        AffineTransform place =
                AffineTransform.getRotateInstance(-Math.toRadians(degrees), figure.middleX(), figure.middleY());
        // Untilted it stands on whole pixels, or its rim would be blurred.
        double left = figure.middleX() - width / 2.0;
        double top = figure.middleY() - height / 2.0;
        place.translate(degrees == 0 ? Math.rint(left) : left, degrees == 0 ? Math.rint(top) : top);
        Rectangle2D bounds = place.createTransformedShape(new Rectangle2D.Double(0, 0, width, height))
                .getBounds2D();
        return Filled.of(bounds, pen -> pen.drawImage(scaled, place, null));
    }

    /** Scaled by means over areas where it shrinks, as it mostly does. */
    private Image scaled(String digest, int width, int height) {
        try {
            BufferedImage whole = ImageIO.read(new ByteArrayInputStream(stencils.png(digest)));
            if (whole == null) {
                throw new IOException("the mark's picture " + digest + " cannot be read");
            }
            Image made = whole.getScaledInstance(width, height, Image.SCALE_AREA_AVERAGING);
            BufferedImage kept = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
            var pen = kept.createGraphics();
            pen.drawImage(made, 0, 0, null);
            pen.dispose();
            return kept;
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }
}
