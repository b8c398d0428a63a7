package embrick.formats.tiff;

import embrick.core.units.PixelSize;
import embrick.formats.bytes.DamagedDataException;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.util.function.IntConsumer;

/** Pictures that libtiff itself turns into RGB, strip by strip or tile by tile; it gives rows from the bottom up. */
final class RgbaParts {
    private RgbaParts() {}

    /** @param damaged told the first row of each part that is not whole */
    static void read(LibTiff tiff, PixelSize size, TiffSamples samples, IntConsumer damaged) throws IOException {
        boolean tiled = tiff.isTiled();
        long partWidth = tiled ? tiff.tileWidth() : size.width();
        long partHeight = Math.min(tiled ? tiff.tileHeight() : tiff.rowsPerStrip(), tiled ? 1 << 20 : size.height());
        if (partWidth < 1 || partHeight < 1 || partWidth > 1 << 20) {
            throw new DamagedDataException("has parts of " + partWidth + " × " + partHeight + " px");
        }
        long bytes = Math.multiplyExact(4 * partWidth, partHeight);
        MemorySegment room = tiff.room(bytes);
        for (int y = 0; y < size.height(); y += (int) partHeight) {
            int rows = (int) Math.min(partHeight, size.height() - y);
            for (int x = 0; x < size.width(); x += (int) partWidth) {
                boolean whole = tiled ? tiff.rgbaTile(x, y, room, bytes) : tiff.rgbaStrip(y, room, bytes);
                if (!whole || !tiff.complaint().isEmpty()) {
                    damaged.accept(y);
                }
                int count = (int) Math.min(partWidth, size.width() - x);
                // A strip's rows end at its own last row, a tile's at the tile's.
                long last = (tiled ? partHeight : rows) - 1;
                for (int row = 0; row < rows; row++) {
                    samples.putRgba(room, (last - row) * 4 * partWidth, x, y + row, count);
                }
            }
        }
    }
}
