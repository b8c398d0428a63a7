package embrick.formats.metadata;

import embrick.core.metadata.MetadataTexts;
import java.util.List;
import java.util.Optional;

/**
 * What a picture says besides its pixels.
 *
 * @param plain words in places of the format's own
 * @param isDamaged whether some of it could not be read; it is taken for missing
 */
public record OriginalMetadata(
        ExifFields exif, XmpPacket xmp, IptcRecords iptc, MetadataTexts plain, boolean isDamaged) {
    public static final OriginalMetadata NONE =
            new OriginalMetadata(ExifFields.NONE, XmpPacket.NONE, IptcRecords.NONE, MetadataTexts.NONE, false);

    /** Of a file in which they could not even be found. */
    public static final OriginalMetadata UNREADABLE =
            new OriginalMetadata(ExifFields.NONE, XmpPacket.NONE, IptcRecords.NONE, MetadataTexts.NONE, true);

    /** Reads what there is; never fails: metadata holds no pixels. */
    public static OriginalMetadata of(MetadataBlocks blocks) {
        Optional<ExifFields> exif = blocks.exif().map(ExifFields::read);
        Optional<XmpPacket> xmp = blocks.xmp().map(XmpPacket::read);
        IptcRecords iptc = IptcRecords.read(blocks.iptc(), blocks.resources());
        return new OriginalMetadata(
                exif.orElse(ExifFields.NONE),
                xmp.orElse(XmpPacket.NONE),
                iptc,
                new MetadataTexts(blocks.title(), Optional.empty(), List.of(), Optional.empty(), List.of()),
                exif.map(ExifFields::isDamaged).orElse(false)
                        || xmp.map(XmpPacket::isDamaged).orElse(false)
                        || iptc.isDamaged());
    }

    /**
     * Its words, the newest kind of them first: XMP, then IPTC, then Exif (Metadata Working Group, Guidelines for Handling
     * Image Metadata 2.0, 5.2, from memory).
     */
    public MetadataTexts texts() {
        return xmp.texts().or(iptc.texts()).or(exif.texts()).or(plain);
    }
}
