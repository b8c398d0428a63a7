package embrick.formats.picture;

import java.util.Optional;

/**
 * What reading a file to its end gave.
 *
 * @param damage with the first row it may concern
 * @param index of a sound file: where decoding can begin in its midst, in the format's own terms, checksum and all; for
 *     {@link Picture#decodeInParts}
 */
public record Examination(Optional<Damage> damage, Optional<byte[]> index) {
    /** Nothing wrong, and nothing to keep. */
    public static final Examination SOUND = new Examination(Optional.empty(), Optional.empty());

    public static Examination of(Optional<Damage> damage) {
        return new Examination(damage, Optional.empty());
    }
}
