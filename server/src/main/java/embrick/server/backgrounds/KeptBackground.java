package embrick.server.backgrounds;

import embrick.core.grown.Grown;
import embrick.core.grown.LikenessMap;
import embrick.core.pixels.PixelRect;
import java.util.List;
import java.util.Optional;

/**
 * What is kept of a background that was grown, beside its samples.
 *
 * @param samples digest of them; null where it was declined
 * @param columns of its map of likeness, {@code rows} likewise
 * @param likeness the map's values; null where it was declined
 * @param reason why it was declined; null where it was not
 */
record KeptBackground(
        String samples, int columns, int rows, byte[] likeness, Grown.Reason reason, List<PixelRect> places) {
    static KeptBackground done(String samples, LikenessMap map) {
        return new KeptBackground(samples, map.columns(), map.rows(), map.values(), null, List.of());
    }

    static KeptBackground declined(Grown.Declined declined) {
        return new KeptBackground(null, 0, 0, null, declined.reason(), declined.places());
    }

    Optional<LikenessMap> map() {
        return Optional.ofNullable(likeness).map(values -> new LikenessMap(columns, rows, values));
    }

    Optional<Grown.Declined> refusal() {
        return Optional.ofNullable(reason).map(why -> new Grown.Declined(why, places));
    }
}
