package embrick.formats.heif;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.apart.DecoderPool;
import embrick.formats.exif.ExifFacts;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** HEIF. Its header too is read by libheif, which damaged files can make fall over: both are a process of its own's to do. */
public final class HeifPictures implements PictureFormat {
    private final PictureColours colours;
    private final HeaderReading headers;

    /** How a header is read: by the library here, or by asking a process that does. */
    @FunctionalInterface
    interface HeaderReading {
        HeifFile read(Path file) throws IOException;
    }

    private HeifPictures(PictureColours colours, HeaderReading headers) {
        this.colours = colours;
        this.headers = headers;
    }

    /** Reads by the library, in this process. */
    public static HeifPictures here(PictureColours colours) {
        return new HeifPictures(colours, HeifFile::read);
    }

    /** Has a process of its own read headers. */
    public static HeifPictures apart(PictureColours colours, DecoderPool pool) {
        return new HeifPictures(colours, file -> pool.heifFacts(file, HeifFile::read));
    }

    /** What a HEIF file says of itself, read here and sent. */
    public static void writeHeader(Path file, DataOutputStream out) throws IOException {
        HeifFile.read(file).write(out);
    }

    @Override
    public FileKind kind() {
        return FileKind.HEIF;
    }

    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return MetadataBlocks.of(headers.read(file).exif(), Optional.empty());
    }

    @Override
    public Picture read(Path file) throws IOException {
        HeifFile heif = headers.read(file);
        Optional<ShippedProfile> named = switch (heif.primaries()) {
            case SRGB -> Optional.of(ShippedProfile.SRGB);
            case P3 -> Optional.of(ShippedProfile.P3_D65);
            case NOT_NAMED -> Optional.empty();
        };
        Optional<ExifFacts> exif = heif.exif().flatMap(ExifFacts::read);
        SourceFacts facts = new SourceFacts(
                FileKind.HEIF,
                heif.size(),
                Orientation.UPRIGHT,
                PictureColours.ppi(exif.flatMap(ExifFacts::across), exif.flatMap(ExifFacts::down)),
                colours.of(ColourModel.RGB, heif.alpha(), heif.bits() > 8 ? 16 : 8, heif.icc(), named),
                Files.size(file));
        return new Picture(facts, (_, memory) -> heif.decode(file, memory));
    }
}
