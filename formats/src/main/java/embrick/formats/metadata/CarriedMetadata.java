package embrick.formats.metadata;

import java.util.Optional;

/**
 * What a new file says in words and of its camera, ready to be written.
 *
 * @param xmp a packet
 * @param iptc records of the Information Interchange Model
 */
public record CarriedMetadata(ExifFields exif, Optional<byte[]> xmp, Optional<byte[]> iptc) {
    public static final CarriedMetadata NOTHING =
            new CarriedMetadata(ExifFields.NONE, Optional.empty(), Optional.empty());
}
