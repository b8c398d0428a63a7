package embrick.formats.metadata;

import embrick.formats.ifd.Ifd;
import java.util.List;
import java.util.Optional;

/**
 * Metadata as a file holds it, not yet looked into.
 *
 * @param exif a TIFF: an Exif block, or the whole file where it is one itself
 * @param xmp a packet
 * @param iptc records of the IPTC's Information Interchange Model
 * @param resources the image resource blocks that hold such records in a JPEG
 * @param title that the format itself has a place for
 */
public record MetadataBlocks(
        Optional<Ifd.Bytes> exif,
        Optional<byte[]> xmp,
        Optional<byte[]> iptc,
        List<byte[]> resources,
        Optional<String> title) {
    public static final MetadataBlocks NONE =
            new MetadataBlocks(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), Optional.empty());

    public static MetadataBlocks of(Optional<byte[]> exif, Optional<byte[]> xmp) {
        return new MetadataBlocks(exif.map(Ifd::over), xmp, Optional.empty(), List.of(), Optional.empty());
    }

    public MetadataBlocks withTitle(Optional<String> said) {
        return new MetadataBlocks(exif, xmp, iptc, resources, said);
    }
}
