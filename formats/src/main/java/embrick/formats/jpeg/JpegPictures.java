package embrick.formats.jpeg;

import embrick.core.pixels.Orientation;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
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
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** JPEG, baseline and progressive, grey, RGB and CMYK. */
public final class JpegPictures implements PictureFormat {
    private final PictureColours colours;

    public JpegPictures(PictureColours colours) {
        this.colours = colours;
    }

    @Override
    public FileKind kind() {
        return FileKind.JPEG;
    }

    static JpegHeader header(Path file) throws IOException {
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file), 1 << 16))) {
            return JpegHeader.read(in, Files.size(file));
        }
    }

    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return JpegMetadata.read(file);
    }

    @Override
    public Picture read(Path file) throws IOException {
        JpegHeader header = header(file);
        return new Picture(
                facts(header, Files.size(file)),
                (leastEdge, memory) -> JpegReader.read(file, header, leastEdge, memory),
                () -> JpegReader.examine(file, header),
                (index, memory, watch) -> JpegReader.readInParts(file, header, index, memory, watch));
    }

    private SourceFacts facts(JpegHeader header, long bytes) {
        Optional<Resolution> across = header.exif().flatMap(ExifFacts::across).or(header::jfifAcross);
        Optional<Resolution> down = header.exif().flatMap(ExifFacts::down).or(header::jfifDown);
        SourceFacts facts = new SourceFacts(
                FileKind.JPEG,
                new PixelSize(header.width(), header.height()),
                header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                PictureColours.ppi(across, down),
                colours.of(
                        header.model(),
                        Alpha.OPAQUE,
                        8,
                        header.icc(),
                        PictureColours.named(header.exif(), header.model()),
                        contradiction(header)),
                Pages.ONE,
                header.exif().flatMap(ExifFacts::title),
                bytes);
        return facts.withDetail(SourceDetail.UNKNOWN.withJpegQuality(header.aboutQuality()));
    }

    /** Exif's ppi is used; programs that read JFIF's only will see another size. */
    private static List<ColourRemark> contradiction(JpegHeader header) {
        if (header.densitiesAgree()) {
            return List.of();
        }
        return List.of(new ColourRemark(
                "ppi-contradicted",
                String.format(
                        Locale.ROOT,
                        "its file marks %.0f ppi in one place and %.0f in another: %.0f is used",
                        header.exif().flatMap(ExifFacts::across).orElseThrow().toPpi(),
                        header.jfifAcross().orElseThrow().toPpi(),
                        header.exif().flatMap(ExifFacts::across).orElseThrow().toPpi())));
    }
}
