package embrick.formats.tiff;

import embrick.core.units.PixelSize;
import embrick.formats.bytes.DamagedDataException;
import java.io.IOException;

/** The tiles of a TIFF (section 15), as the library states them. */
record TileGrid(int width, int height, long rowBytes) {
    /** A tile that is larger than this many pictures is nonsense. */
    private static final long MOST_BYTES = 1L << 30;

    /** Channels that lie together. */
    static int perPixel(SampleLayout layout) {
        return layout.planes() == SampleLayout.Planes.TOGETHER ? layout.stored() : 1;
    }

    static TileGrid of(LibTiff tiff, SampleLayout layout, PixelSize size) throws IOException {
        long bytes = tiff.tileBytes();
        long rowBytes = tiff.tileRowBytes();
        if (bytes < 1 || rowBytes < 1 || bytes > MOST_BYTES) {
            throw new DamagedDataException("has tiles of " + bytes + " bytes");
        }
        long width = tiff.tileWidth();
        long height = bytes / rowBytes;
        long needed = Math.ceilDiv(width * perPixel(layout) * layout.depth().bits(), 8);
        if (width < 1
                || height < 1
                || width > Integer.MAX_VALUE / 2
                || rowBytes < needed
                || height > size.height() + (1L << 20)) {
            throw new DamagedDataException("has tiles of " + width + " × " + height + " px in " + bytes + " bytes");
        }
        return new TileGrid((int) width, (int) height, rowBytes);
    }
}
