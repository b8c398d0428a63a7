package embrick.standins;

import embrick.core.framing.Framing;
import embrick.core.ticket.FileFormat;
import embrick.formats.Pieces;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;

/** Real pieces, made by the engine from drawn pictures. */
public final class TestPieces {
    private TestPieces() {}

    /** A JPEG of so many inches at so many ppi, in sRGB. */
    public static byte[] jpeg(String width, String height, long ppi) throws IOException {
        return piece(width, height, ppi, new FileFormat.Jpeg(90));
    }

    public static byte[] piece(String width, String height, long ppi, FileFormat format) throws IOException {
        Path folder = Files.createTempDirectory("embrick-pieces");
        Path original = folder.resolve("drawn.png");
        Path piece = folder.resolve("piece");
        try {
            BufferedImage drawn = new BufferedImage(300, 240, BufferedImage.TYPE_INT_RGB);
            Graphics2D pen = drawn.createGraphics();
            pen.setPaint(new GradientPaint(0, 0, Color.ORANGE, 300, 240, Color.BLUE));
            pen.fillRect(0, 0, 300, 240);
            pen.dispose();
            ImageIO.write(drawn, "png", original.toFile());
            Pieces.make(original, Pieces.ticket(width, height, ppi, format), Framing.centred(), piece);
            return Files.readAllBytes(piece);
        } finally {
            Files.deleteIfExists(original);
            Files.deleteIfExists(piece);
            Files.deleteIfExists(folder);
        }
    }
}
