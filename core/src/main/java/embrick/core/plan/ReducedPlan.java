package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.edge.CaptionLine;
import embrick.core.edge.Extension;
import embrick.core.edge.KeyLine;
import embrick.core.edge.Stroke;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;

/**
 * A plan scaled down for the screen: the whole sheet, or its size on paper, on fewer pixels than the file will have. It is
 * like the file, not equal to it.
 */
public final class ReducedPlan {
    /** From here methods cannot be told apart on the screen: means over areas are quick at any tilt. */
    private static final double WIDE = 2;

    private ReducedPlan() {}

    /**
     * @param reduction output pixels to one of the reduced, 1 or more
     * @throws IllegalArgumentException if it would enlarge
     */
    public static Plan of(Plan plan, double reduction) {
        if (!(reduction >= 1) || Double.isInfinite(reduction)) {
            throw new IllegalArgumentException("reduction: expected 1 or more, got " + reduction);
        }
        if (reduction == 1) {
            return plan;
        }
        PixelSize total = new PixelSize(
                pixels(plan.total().width(), reduction), pixels(plan.total().height(), reduction));
        PixelRect sheet = reduced(plan.sheetOnTotal(), total, reduction);
        PixelRect place = plan.picture();
        PixelRect onTotal = kept(
                reduced(plan.extension().bands().onTotal(place), total, reduction),
                sheet,
                place.isInside(plan.sheet()));
        PixelRect picture =
                new PixelRect(onTotal.x() - sheet.x(), onTotal.y() - sheet.y(), onTotal.width(), onTotal.height());
        Window whole = plan.window();
        Window window = new Window(
                whole.seenAs(),
                new PixelSize(picture.width(), picture.height()),
                whole.centreX(),
                whole.centreY(),
                whole.scale()
                        * Math.max(
                                (double) place.width() / picture.width(), (double) place.height() / picture.height()),
                whole.tiltDegrees());
        Extension extension = extension(plan.extension(), sheet, total, reduction);
        Plan reduced = plan.onSheet(
                        new PixelSize(sheet.width(), sheet.height()),
                        extension,
                        plan.marking().map(marking -> marking.reduced(reduction)),
                        picture,
                        window)
                .withSharpening(plan.sharpening().flatMap(sharpening -> sharpening.reduced(reduction)));
        return reduction < WIDE ? reduced : reduced.withResampling(Resampling.by(Method.AREA));
    }

    private static PixelRect reduced(PixelRect place, PixelSize total, double reduction) {
        int left = Math.min(edge(place.x(), reduction), total.width() - 1);
        int top = Math.min(edge(place.y(), reduction), total.height() - 1);
        int right = Math.clamp(edge(place.right(), reduction), left + 1, total.width());
        int bottom = Math.clamp(edge(place.bottom(), reduction), top + 1, total.height());
        return new PixelRect(left, top, right - left, bottom - top);
    }

    /** What rounding may part: a picture on its sheet stays on it, one that goes beyond it on all sides still covers it. */
    private static PixelRect kept(PixelRect picture, PixelRect sheet, boolean isOnSheet) {
        if (isOnSheet) {
            int left = Math.clamp(picture.x(), sheet.x(), sheet.right() - 1);
            int top = Math.clamp(picture.y(), sheet.y(), sheet.bottom() - 1);
            return new PixelRect(
                    left,
                    top,
                    Math.clamp(picture.right(), left + 1, sheet.right()) - left,
                    Math.clamp(picture.bottom(), top + 1, sheet.bottom()) - top);
        }
        int left = Math.min(picture.x(), sheet.x());
        int top = Math.min(picture.y(), sheet.y());
        return new PixelRect(
                left,
                top,
                Math.max(picture.right(), sheet.right()) - left,
                Math.max(picture.bottom(), sheet.bottom()) - top);
    }

    private static Extension extension(Extension whole, PixelRect sheet, PixelSize total, double reduction) {
        Bands bands = new Bands(sheet.x(), sheet.y(), total.width() - sheet.right(), total.height() - sheet.bottom());
        int narrowest = bands.narrowest();
        return new Extension(
                bands,
                whole.fill(),
                whole.rim(),
                whole.keyLine()
                        .filter(_ -> narrowest > 0)
                        .map(line ->
                                new KeyLine(Math.clamp(edge(line.width(), reduction), 1, narrowest), line.colour())),
                whole.caption()
                        .map(line -> new CaptionLine(
                                line.text(),
                                line.emPixels() / reduction,
                                line.middleX() / reduction,
                                line.baseline() / reduction,
                                line.colour())),
                whole.marks().stream()
                        .map(mark -> new Stroke(
                                mark.x1() / reduction,
                                mark.y1() / reduction,
                                mark.x2() / reduction,
                                mark.y2() / reduction,
                                Math.max(0.6, mark.width() / reduction)))
                        .toList());
    }

    private static int pixels(int length, double reduction) {
        return Math.max(1, edge(length, reduction));
    }

    private static int edge(int place, double reduction) {
        return (int) Math.round(place / reduction);
    }
}
