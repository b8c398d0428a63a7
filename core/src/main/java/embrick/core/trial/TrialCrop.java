package embrick.core.trial;

import embrick.core.edge.Extension;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.resample.Window;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import embrick.core.units.PixelSize;
import java.util.Optional;

/** A part of a piece as a print of its own: the very pixels that the whole piece has there. */
public final class TrialCrop {
    private TrialCrop() {}

    /** The part of a piece that shows its picture, where crops may lie: in the total's pixels. */
    public static PixelRect room(Plan whole) {
        PixelRect picture = whole.extension().bands().onTotal(whole.picture());
        PixelRect sheet = whole.sheetOnTotal();
        int left = Math.max(picture.x(), sheet.x());
        int top = Math.max(picture.y(), sheet.y());
        return new PixelRect(
                left,
                top,
                Math.min(picture.right(), sheet.right()) - left,
                Math.min(picture.bottom(), sheet.bottom()) - top);
    }

    /**
     * The plan of a part, on a page whose pixels lose nothing. It lies on the same places of the original as in the whole
     * piece, whole pixels apart; only along its rim sharpening does not see what lies beyond.
     *
     * @param place in the total's pixels, inside {@link #room}
     */
    public static Plan of(Plan whole, PixelRect place) {
        if (!room(whole).contains(place)) {
            throw new IllegalArgumentException("place: expected inside " + room(whole) + ", got " + place);
        }
        PixelRect picture = whole.extension().bands().onTotal(whole.picture());
        double u = place.x() - picture.x() + place.width() / 2.0;
        double v = place.y() - picture.y() + place.height() / 2.0;
        Window window = whole.window();
        PixelSize size = new PixelSize(place.width(), place.height());
        FileFormat file = new FileFormat.Pdf(new PagePixels.Whole(Depth.EIGHT), PageMarks.NONE);
        return new Plan(
                whole.source(),
                size,
                Extension.none(),
                Optional.empty(),
                PixelRect.whole(size),
                new Window(
                        window.seenAs(),
                        size,
                        window.seenX(u, v),
                        window.seenY(u, v),
                        window.scale(),
                        window.tiltDegrees()),
                whole.corners(),
                whole.resampling(),
                whole.sharpening(),
                whole.colour(),
                whole.paper(),
                whole.marked(),
                file,
                whole.metadata(),
                file.bits(whole.bitsPerChannel()),
                whole.rounding(),
                whole.shapeKey(),
                whole.limits(),
                whole.figures(),
                Optional.empty(),
                whole.madeBy());
    }
}
