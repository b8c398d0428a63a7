package embrick.bench.train;

import embrick.core.colour.Encoding;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.resample.Method;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Pictures of three channels of 8 bits, read, cut, made smaller or larger, and packed as JPEG and unpacked. */
final class Reductions {
    private Reductions() {}

    static Raster read(Path file) throws IOException {
        return raster(ImageIO.read(file.toFile()));
    }

    static Raster raster(BufferedImage picture) {
        PixelSize size = new PixelSize(picture.getWidth(), picture.getHeight());
        int[] row = new int[size.width()];
        byte[] bytes = new byte[Math.toIntExact(size.pixels() * 3)];
        for (int y = 0; y < size.height(); y++) {
            picture.getRGB(0, y, row.length, 1, row, 0, row.length);
            for (int x = 0; x < row.length; x++) {
                int at = (y * row.length + x) * 3;
                bytes[at] = (byte) (row[x] >> 16);
                bytes[at + 1] = (byte) (row[x] >> 8);
                bytes[at + 2] = (byte) row[x];
            }
        }
        return raster(size, bytes);
    }

    private static Raster raster(PixelSize size, byte[] bytes) {
        Raster raster = Raster.allocate(size, 3, 1);
        MemorySegment.copy(bytes, 0, raster.samples(), ValueLayout.JAVA_BYTE, 0, bytes.length);
        return raster;
    }

    /** The whole picture at another size of the same shape. */
    static Raster scaled(Raster from, PixelSize to, Method method) {
        Window window = new Window(
                Orientation.UPRIGHT,
                to,
                from.stored().width() / 2.0,
                from.stored().height() / 2.0,
                (double) from.stored().width() / to.width(),
                0);
        return made(from, window, method);
    }

    /** A part, its pixels as they are. */
    static Raster part(Raster from, PixelRect part) {
        Window window = new Window(
                Orientation.UPRIGHT,
                new PixelSize(part.width(), part.height()),
                part.x() + part.width() / 2.0,
                part.y() + part.height() / 2.0,
                1,
                0);
        return made(from, window, Method.NEAREST);
    }

    /** The middle of a picture, of even sides, at most so large. */
    static Raster middle(Raster whole, PixelSize most) {
        int width = Math.min(whole.stored().width(), most.width()) & ~1;
        int height = Math.min(whole.stored().height(), most.height()) & ~1;
        return part(
                whole,
                new PixelRect(
                        (whole.stored().width() - width) / 2, (whole.stored().height() - height) / 2, width, height));
    }

    private static Raster made(Raster from, Window window, Method method) {
        PixelSize to = window.output();
        float[] samples = new float[Math.toIntExact(to.pixels() * 3)];
        Resampler.of(from, window, Resampling.by(method), LastChannel.COLOUR, Encoding.srgb())
                .render(PixelRect.whole(to), samples, 0);
        byte[] bytes = new byte[samples.length];
        new Strip(0, to.height(), to.width(), 3, samples).toBytes(bytes);
        return raster(to, bytes);
    }

    /** As it comes back from a JPEG file of that quality, its colours at half the pixels. */
    static Raster throughJpeg(Raster from, int quality) throws IOException {
        PixelSize size = from.stored();
        BufferedImage picture = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < size.height(); y++) {
            for (int x = 0; x < size.width(); x++) {
                long at = ((long) y * size.width() + x) * 3;
                picture.setRGB(x, y, tone(from, at) << 16 | tone(from, at + 1) << 8 | tone(from, at + 2));
            }
        }
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
        return raster(ImageIO.read(new ByteArrayInputStream(file.toByteArray())));
    }

    private static int tone(Raster picture, long at) {
        return Byte.toUnsignedInt(picture.samples().get(ValueLayout.JAVA_BYTE, at));
    }
}
