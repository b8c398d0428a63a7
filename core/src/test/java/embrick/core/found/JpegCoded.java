package embrick.core.found;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Pictures as they come back from a JPEG file, by Java's own coder. */
public final class JpegCoded {
    private JpegCoded() {}

    /** @param quality 1 to 100 */
    public static SmallPixels of(SmallPixels picture, int quality) throws IOException {
        int width = picture.width();
        int height = picture.height();
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < width * height; i++) {
            int rgb = 0;
            for (float[] plane : picture.planes()) {
                rgb = rgb << 8 | Math.clamp(Math.round(plane[i] * 255), 0, 255);
            }
            drawn.setRGB(i % width, i / width, rgb);
        }
        BufferedImage back = ImageIO.read(new ByteArrayInputStream(coded(drawn, quality)));
        float[][] planes = new float[SmallPixels.COLOURS][width * height];
        for (int i = 0; i < width * height; i++) {
            int rgb = back.getRGB(i % width, i / width);
            for (int c = 0; c < planes.length; c++) {
                planes[c][i] = (rgb >> (16 - 8 * c) & 0xff) / 255f;
            }
        }
        return new SmallPixels(width, height, planes);
    }

    private static byte[] coded(BufferedImage picture, int quality) throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam settings = writer.getDefaultWriteParam();
        settings.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        settings.setCompressionQuality(quality / 100f);
        try (MemoryCacheImageOutputStream out = new MemoryCacheImageOutputStream(file)) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(picture, null, null), settings);
        } finally {
            writer.dispose();
        }
        return file.toByteArray();
    }
}
