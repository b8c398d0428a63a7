package embrick.formats.tiff;

import embrick.formats.ifd.Ifd;
import embrick.formats.metadata.MetadataBlocks;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Where a TIFF has its metadata: it is an Exif block itself, with XMP and IPTC in tags of their own (ISO 16684-3, 1.1.7). */
final class TiffMetadata {
    private TiffMetadata() {}

    static MetadataBlocks read(Path file) throws IOException {
        Ifd.Bytes bytes = (offset, length) -> {
            try (FileChannel channel = FileChannel.open(file)) {
                return Ifd.over(channel).at(offset, length);
            }
        };
        Ifd ifd = Ifd.first(bytes);
        return new MetadataBlocks(
                Optional.of(bytes), ifd.undefined(Ifd.XMP), ifd.undefined(Ifd.IPTC), List.of(), Optional.empty());
    }
}
