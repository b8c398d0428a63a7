package embrick.formats;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts;

/**
 * A decoded original. The facts describe the raster, so for a picture opened small they differ from the file's.
 * Closing frees the pixels.
 */
public record OpenedPicture(SourceFacts facts, Raster raster) implements AutoCloseable {
    @Override
    public void close() {
        raster.close();
    }
}
