package embrick.formats.picture;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts;
import java.util.Optional;

/**
 * A decoded original. The facts describe the raster, so for a picture opened small they differ from the file's.
 * Closing frees the pixels.
 *
 * @param damage that was met while it was decoded
 */
public record OpenedPicture(SourceFacts facts, Raster raster, Optional<Damage> damage) implements AutoCloseable {
    @Override
    public void close() {
        raster.close();
    }
}
