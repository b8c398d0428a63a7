package embrick.formats.imageio;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.UnusablePictureException;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.io.EOFException;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import javax.imageio.ImageReader;
import javax.imageio.stream.FileImageInputStream;
import javax.imageio.stream.ImageInputStream;

/** Reads the first picture of a file through an ImageIO reader into a raster of its own channels and depth. */
public final class ImageIoReader {
    /** Whether 0 stands for white and is to be turned round. */
    public enum Polarity {
        AS_STORED,
        INVERTED
    }

    private ImageIoReader() {}

    /**
     * @param channels wanted, as the header promised
     * @return a raster the caller closes
     */
    public static Raster read(
            ImageReader reader, Path file, PixelSize size, int channels, int bytesPerSample, Polarity polarity)
            throws IOException {
        try (ImageInputStream in = new FileImageInputStream(file.toFile())) {
            reader.setInput(in, true, true);
            java.awt.image.Raster pixels;
            ColorModel colours = null;
            if (reader.canReadRaster()) {
                colours = reader.getRawImageType(0).getColorModel();
                pixels = reader.readRaster(0, null);
            } else {
                BufferedImage image = reader.read(0);
                colours = image.getColorModel();
                pixels = image.getRaster();
            }
            return copy(pixels, colours, size, channels, bytesPerSample, polarity);
        } catch (EOFException cut) {
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short: the lower part of the picture is not in the file");
        } catch (UnusablePictureException known) {
            throw known;
        } catch (IOException | RuntimeException failed) {
            // Readers answer damage with whatever their arithmetic ran into.
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + failed.getMessage());
        } finally {
            reader.dispose();
        }
    }

    private static Raster copy(
            java.awt.image.Raster pixels,
            ColorModel colours,
            PixelSize size,
            int channels,
            int bytesPerSample,
            Polarity polarity)
            throws IOException {
        boolean palette = colours instanceof IndexColorModel;
        if (pixels.getWidth() != size.width() || pixels.getHeight() != size.height()) {
            throw UnusablePictureException.broken(
                    "damaged", "promises " + size + " px and holds " + pixels.getWidth() + " × " + pixels.getHeight());
        }
        if (!palette && pixels.getNumBands() != channels) {
            throw UnusablePictureException.broken(
                    "damaged", "promises " + channels + " channels and holds " + pixels.getNumBands());
        }
        Raster raster = Raster.allocate(size, channels, bytesPerSample);
        try {
            if (palette) {
                copyPalette(pixels, (IndexColorModel) colours, raster);
            } else {
                copySamples(pixels, raster, polarity);
            }
            return raster;
        } catch (RuntimeException failed) {
            raster.close();
            throw failed;
        }
    }

    private static void copyPalette(java.awt.image.Raster pixels, IndexColorModel colours, Raster into) {
        int width = pixels.getWidth();
        int[] indices = new int[width];
        MemorySegment samples = into.samples();
        boolean grey = into.channels() < 3;
        long at = 0;
        for (int y = 0; y < pixels.getHeight(); y++) {
            pixels.getSamples(0, y, width, 1, 0, indices);
            for (int index : indices) {
                int argb = colours.getRGB(Math.min(index, colours.getMapSize() - 1));
                for (int shift = 16; shift >= (grey ? 16 : 0); shift -= 8) {
                    samples.set(ValueLayout.JAVA_BYTE, at++, (byte) (argb >> shift));
                }
                if ((into.channels() & 1) == 0) {
                    samples.set(ValueLayout.JAVA_BYTE, at++, (byte) (argb >>> 24));
                }
            }
        }
    }

    private static void copySamples(java.awt.image.Raster pixels, Raster into, Polarity polarity) {
        int width = pixels.getWidth();
        int bands = pixels.getNumBands();
        int depth = pixels.getSampleModel().getSampleSize(0);
        int most = (1 << depth) - 1;
        boolean wide = into.bytesPerSample() == 2;
        int full = wide ? 65535 : 255;
        boolean signed = pixels.getDataBuffer().getDataType() == DataBuffer.TYPE_SHORT;
        MemorySegment samples = into.samples();
        int[] row = new int[width * bands];
        long at = 0;
        for (int y = 0; y < pixels.getHeight(); y++) {
            pixels.getPixels(pixels.getMinX(), pixels.getMinY() + y, width, 1, row);
            for (int value : row) {
                int sample = signed ? value & 0xffff : value;
                int scaled = most == full ? sample : (sample * full + most / 2) / most;
                int stored = polarity == Polarity.INVERTED ? full - scaled : scaled;
                if (wide) {
                    samples.set(ValueLayout.JAVA_SHORT, at, (short) stored);
                    at += 2;
                } else {
                    samples.set(ValueLayout.JAVA_BYTE, at++, (byte) stored);
                }
            }
        }
    }
}
