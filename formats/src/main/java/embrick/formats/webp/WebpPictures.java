package embrick.formats.webp;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.exif.ExifFacts;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** WebP, lossy and lossless; decoded by libwebp, which is a process of its own's to call. */
public final class WebpPictures implements PictureFormat {
    private final PictureColours colours;

    public WebpPictures(PictureColours colours) {
        this.colours = colours;
    }

    @Override
    public FileKind kind() {
        return FileKind.WEBP;
    }

    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return WebpMetadata.read(file);
    }

    @Override
    public Picture read(Path file) throws IOException {
        long bytes = Files.size(file);
        WebpHeader header;
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
            header = WebpHeader.read(in, bytes);
        }
        SourceFacts facts = new SourceFacts(
                FileKind.WEBP,
                header.size(),
                header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                PictureColours.ppi(
                        header.exif().flatMap(ExifFacts::across), header.exif().flatMap(ExifFacts::down)),
                colours.of(
                        ColourModel.RGB,
                        header.alpha(),
                        8,
                        header.icc(),
                        PictureColours.named(header.exif(), ColourModel.RGB)),
                bytes);
        return new Picture(facts, (_, memory) -> header.decode(file, memory));
    }
}
