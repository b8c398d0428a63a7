package embrick.formats.png;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.units.PixelSize;
import embrick.formats.exif.ExifFacts;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** PNG, every colour type and depth. */
public final class PngPictures implements PictureFormat {
    private final PictureColours colours;

    public PngPictures(PictureColours colours) {
        this.colours = colours;
    }

    @Override
    public FileKind kind() {
        return FileKind.PNG;
    }

    static PngHeader header(Path file) throws IOException {
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
            return PngHeader.read(in, Files.size(file));
        }
    }

    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return PngMetadata.read(file);
    }

    @Override
    public Picture read(Path file) throws IOException {
        PngHeader header = header(file);
        return new Picture(facts(header, Files.size(file)), (_, memory) -> PngReader.read(file, header, memory));
    }

    private SourceFacts facts(PngHeader header, long bytes) {
        return new SourceFacts(
                FileKind.PNG,
                new PixelSize(header.width(), header.height()),
                header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                PictureColours.ppi(header.across(), header.down()),
                colour(header),
                header.pages(),
                Optional.empty(),
                bytes);
    }

    private SourceColour colour(PngHeader header) {
        PngColour colour = header.colour();
        boolean isGrey = header.model() == ColourModel.GREY;
        // Code points stand above a profile, for colours; of grey they say only the tone, which both names share with
        // sRGB.
        Optional<byte[]> icc = colour.points().isPresent() ? Optional.empty() : header.icc();
        Optional<byte[]> described = isGrey ? colour.describedGrey() : colour.described();
        if (icc.isEmpty() && described.isPresent()) {
            return colours.described(
                    header.model(),
                    header.alpha(),
                    header.bitsPerChannel(),
                    described.get(),
                    colour.words(),
                    colour.remarks());
        }
        Optional<ShippedProfile> named = isGrey
                ? Optional.empty()
                : colour.named().or(() -> PictureColours.named(header.exif(), header.model()));
        return colours.of(header.model(), header.alpha(), header.bitsPerChannel(), icc, named, colour.remarks());
    }
}
