package embrick.e2e;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** A picture whose colours are its coordinates: red runs evenly across it, green down it, in 16 bits. */
final class CoordinatePicture {
    private CoordinatePicture() {}

    static byte[] png(int width, int height) throws IOException {
        ComponentColorModel model = new ComponentColorModel(
                ColorSpace.getInstance(ColorSpace.CS_sRGB), false, false, Transparency.OPAQUE, DataBuffer.TYPE_USHORT);
        WritableRaster raster = Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, width, height, 3, null);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                raster.setPixel(x, y, new int[] {
                    (int) Math.round((x + 0.5) / width * 65_535), (int) Math.round((y + 0.5) / height * 65_535), 20_000
                });
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(model, raster, false, null), "png", png);
        return png.toByteArray();
    }
}
