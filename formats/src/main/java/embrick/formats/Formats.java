package embrick.formats;

import com.twelvemonkeys.imageio.plugins.tiff.TIFFImageReaderSpi;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.EmbeddedProfile;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.exif.ExifFacts;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.imageio.ImageIoReader;
import embrick.formats.imageio.ImageIoReader.Polarity;
import embrick.formats.jpeg.JpegHeader;
import embrick.formats.jpeg.JpegReader;
import embrick.formats.jpeg.JpegWriter;
import embrick.formats.png.PngHeader;
import embrick.formats.png.PngWriter;
import embrick.formats.probe.Probe;
import embrick.formats.tiff.TiffHeader;
import embrick.formats.tiff.TiffWriter;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;

/** The door to all formats: inspect a file, open it, write a print. Safe for several threads. */
public final class Formats {
    private final ProfileShelf profiles;
    private final DecodeLimits limits;

    public Formats(ProfileShelf profiles, DecodeLimits limits) {
        this.profiles = profiles;
        this.limits = limits;
    }

    public ProfileShelf profiles() {
        return profiles;
    }

    /** Sides and profile as the header of one format says them. */
    private record Header(SourceFacts facts, Object own) {}

    /**
     * Reads the facts off a file's header; no pixels are decoded.
     *
     * @throws UnusablePictureException if it is no picture, damaged, or beyond the limits
     */
    public SourceFacts inspect(Path file) throws IOException {
        return header(file).facts();
    }

    /** Decodes a whole picture. The caller closes it. */
    public OpenedPicture open(Path file) throws IOException {
        return open(file, Integer.MAX_VALUE);
    }

    /**
     * Decodes a picture for the screen, perhaps reduced, its longest side at least {@code leastEdge} where the file has
     * as much. Never for a piece.
     */
    public OpenedPicture openReduced(Path file, int leastEdge) throws IOException {
        return open(file, leastEdge);
    }

    private OpenedPicture open(Path file, int leastEdge) throws IOException {
        Header header = header(file);
        SourceFacts facts = header.facts();
        Raster raster = switch (header.own()) {
            case JpegHeader jpeg -> JpegReader.read(file, jpeg, leastEdge);
            case PngHeader _ -> imageIo(pngReader(), file, facts, Polarity.AS_STORED);
            case TiffHeader tiff ->
                imageIo(
                        new TIFFImageReaderSpi().createReaderInstance(null),
                        file,
                        facts,
                        tiff.photometric() == TiffHeader.Photometric.WHITE_IS_ZERO
                                ? Polarity.INVERTED
                                : Polarity.AS_STORED);
            default -> throw new AssertionError("a header of a format that is not read");
        };
        SourceFacts opened = new SourceFacts(
                facts.kind(), raster.stored(), facts.orientation(), facts.ppi(), facts.colour(), facts.fileBytes());
        return new OpenedPicture(opened, raster);
    }

    private static ImageReader pngReader() {
        return ImageIO.getImageReadersByFormatName("png").next();
    }

    private static Raster imageIo(ImageReader reader, Path file, SourceFacts facts, Polarity polarity)
            throws IOException {
        return ImageIoReader.read(
                reader,
                file,
                facts.stored(),
                facts.colour().channels(),
                facts.colour().bitsPerChannel() / 8,
                polarity);
    }

    private Header header(Path file) throws IOException {
        long bytes = Files.size(file);
        try (InputStream raw = Files.newInputStream(file);
                BufferedInputStream in = new BufferedInputStream(raw, 1 << 16)) {
            in.mark(Probe.BYTES);
            FileKind kind = Probe.kindOf(in.readNBytes(Probe.BYTES));
            in.reset();
            Header header = switch (kind) {
                case JPEG -> jpeg(JpegHeader.read(new DataInputStream(in), bytes), bytes);
                case PNG -> png(PngHeader.read(new DataInputStream(in), bytes), bytes);
                case TIFF -> tiff(file, bytes);
            };
            limits.require(header.facts());
            return header;
        }
    }

    private Header jpeg(JpegHeader header, long bytes) {
        Optional<EmbeddedProfile> profile = header.icc()
                .flatMap(icc -> profiles.add(icc, header.model()))
                .or(() -> header.exif()
                        .filter(exif -> exif.space() == ExifFacts.NamedSpace.SRGB
                                && header.model() == embrick.core.pixels.ColourModel.RGB)
                        .map(_ -> ProfileShelf.namedSrgb()));
        Optional<Resolution> across = header.exif().flatMap(ExifFacts::across).or(header::jfifAcross);
        Optional<Resolution> down = header.exif().flatMap(ExifFacts::down).or(header::jfifDown);
        return new Header(
                new SourceFacts(
                        FileKind.JPEG,
                        new PixelSize(header.width(), header.height()),
                        header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                        both(across, down),
                        new SourceColour(header.model(), Alpha.OPAQUE, 8, profile),
                        bytes),
                header);
    }

    private Header png(PngHeader header, long bytes) {
        boolean named =
                header.space() == PngHeader.NamedSpace.SRGB && header.model() == embrick.core.pixels.ColourModel.RGB;
        Optional<EmbeddedProfile> profile = header.icc()
                .flatMap(icc -> profiles.add(icc, header.model()))
                .or(() -> named ? Optional.of(ProfileShelf.namedSrgb()) : Optional.empty());
        return new Header(
                new SourceFacts(
                        FileKind.PNG,
                        new PixelSize(header.width(), header.height()),
                        header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                        both(header.across(), header.down()),
                        new SourceColour(header.model(), header.alpha(), header.bitsPerChannel(), profile),
                        bytes),
                header);
    }

    private Header tiff(Path file, long bytes) throws IOException {
        TiffHeader header;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            header = TiffHeader.read((offset, length) -> readAt(channel, offset, length));
        } catch (UnusablePictureException known) {
            throw known;
        } catch (IOException damaged) {
            throw UnusablePictureException.broken("cut-short", "has a damaged or cut header: " + damaged.getMessage());
        }
        return new Header(
                new SourceFacts(
                        FileKind.TIFF,
                        new PixelSize(header.width(), header.height()),
                        header.orientation(),
                        both(header.across(), header.down()),
                        new SourceColour(
                                header.model(),
                                header.alpha(),
                                header.bitsPerChannel(),
                                header.icc().flatMap(icc -> profiles.add(icc, header.model()))),
                        bytes),
                header);
    }

    private static ByteBuffer readAt(FileChannel channel, long offset, int length) throws IOException {
        if (offset < 0 || offset + length > channel.size()) {
            throw new EOFException("expected " + length + " bytes at offset " + offset + " of " + channel.size());
        }
        ByteBuffer buffer = ByteBuffer.allocate(length);
        while (buffer.hasRemaining() && channel.read(buffer, offset + buffer.position()) >= 0) {
            // Keeps reading until the buffer is full or the file ends.
        }
        if (buffer.hasRemaining()) {
            throw new EOFException("expected " + length + " bytes at offset " + offset);
        }
        return buffer.flip();
    }

    private static Optional<MarkedPpi> both(Optional<Resolution> across, Optional<Resolution> down) {
        return across.isEmpty() || down.isEmpty()
                ? Optional.empty()
                : Optional.of(new MarkedPpi(across.get(), down.get()));
    }

    /** Writes a print as its plan says, strip by strip. */
    public void write(Print print, Plan plan, TiffWriter.Target to, PrintFile.Progress progress) throws IOException {
        boolean srgb = plan.colour().to().equals(new embrick.core.colour.ProfileRef.Srgb());
        PrintFile file = new PrintFile(
                plan.marked(),
                profiles.bytes(plan.colour().to()),
                srgb ? PrintFile.ColourTag.SRGB : PrintFile.ColourTag.UNCALIBRATED);
        switch (plan.file()) {
            case FileFormat.Jpeg jpeg -> JpegWriter.write(print, file, jpeg.quality(), to.stream(), progress);
            case FileFormat.Png _ -> PngWriter.write(print, file, to.stream(), progress);
            case FileFormat.Tiff tiff -> TiffWriter.write(print, file, tiff.packing(), to, progress);
        }
    }
}
