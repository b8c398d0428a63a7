package embrick.core.plan;

import embrick.core.colour.ColourPath;
import embrick.core.colour.PaperColour;
import embrick.core.edge.Bands;
import embrick.core.edge.Extension;
import embrick.core.edge.Marking;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.HalfPlane;
import embrick.core.grown.BareArea;
import embrick.core.metadata.MetadataChoice;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Rounding;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * All numbers of one output.
 *
 * @param source the pixels it is made from, as they lie in the file
 * @param sheet the finished sheet, of a wrap its face
 * @param extension what goes round the sheet; with it, the sheet is the whole output, the total
 * @param picture where the picture stands, in the sheet's pixels: on it, all of it when the sheet is filled, or beyond it
 *     on all sides where the bands show the picture itself
 * @param window which part of the picture, at which tilt and scale; its output is the picture's pixels
 * @param marking words over the finished picture; empty for none
 * @param corners how what a tilted picture leaves bare is filled; {@code COVERED} where nothing is bare
 * @param resampling the method that is used, chosen or picked
 * @param metadata that the file carries over from its original, and its own words
 * @param bitsPerChannel of the file, 8 or 16
 * @param rounding to those bits; with 16 there is nothing to dither
 * @param shapeKey the shape its framing belongs to
 * @param growing the background that is grown; empty for none
 * @param limits where the framing may be at this tilt
 * @param madeBy the engine and the filters that make its pixels
 */
public record Plan(
        Source source,
        PixelSize sheet,
        Extension extension,
        Optional<Marking> marking,
        PixelRect picture,
        Window window,
        Corners corners,
        Resampling resampling,
        Optional<SharpeningSettings> sharpening,
        ColourPath colour,
        PaperColour paper,
        Resolution marked,
        FileFormat file,
        MetadataChoice metadata,
        int bitsPerChannel,
        Rounding rounding,
        String shapeKey,
        Limits limits,
        Figures figures,
        Optional<Growing> growing,
        MadeBy madeBy) {
    public Plan {
        Objects.requireNonNull(source);
        Objects.requireNonNull(corners);
        Objects.requireNonNull(resampling);
        Objects.requireNonNull(sharpening);
        Objects.requireNonNull(extension);
        // Plans that were stored before had none.
        marking = marking == null ? Optional.empty() : marking;
        growing = growing == null ? Optional.empty() : growing;
        madeBy = madeBy == null ? MadeBy.NOT_NOTED : madeBy;
        Objects.requireNonNull(metadata);
        Objects.requireNonNull(rounding);
        if (!picture.isInside(sheet) && !picture.covers(sheet)) {
            throw new IllegalArgumentException(
                    "picture: expected inside the sheet " + sheet + " or all round it, got " + picture);
        }
        if (!extension.bands().onTotal(picture).isInside(extension.around(sheet))) {
            throw new IllegalArgumentException(
                    "picture: expected inside the total " + extension.around(sheet) + ", got " + picture);
        }
        if (picture.width() != window.output().width()
                || picture.height() != window.output().height()) {
            throw new IllegalArgumentException(
                    "window: expected " + picture.width() + " × " + picture.height() + ", got " + window.output());
        }
    }

    /** All that is made: the sheet with its bands. */
    public PixelSize total() {
        return extension.around(sheet);
    }

    /** Where the sheet lies on the total. */
    public PixelRect sheetOnTotal() {
        return extension.bands().onTotal(PixelRect.whole(sheet));
    }

    /** What is made of picture and paper before bands go round it, in the sheet's pixels: the sheet, or a picture beyond it. */
    public PixelRect ground() {
        return picture.isInside(sheet) ? PixelRect.whole(sheet) : picture;
    }

    /** What of the bands is left to fill. */
    public Bands bandsRoundGround() {
        PixelRect ground = extension.bands().onTotal(ground());
        return new Bands(ground.x(), ground.y(), total().width() - ground.right(), total().height() - ground.bottom());
    }

    /** The picture as it is seen, after tag, mirror and quarter turns. */
    public PixelSize seen() {
        return window.seenAs().seenSize(source.stored());
    }

    /** Whether the picture's own pixels are only re-marked: none is mixed from others, nor drawn over. */
    public boolean keepsPixels() {
        return window.keepsPixels(seen()) && marking.isEmpty();
    }

    /** What is bare of the total, or of what bands go round, and is grown; empty where nothing is. */
    public Optional<BareArea> bareArea() {
        return growing.map(grown -> grown.area(this));
    }

    Plan withGrowing(Optional<Growing> other) {
        return with(resampling, sharpening, colour, other, figures, madeNow(resampling));
    }

    /** The same without its grown background: bands are mirrored and corners drawn out, paper is beside the picture. */
    public Plan withoutGrowing() {
        return withGrowing(Optional.empty());
    }

    public Plan withResampling(Resampling other) {
        return with(other, sharpening, colour, growing, figures, madeNow(other));
    }

    public Plan withSharpening(Optional<SharpeningSettings> other) {
        return with(resampling, other, colour, growing, figures, madeNow(resampling));
    }

    public Plan withColour(ColourPath other) {
        return with(resampling, sharpening, other, growing, figures, madeNow(resampling));
    }

    /** The same, made by what it was planned for; only another file is expected. */
    public Plan withExpectedFileBytes(long bytes) {
        return with(resampling, sharpening, colour, growing, figures.withExpectedFileBytes(bytes), madeBy);
    }

    private MadeBy madeNow(Resampling method) {
        return MadeBy.of(method, window);
    }

    /** The same picture on other pixels. */
    Plan onSheet(
            PixelSize otherSheet,
            Extension otherExtension,
            Optional<Marking> otherMarking,
            PixelRect otherPicture,
            Window otherWindow) {
        return new Plan(
                source,
                otherSheet,
                otherExtension,
                otherMarking,
                otherPicture,
                otherWindow,
                corners,
                resampling,
                sharpening,
                colour,
                paper,
                marked,
                file,
                metadata,
                bitsPerChannel,
                rounding,
                shapeKey,
                limits,
                figures,
                growing,
                MadeBy.of(resampling, otherWindow));
    }

    private Plan with(
            Resampling otherResampling,
            Optional<SharpeningSettings> otherSharpening,
            ColourPath otherColour,
            Optional<Growing> otherGrowing,
            Figures otherFigures,
            MadeBy otherMaker) {
        return new Plan(
                source,
                sheet,
                extension,
                marking,
                picture,
                window,
                corners,
                otherResampling,
                otherSharpening,
                otherColour,
                paper,
                marked,
                file,
                metadata,
                bitsPerChannel,
                rounding,
                shapeKey,
                limits,
                otherFigures,
                otherGrowing,
                otherMaker);
    }

    /** The layout of the decoded original. */
    public record Source(PixelSize stored, ColourModel model, Alpha alpha) {
        public int channels() {
            return model.channels() + (alpha == Alpha.SEE_THROUGH ? 1 : 0);
        }
    }

    /**
     * Where a framing may be.
     *
     * @param planes all that hold
     * @param travelX seen pixels that the picture moves when the framing's centre moves by 1 in the seen picture
     */
    public record Limits(List<HalfPlane> planes, double travelX, double travelY) {
        public Limits {
            planes = List.copyOf(planes);
        }
    }

    /**
     * What people read off a plan.
     *
     * @param realPpi original pixels under the frame per inch of sheet
     * @param heldPpi up to which the picture holds detail on that sheet, never more than {@code realPpi}; empty where that was
     *     not measured
     * @param verdict on what that is worth: {@link Verdict#worthPpi}
     * @param frameWidth the frame in original pixels, {@code frameHeight} likewise
     * @param lostShare of the picture outside the frame, 0 to 1
     * @param bareShare of the picture's place on the sheet that a tilted picture leaves bare, 0 to 1
     * @param fineEnlargement how many times larger each side of this sheet could be printed and still be fine
     * @param unpackedBytes of the output, exactly
     * @param expectedFileBytes of the output, roughly
     */
    public record Figures(
            double realPpi,
            Optional<Double> heldPpi,
            Verdict verdict,
            double frameWidth,
            double frameHeight,
            double lostShare,
            double bareShare,
            double fineEnlargement,
            long unpackedBytes,
            long expectedFileBytes) {
        Figures withExpectedFileBytes(long bytes) {
            return new Figures(
                    realPpi,
                    heldPpi,
                    verdict,
                    frameWidth,
                    frameHeight,
                    lostShare,
                    bareShare,
                    fineEnlargement,
                    unpackedBytes,
                    bytes);
        }
    }
}
