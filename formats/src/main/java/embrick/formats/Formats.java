package embrick.formats;

import com.twelvemonkeys.imageio.plugins.tiff.TIFFImageReaderSpi;
import embrick.core.check.Expectation.PageBoxes;
import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.lift.Halo;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.plan.PageLayout;
import embrick.core.plan.Plan;
import embrick.core.print.OnScreen;
import embrick.core.print.PixelRows;
import embrick.core.print.Print;
import embrick.core.print.PrintPart;
import embrick.core.print.Printer;
import embrick.core.print.Stacked;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.apart.DecoderPool;
import embrick.formats.exif.ExifFacts;
import embrick.formats.heif.HeifFile;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.imageio.ImageIoReader;
import embrick.formats.imageio.ImageIoReader.Polarity;
import embrick.formats.jpeg.JpegHeader;
import embrick.formats.jpeg.JpegReader;
import embrick.formats.jpeg.JpegRemark;
import embrick.formats.jpeg.JpegWriter;
import embrick.formats.letters.ShippedFont;
import embrick.formats.pdf.PdfPages;
import embrick.formats.pdf.PdfPages.Packing;
import embrick.formats.pdf.PdfPiece;
import embrick.formats.png.PackedRows;
import embrick.formats.png.PngHeader;
import embrick.formats.png.PngReader;
import embrick.formats.png.PngVerifier;
import embrick.formats.png.PngWriter;
import embrick.formats.probe.Probe;
import embrick.formats.tiff.Ifd;
import embrick.formats.tiff.TiffHeader;
import embrick.formats.tiff.TiffVerifier;
import embrick.formats.tiff.TiffWriter;
import embrick.formats.webp.WebpHeader;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageReader;

/** The door to all formats: inspect a file, open it, write a print. Safe for several threads. */
public final class Formats {
    private final ProfileShelf profiles;
    private final PictureColours colours;
    private final DecodeLimits limits;
    private final Path scratch;
    private final ShippedFont font = new ShippedFont();

    public Formats(ProfileShelf profiles, DecodeLimits limits) {
        this(profiles, limits, Path.of(System.getProperty("java.io.tmpdir")));
    }

    /** @param scratch a folder for files that are needed for a moment; what a kill leaves there is the caller's to clear */
    public Formats(ProfileShelf profiles, DecodeLimits limits, Path scratch) {
        this.scratch = scratch;
        this.profiles = profiles;
        this.colours = new PictureColours(profiles);
        this.limits = limits;
    }

    public ProfileShelf profiles() {
        return profiles;
    }

    /** The font that captions are set in. */
    public ShippedFont font() {
        return font;
    }

    /** The output of a plan, made as it is asked for; the original stays the caller's. */
    public Print print(Plan plan, Raster original) {
        return Printer.print(plan, original, profiles, font);
    }

    /** Decodes the pixels of a file whose header was read. */
    private interface Decoder {
        /** @param leastEdge the longest side wanted at least, where the format can give less than all */
        Raster decode(int leastEdge) throws IOException;
    }

    /** @param takesNewMarks whether a file's coded picture looks the same under the marks that are written here */
    private record Header(SourceFacts facts, boolean takesNewMarks, Decoder decoder) {
        Header(SourceFacts facts, Decoder decoder) {
            this(facts, false, decoder);
        }
    }

    /**
     * Reads the facts off a file's header; no pixels are decoded.
     *
     * @throws UnusablePictureException if it is no picture, damaged, or beyond the limits
     */
    public SourceFacts inspect(Path file) throws IOException {
        SourceFacts facts = header(file).facts();
        limits.require(facts);
        return facts;
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

    /** As {@link #openReduced}, but decoded in a process of its own, whatever the format; slower by the pipe. */
    public OpenedPicture openApart(Path file, int leastEdge) throws IOException {
        return open(file, leastEdge, (_, edge) -> DecoderPool.SHARED.pixels(file, edge));
    }

    private OpenedPicture open(Path file, int leastEdge) throws IOException {
        return open(file, leastEdge, (header, edge) -> header.decoder().decode(edge));
    }

    /** Where the pixels of a file come from whose header was read. */
    private interface Opening {
        Raster open(Header header, int leastEdge) throws IOException;
    }

    private OpenedPicture open(Path file, int leastEdge, Opening opening) throws IOException {
        Header header = header(file);
        limits.require(header.facts());
        SourceFacts facts = header.facts();
        Raster raster = opening.open(header, leastEdge);
        return new OpenedPicture(
                new SourceFacts(
                        facts.kind(),
                        raster.stored(),
                        facts.orientation(),
                        facts.ppi(),
                        facts.colour(),
                        facts.pages(),
                        facts.title(),
                        facts.fileBytes()),
                raster);
    }

    /** What a finished file says of itself. */
    public record Verified(SourceFacts facts, Optional<PageBoxes> page) {}

    /**
     * Reads a finished file to its last pixel, whatever its size, without holding it, and gives its facts.
     *
     * @throws UnusablePictureException if anything in it is damaged or missing
     */
    public Verified verify(Path file, FileFormat written) throws IOException {
        return written instanceof FileFormat.Pdf ? verifyPage(file) : new Verified(verify(file), Optional.empty());
    }

    /** As {@link #verify(Path, FileFormat)}, of a picture, not a page. */
    public SourceFacts verify(Path file) throws IOException {
        Header header = header(file);
        switch (header.facts().kind()) {
            // Decoding small still reads every coded coefficient.
            case JPEG -> header.decoder().decode(1).close();
            case PNG -> PngVerifier.verify(file);
            case TIFF -> TiffVerifier.verify(file);
            case HEIF, WEBP, PDF -> throw new IllegalArgumentException("file: expected one that is written here");
        }
        return header.facts();
    }

    private Verified verifyPage(Path file) throws IOException {
        try (PdfPiece piece = PdfPiece.open(file)) {
            PdfPages.Picture picture = piece.picture();
            PixelSize size = new PixelSize(picture.width(), picture.height());
            switch (picture.packing()) {
                case JPEG -> verifyJpegOn(piece, size);
                case PNG_ROWS -> {
                    try (InputStream packed = piece.packed()) {
                        PackedRows.verify(packed, size.width(), size.height(), picture.channels(), picture.bits());
                    }
                }
            }
            ColourModel model = modelOf(picture.channels());
            SourceFacts facts = new SourceFacts(
                    FileKind.PDF,
                    size,
                    Orientation.UPRIGHT,
                    Optional.empty(),
                    new SourceColour(model, Alpha.OPAQUE, picture.bits(), profiles.add(picture.profile(), model)),
                    Files.size(file));
            return new Verified(facts, Optional.of(piece.boxes()));
        }
    }

    private static ColourModel modelOf(int channels) throws IOException {
        return switch (channels) {
            case 1 -> ColourModel.GREY;
            case 3 -> ColourModel.RGB;
            case 4 -> ColourModel.CMYK;
            default -> throw UnusablePictureException.broken("damaged", "has a picture of " + channels + " channels");
        };
    }

    /** The page's own JPEG, taken out and read as one. */
    private void verifyJpegOn(PdfPiece piece, PixelSize size) throws IOException {
        Path jpeg = Files.createTempFile(scratch, "page", ".jpg");
        try {
            try (OutputStream out = Files.newOutputStream(jpeg)) {
                piece.copyPacked(out);
            }
            JpegHeader header;
            try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(jpeg)))) {
                header = JpegHeader.read(in, Files.size(jpeg));
            }
            if (header.width() != size.width() || header.height() != size.height()) {
                throw UnusablePictureException.broken(
                        "damaged", "has a picture of another size than its page says, " + size + " px");
            }
            JpegReader.requireClean(jpeg, header);
        } finally {
            Files.delete(jpeg);
        }
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
            return switch (kind) {
                case JPEG -> jpeg(file, JpegHeader.read(new DataInputStream(in), bytes), bytes);
                case PNG -> png(file, PngHeader.read(new DataInputStream(in), bytes), bytes);
                case TIFF -> tiff(file, bytes);
                case HEIF -> heif(file, HeifFile.read(file), bytes);
                case WEBP -> webp(file, WebpHeader.read(new DataInputStream(in), bytes), bytes);
                case PDF -> throw new IllegalStateException("a page is never taken for a picture");
            };
        }
    }

    private Header jpeg(Path file, JpegHeader header, long bytes) {
        SourceColour colour = colours.of(
                header.model(), Alpha.OPAQUE, 8, header.icc(), PictureColours.named(header.exif(), header.model()));
        Optional<Resolution> across = header.exif().flatMap(ExifFacts::across).or(header::jfifAcross);
        Optional<Resolution> down = header.exif().flatMap(ExifFacts::down).or(header::jfifDown);
        return new Header(
                new SourceFacts(
                        FileKind.JPEG,
                        new PixelSize(header.width(), header.height()),
                        header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                        both(across, down),
                        colour,
                        Pages.ONE,
                        header.exif().flatMap(ExifFacts::title),
                        bytes),
                header.jfifColour(),
                leastEdge -> JpegReader.read(file, header, leastEdge));
    }

    private Header png(Path file, PngHeader header, long bytes) {
        boolean isSrgb = header.space() == PngHeader.NamedSpace.SRGB && header.model() == ColourModel.RGB;
        Optional<ShippedProfile> named =
                isSrgb ? Optional.of(ShippedProfile.SRGB) : PictureColours.named(header.exif(), header.model());
        SourceFacts facts = new SourceFacts(
                FileKind.PNG,
                new PixelSize(header.width(), header.height()),
                header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                both(header.across(), header.down()),
                colours.of(header.model(), header.alpha(), header.bitsPerChannel(), header.icc(), named),
                bytes);
        return new Header(facts, _ -> PngReader.read(file, header));
    }

    private Header heif(Path file, HeifFile heif, long bytes) {
        Optional<ShippedProfile> named = switch (heif.primaries()) {
            case SRGB -> Optional.of(ShippedProfile.SRGB);
            case P3 -> Optional.of(ShippedProfile.P3_D65);
            case NOT_NAMED -> Optional.empty();
        };
        return new Header(
                new SourceFacts(
                        FileKind.HEIF,
                        heif.size(),
                        Orientation.UPRIGHT,
                        both(heif.across(), heif.down()),
                        colours.of(ColourModel.RGB, heif.alpha(), heif.bits() > 8 ? 16 : 8, heif.icc(), named),
                        bytes),
                _ -> heif.decode(file));
    }

    private Header webp(Path file, WebpHeader header, long bytes) {
        return new Header(
                new SourceFacts(
                        FileKind.WEBP,
                        header.size(),
                        header.exif().map(ExifFacts::orientation).orElse(Orientation.UPRIGHT),
                        both(
                                header.exif().flatMap(ExifFacts::across),
                                header.exif().flatMap(ExifFacts::down)),
                        colours.of(
                                ColourModel.RGB,
                                header.alpha(),
                                8,
                                header.icc(),
                                PictureColours.named(header.exif(), ColourModel.RGB)),
                        bytes),
                _ -> header.decode(file));
    }

    private Header tiff(Path file, long bytes) throws IOException {
        TiffHeader header;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            header = TiffHeader.read(Ifd.over(channel));
        } catch (UnusablePictureException known) {
            throw known;
        } catch (IOException damaged) {
            throw UnusablePictureException.broken("cut-short", "has a damaged or cut header: " + damaged.getMessage());
        }
        SourceFacts facts = new SourceFacts(
                FileKind.TIFF,
                new PixelSize(header.width(), header.height()),
                header.orientation(),
                both(header.across(), header.down()),
                colours.of(header.model(), header.alpha(), header.bitsPerChannel(), header.icc(), Optional.empty()),
                header.pages(),
                header.title(),
                bytes);
        Polarity polarity =
                header.photometric() == TiffHeader.Photometric.WHITE_IS_ZERO ? Polarity.INVERTED : Polarity.AS_STORED;
        return new Header(
                facts, _ -> imageIo(new TIFFImageReaderSpi().createReaderInstance(null), file, facts, polarity));
    }

    private static Optional<MarkedPpi> both(Optional<Resolution> across, Optional<Resolution> down) {
        return across.isEmpty() || down.isEmpty()
                ? Optional.empty()
                : Optional.of(new MarkedPpi(across.get(), down.get()));
    }

    /**
     * Whether a plan changes nothing of a JPEG but its marks: every pixel stays, in its place, its profile and its format.
     * Such a picture need not be decoded and coded anew.
     */
    public boolean isOnlyRemarked(Path original, Plan plan) throws IOException {
        PixelSize stored = plan.source().stored();
        return plan.keepsPixels()
                && plan.window().seenAs() == Orientation.UPRIGHT
                && plan.extension().isNone()
                && plan.sheet().equals(stored)
                && plan.picture().equals(PixelRect.whole(stored))
                && plan.lift().isEmpty()
                && plan.file() instanceof FileFormat.Jpeg
                && profiles.digest(plan.colour().from())
                        .equals(profiles.digest(plan.colour().to()))
                && header(original).takesNewMarks();
    }

    /** Copies a JPEG's coded picture under the marks of a plan for which {@link #isOnlyRemarked} holds. */
    public void remark(Path original, Plan plan, TiffWriter.Target to) throws IOException {
        JpegRemark.write(original, plan.total(), marks(plan), to.stream());
    }

    /** Writes a print as its plan says, strip by strip. */
    public void write(Print print, Plan plan, TiffWriter.Target to, PrintFile.Progress progress) throws IOException {
        PrintFile file = marks(plan);
        switch (plan.file()) {
            case FileFormat.Jpeg jpeg -> JpegWriter.write(print, file, jpeg.quality(), to.stream(), progress);
            case FileFormat.Png _ -> PngWriter.write(print, file, to.stream(), progress);
            case FileFormat.Tiff tiff -> TiffWriter.write(print, file, tiff.packing(), to, progress);
            case FileFormat.Pdf pdf -> writePage(print, plan, pdf, to, progress);
        }
    }

    private void writePage(
            Print print, Plan plan, FileFormat.Pdf pdf, TiffWriter.Target to, PrintFile.Progress progress)
            throws IOException {
        PrintFile file = marks(plan);
        PdfPages.Bytes bytes = switch (pdf.pixels()) {
            case FileFormat.PagePixels.Coded(FileFormat.Jpeg jpeg) ->
                out -> JpegWriter.write(print, file, jpeg.quality(), out, progress);
            case FileFormat.PagePixels.Whole _ -> out -> PngWriter.packRows(print, out, progress);
        };
        Packing packing = pdf.pixels() instanceof FileFormat.PagePixels.Coded ? Packing.JPEG : Packing.PNG_ROWS;
        try (PdfPages pages = new PdfPages("", scratch)) {
            pages.add(PageLayout.of(plan), picture(packing, plan), bytes);
            pages.save(to.stream());
        }
    }

    private PdfPages.Picture picture(Packing packing, Plan plan) {
        ProfileRef profile = plan.colour().to();
        return new PdfPages.Picture(
                packing,
                plan.total().width(),
                plan.total().height(),
                profile.model().channels(),
                plan.bitsPerChannel(),
                profiles.bytes(profile));
    }

    /** A finished piece and the plan it was made from. */
    public record BookPage(Path piece, Plan plan) {}

    /** Whether a finished piece can be a page of a book: its pixels are packed as a page packs them. */
    public static boolean isForBooks(FileFormat file) {
        return switch (file) {
            case FileFormat.Jpeg _, FileFormat.Pdf _ -> true;
            case FileFormat.Tiff _, FileFormat.Png _ -> false;
        };
    }

    /** Writes finished pieces as the pages of one PDF; their pixels stay packed as they are. */
    public void writeBook(String title, List<BookPage> wanted, OutputStream to) throws IOException {
        try (PdfPages pages = new PdfPages(title, scratch)) {
            for (BookPage page : wanted) {
                PageLayout layout = PageLayout.of(page.plan());
                if (page.plan().file() instanceof FileFormat.Pdf) {
                    try (PdfPiece piece = PdfPiece.open(page.piece())) {
                        pages.add(layout, piece.picture(), piece::copyPacked);
                    }
                } else {
                    pages.add(layout, picture(Packing.JPEG, page.plan()), out -> Files.copy(page.piece(), out));
                }
            }
            pages.save(to);
        }
    }

    /** Writes a part of a print for the screen: its own pixels, profile and depth, as PNG. */
    public void writeProof(PrintPart part, Plan plan, OutputStream to) throws IOException {
        PngWriter.write(part, marks(plan), PngWriter.Effort.QUICK, to, PrintFile.Progress.none());
    }

    /**
     * Writes a part of a print as it looks, in sRGB of 8 bits, made by two threads.
     *
     * @param look absolute to show the paper's own white and black, relative to show it on the screen's white
     * @return how far lifted contours overshoot in it
     */
    public Optional<Halo> writeOnScreen(Plan plan, Raster original, PixelRect part, Rendering look, OutputStream to)
            throws IOException {
        ProfileRef screen = new ProfileRef.Srgb();
        Transform toScreen = profiles.along(new ColourPath(plan.colour().to(), screen, look));
        List<Print> prints = new ArrayList<>();
        List<PixelRows> halves = new ArrayList<>();
        int upper = Math.ceilDiv(part.height(), 2);
        for (int y = 0; y < part.height(); y += upper) {
            int rows = Math.min(upper, part.height() - y);
            prints.add(print(plan, original));
            PixelRect half = new PixelRect(part.x(), part.y() + y, part.width(), rows);
            halves.add(new OnScreen(new PrintPart(prints.getLast(), half), toScreen));
        }
        PrintFile file = new PrintFile(plan.marked(), profiles.bytes(screen), PrintFile.ColourTag.SRGB);
        PngWriter.write(new Stacked(halves), file, PngWriter.Effort.QUICK, to, PrintFile.Progress.none());
        return prints.stream()
                .map(Print::halo)
                .flatMap(Optional::stream)
                .max(Comparator.comparingDouble(Halo::percent));
    }

    private PrintFile marks(Plan plan) {
        boolean srgb = profiles.digest(plan.colour().to()).equals(ShippedProfile.SRGB.digest());
        return new PrintFile(
                plan.marked(),
                profiles.bytes(plan.colour().to()),
                srgb ? PrintFile.ColourTag.SRGB : PrintFile.ColourTag.UNCALIBRATED);
    }
}
