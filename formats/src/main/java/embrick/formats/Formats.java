package embrick.formats;

import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.ticket.FileFormat;
import embrick.formats.apart.ApartPictures;
import embrick.formats.apart.DecoderPool;
import embrick.formats.binding.HugePages;
import embrick.formats.crew.Crew;
import embrick.formats.heif.HeifPictures;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.jpeg.JpegPictures;
import embrick.formats.jpeg.JpegPieces;
import embrick.formats.metadata.OriginalMetadata;
import embrick.formats.pdf.PdfPieces;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.Examination;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import embrick.formats.picture.PieceFormat;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Target;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Verified;
import embrick.formats.picture.Watch;
import embrick.formats.png.PngPictures;
import embrick.formats.png.PngPieces;
import embrick.formats.probe.Probe;
import embrick.formats.tiff.TiffPictures;
import embrick.formats.tiff.TiffPieces;
import embrick.formats.webp.WebpPictures;
import embrick.formats.webp.WebpPieces;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** The door to all formats: inspect a file, open it, write a print, verify what was written. Safe for several threads. */
public final class Formats {
    private final Map<FileKind, PictureFormat> read = new EnumMap<>(FileKind.class);
    private final ProfileShelf profiles;
    private final PrintMarks marks;
    private final DecodeLimits limits;
    private final Path scratch;
    private final Crew crew;

    public Formats(ProfileShelf profiles, DecodeLimits limits) {
        this(profiles, limits, Path.of(System.getProperty("java.io.tmpdir")), Crew.ofMachine());
    }

    /**
     * @param scratch a folder for files that are needed for a moment; what a kill leaves there is the caller's to clear
     * @param crew that helps to write one file while cores are free
     */
    public Formats(ProfileShelf profiles, DecodeLimits limits, Path scratch, Crew crew) {
        this.crew = crew;
        this.scratch = scratch;
        this.profiles = profiles;
        this.marks = new PrintMarks(profiles);
        this.limits = limits;
        PictureColours colours = new PictureColours(profiles);
        (DecoderPool.isChild() ? here(colours) : apart(colours, DecoderPool.SHARED))
                .forEach(format -> read.put(format.kind(), format));
    }

    /** All formats that are read, by libraries called in this process. */
    private static List<PictureFormat> here(PictureColours colours) {
        return List.of(
                new JpegPictures(colours),
                new PngPictures(colours),
                new TiffPictures(colours),
                HeifPictures.here(colours),
                new WebpPictures(colours));
    }

    /** The same, those whose libraries fall over damaged files in processes of their own. */
    private static List<PictureFormat> apart(PictureColours colours, DecoderPool pool) {
        return List.of(
                new JpegPictures(colours),
                new PngPictures(colours),
                new ApartPictures(new TiffPictures(colours), pool),
                new ApartPictures(HeifPictures.apart(colours, pool), pool),
                new ApartPictures(new WebpPictures(colours), pool));
    }

    /** All formats that are written. */
    private PieceFormat written(FileFormat format) {
        return switch (format) {
            case FileFormat.Jpeg jpeg -> new JpegPieces(profiles, jpeg, crew);
            case FileFormat.Png _ -> new PngPieces(profiles, crew);
            case FileFormat.Tiff tiff -> new TiffPieces(profiles, tiff.packing(), crew);
            case FileFormat.Pdf pdf -> new PdfPieces(profiles, pdf.pixels(), scratch, crew);
            case FileFormat.Webp webp -> new WebpPieces(read.get(FileKind.WEBP), webp);
            case FileFormat.AsItIs _ ->
                throw new IllegalArgumentException("file: expected one that is written, got the original's own");
        };
    }

    public ProfileShelf profiles() {
        return profiles;
    }

    private Picture picture(Path file) throws IOException {
        Picture picture = read.get(Probe.kindOf(file)).read(file);
        limits.require(picture.facts());
        return picture;
    }

    /**
     * Looks at a file's length and first bytes alone.
     *
     * @throws UnusablePictureException if it is larger than any picture of its kind that is opened here
     */
    public void requireSensibleLength(Path file) throws IOException {
        limits.requireLength(Probe.nameOf(file), Files.size(file));
    }

    /**
     * Reads the facts off a file's header; no pixels are decoded.
     *
     * @throws UnusablePictureException if it is no picture, damaged, or beyond the limits
     */
    public SourceFacts inspect(Path file) throws IOException {
        return picture(file).facts();
    }

    /**
     * Decodes a whole picture. The caller closes it.
     *
     * @throws UnusablePictureException if any part of it is damaged
     */
    public OpenedPicture open(Path file) throws IOException {
        OpenedPicture opened = openAsItIs(file, Integer.MAX_VALUE);
        if (opened.damage().isPresent()) {
            opened.close();
            throw opened.damage().get().refusal();
        }
        return opened;
    }

    /**
     * Decodes what there is of a picture, damaged or not, for the screen perhaps reduced. The caller closes it, and looks at
     * {@link OpenedPicture#damage} before it makes a piece of it.
     *
     * @param leastEdge the longest side wanted at least, where the file has as much; {@code Integer.MAX_VALUE} for all
     */
    public OpenedPicture openAsItIs(Path file, int leastEdge) throws IOException {
        Picture picture = picture(file);
        return opened(picture.facts(), picture.decode(leastEdge, HugePages::raster));
    }

    /**
     * Opens a whole picture whose parts are decoded when they are first read.
     *
     * @param index what {@link #examine} gave of the same file when it was found sound; any other is as good as none
     * @param watch around the decoding of each part
     */
    public OpenedPicture openInParts(Path file, byte[] index, Watch watch) throws IOException {
        Picture picture = picture(file);
        return opened(picture.facts(), picture.decodeInParts(index, HugePages::raster, watch));
    }

    /**
     * Reads a file to its end for damage that its decoder does not see, where the format lets it be found. Slower than
     * decoding it small; once for each original.
     */
    public Examination examine(Path file) throws IOException {
        return picture(file).examine();
    }

    /** As {@link #openAsItIs}, but decoded in a process of its own, whatever the format. */
    public OpenedPicture openApart(Path file, int leastEdge) throws IOException {
        SourceFacts facts = picture(file).facts();
        return opened(facts, DecoderPool.SHARED.pixels(file, facts, leastEdge));
    }

    /** Pixels alone, into memory that the caller has. */
    Decoded decode(Path file, int leastEdge, RasterMemory memory) throws IOException {
        return picture(file).decode(leastEdge, memory);
    }

    private static OpenedPicture opened(SourceFacts facts, Decoded decoded) {
        return new OpenedPicture(facts.reducedTo(decoded.raster().stored()), decoded.raster(), decoded.damage());
    }

    /**
     * Reads a finished file to its last pixel, whatever its size, without holding it, and gives its facts.
     *
     * @param written what writing it gave, or {@link SampleSums#NONE}
     * @throws UnusablePictureException if anything in it is damaged or missing
     */
    public Verified verify(Path file, FileFormat format, SampleSums written) throws IOException {
        return written(format).verify(file, written);
    }

    /**
     * What a picture says in words and of its camera; what is damaged of it is taken for missing.
     *
     * @throws IOException if the file cannot be read: nothing is known of it then
     */
    public OriginalMetadata metadata(Path file) throws IOException {
        try {
            return OriginalMetadata.of(read.get(Probe.kindOf(file)).metadata(file));
        } catch (UncheckedIOException notRead) {
            throw notRead.getCause();
        } catch (UnusablePictureException | EOFException | RuntimeException damaged) {
            return OriginalMetadata.UNREADABLE;
        }
    }

    /** Writes a print of which nothing is carried over but its pixels. */
    public SampleSums write(Print print, Plan plan, Target to, PrintFile.Progress progress) throws IOException {
        return write(print, OriginalMetadata.NONE, plan, to, progress);
    }

    /**
     * Writes a print as its plan says, strip by strip.
     *
     * @param original of which the plan says what is carried over
     * @return what its samples must come to when it is verified
     */
    public SampleSums write(Print print, OriginalMetadata original, Plan plan, Target to, PrintFile.Progress progress)
            throws IOException {
        return written(plan.file()).write(print, plan, marks.of(plan, original), to, progress);
    }
}
