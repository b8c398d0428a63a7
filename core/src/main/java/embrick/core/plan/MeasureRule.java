package embrick.core.plan;

import embrick.core.ticket.Measure;
import embrick.core.ticket.Size.Enlarging;
import embrick.core.ticket.Size.Scaled;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;

/**
 * From a measure to the pixels of a piece that keeps its frame's shape. A side that is said is met exactly; the other, and both
 * where none is said, take the nearest pixel.
 */
final class MeasureRule {
    private MeasureRule() {}

    /**
     * @param width of the frame in the picture's own pixels, {@code height} likewise
     * @return the frame's own size, in whole pixels that exist, where it would be enlarged and must not be
     */
    static PixelSize sheet(Scaled size, double width, double height, Resolution ppi) {
        double factor = factor(size.measure(), width, height, ppi);
        boolean isKept = factor == 1 || (factor > 1 && size.enlarging() == Enlarging.NEVER);
        if (isKept) {
            return new PixelSize(Layout.wholePixelsWithin(width), Layout.wholePixelsWithin(height));
        }
        return asked(size.measure(), width, height, ppi);
    }

    /** What a measure asks for, whether or not it enlarges. */
    static PixelSize asked(Measure measure, double width, double height, Resolution ppi) {
        double factor = factor(measure, width, height, ppi);
        return new PixelSize(
                Layout.nearestWithin(width * factor, Integer.MAX_VALUE),
                Layout.nearestWithin(height * factor, Integer.MAX_VALUE));
    }

    /** Pixels of the piece to one of the frame. */
    private static double factor(Measure measure, double width, double height, Resolution ppi) {
        return switch (measure) {
            case Measure.SidePixels side -> side.pixels() / side(side.side(), width, height);
            case Measure.SideLength side -> ppi.pixelsFor(side.length()) / side(side.side(), width, height);
            case Measure.Within within ->
                Math.min(within.box().width() / width, within.box().height() / height);
            case Measure.Megapixels megapixels ->
                Math.sqrt(megapixels.millions().doubleValue() * 1e6 / (width * height));
            case Measure.Percent percent -> percent.percent().doubleValue() / 100;
        };
    }

    private static double side(Measure.Side side, double width, double height) {
        return switch (side) {
            case WIDTH -> width;
            case HEIGHT -> height;
            case LONG -> Math.max(width, height);
            case SHORT -> Math.min(width, height);
        };
    }
}
