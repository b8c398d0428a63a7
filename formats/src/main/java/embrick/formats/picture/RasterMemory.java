package embrick.formats.picture;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.io.IOException;

/** Where a decoder gets the memory for a picture. */
public interface RasterMemory {
    /** Zeroed memory. @return a raster the caller closes */
    Raster allocate(PixelSize size, int channels, int bytesPerSample) throws IOException;
}
