package embrick.core.plan;

import embrick.core.colour.ColourPath;
import embrick.core.framing.FrameGeometry.HalfPlane;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Kernel;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.PaperColour;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Objects;

/**
 * All numbers of one output.
 *
 * @param source the pixels it is made from, as they lie in the file
 * @param sheet the whole output
 * @param picture where the picture stands on the sheet; all of it when the sheet is filled
 * @param window which part of the picture, at which tilt and scale; its output is the picture's pixels
 * @param shapeKey the shape its framing belongs to
 * @param limits where the framing's centre may be at this tilt, in fractions of the oriented original
 */
public record Plan(
        Source source,
        PixelSize sheet,
        PixelRect picture,
        Window window,
        Kernel kernel,
        ColourPath colour,
        PaperColour paper,
        Resolution marked,
        FileFormat file,
        String shapeKey,
        List<HalfPlane> limits,
        Figures figures) {
    public Plan {
        Objects.requireNonNull(source);
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
