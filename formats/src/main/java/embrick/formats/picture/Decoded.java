package embrick.formats.picture;

import embrick.core.pixels.Raster;
import java.util.Optional;

/**
 * Pixels as a decoder gave them.
 *
 * @param raster the caller's to close
 * @param damage that the decoder met, and did not end it
 */
public record Decoded(Raster raster, Optional<Damage> damage) {
    /** Sound pixels. */
    public static Decoded sound(Raster raster) {
        return new Decoded(raster, Optional.empty());
    }
}
