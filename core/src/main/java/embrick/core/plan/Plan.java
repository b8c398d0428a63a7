package embrick.core.plan;

import embrick.core.colour.ColourPath;
import embrick.core.framing.FrameGeometry.HalfPlane;
import embrick.core.lift.LiftSettings;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.PaperColour;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * All numbers of one output.
 *
 * @param source the pixels it is made from, as they lie in the file
 * @param sheet the whole output
 * @param picture where the picture stands on the sheet; all of it when the sheet is filled
 * @param window which part of the picture, at which tilt and scale; its output is the picture's pixels
 * @param resampling the method that is used, chosen or picked
 * @param bitsPerChannel of the file, 8 or 16
 * @param shapeKey the shape its framing belongs to
 * @param limits where the framing's centre may be at this tilt, in fractions of the oriented original
 */
public record Plan(
        Source source,
        PixelSize sheet,
        PixelRect picture,
        Window window,
        Resampling resampling,
        Optional<LiftSettings> lift,
        ColourPath colour,
        PaperColour paper,
        Resolution marked,
        FileFormat file,
        int bitsPerChannel,
        String shapeKey,
        List<HalfPlane> limits,
        Figures figures) {
    public Plan {
        Objects.requireNonNull(source);
        Objects.requireNonNull(resampling);
        Objects.requireNonNull(lift);
        limits = List.copyOf(limits);
        if (!picture.isInside(sheet)) {
            throw new IllegalArgumentException("picture: expected inside the sheet " + sheet + ", got " + picture);
        }
        if (picture.width() != window.output().width()
                || picture.height() != window.output().height()) {
            throw new IllegalArgumentException(
                    "window: expected " + picture.width() + " × " + picture.height() + ", got " + window.output());
        }
    }

    /** Whether the picture's own pixels are only re-marked: none is mixed from others. */
    public boolean keepsPixels() {
        return window.keepsPixels(window.seenAs().seenSize(source.stored()));
    }

    public Plan withResampling(Resampling other) {
        return with(other, lift, colour);
    }

    public Plan withLift(Optional<LiftSettings> other) {
        return with(resampling, other, colour);
    }

    public Plan withColour(ColourPath other) {
        return with(resampling, lift, other);
    }

    private Plan with(Resampling otherResampling, Optional<LiftSettings> otherLift, ColourPath otherColour) {
        return new Plan(
                source,
                sheet,
                picture,
                window,
                otherResampling,
                otherLift,
                otherColour,
                paper,
                marked,
                file,
                bitsPerChannel,
                shapeKey,
                limits,
                figures);
    }

    /** The layout of the decoded original. */
    public record Source(PixelSize stored, ColourModel model, Alpha alpha) {
        public int channels() {
            return model.channels() + (alpha == Alpha.SEE_THROUGH ? 1 : 0);
        }
    }

    /**
     * What people read off a plan.
     *
     * @param realPpi original pixels under the frame per inch of sheet
     * @param frameWidth the frame in original pixels, {@code frameHeight} likewise
     * @param lostShare of the picture outside the frame, 0 to 1
     * @param unpackedBytes of the output, exactly
     * @param expectedFileBytes of the output, roughly
     */
    public record Figures(
            double realPpi,
            Verdict verdict,
            double frameWidth,
            double frameHeight,
            double lostShare,
            long unpackedBytes,
            long expectedFileBytes) {}
}
