package embrick.core.plan;

import embrick.core.framing.FrameGeometry;
import embrick.core.framing.Framing;
import embrick.core.framing.HalfPlane;
import embrick.core.pixels.PixelRect;
import embrick.core.ticket.Anchor;
import embrick.core.units.PixelSize;
import java.util.List;

/**
 * A picture that stands on its sheet at a scale of its own.
 *
 * <p>Along each axis the picture either covers the sheet, and then moves until a rim of it meets the sheet's, or is
 * smaller, and then moves until it meets the sheet's rim from inside. Its anchor is where it stands at first; the
 * framing's centre moves it from there, ½ being no move and the whole way lying within 0 to 1 from any anchor.
 *
 * <p>Untilted it stands on whole pixels, so that its rim is clean: its sides round down to pixels that exist.
 */
final class PlacedAtScale {
    private PlacedAtScale() {}

    /** One axis: seen fractions at which the sheet's middle may lie. */
    private record Way(double low, double high, double start) {
        /** @param half of the sheet's reach, as a fraction of the picture; {@code anchor} as a share of both */
        static Way of(double half, double anchor) {
            double low = Math.min(half, 1 - half);
            double high = Math.max(half, 1 - half);
            return new Way(low, high, half + anchor * (1 - 2 * half));
        }

        /** Twice the way there is, so that ½ either side reaches both ends from any anchor. */
        double perCentre() {
            return 2 * (high - low);
        }

        double at(double centre) {
            return Math.clamp(start + (centre - 0.5) * perCentre(), low, high);
        }

        /** low ≤ start + (centre − ½) · perCentre, as a · centre ≤ d. */
        double leastD() {
            return start - 0.5 * perCentre() - low;
        }

        double mostD() {
            return high - start + 0.5 * perCentre();
        }
    }

    static Layout layOut(OrientedPicture seen, PixelSize sheet, Framing framing, Anchor anchor, double scale) {
        double width = seen.size().width();
        double height = seen.size().height();
        FrameGeometry frame = new FrameGeometry(seen.size(), sheet.width(), sheet.height(), framing.tiltDegrees());
        Way across = Way.of(scale * frame.reachAcross() / 2 / width, anchor.x());
        Way down = Way.of(scale * frame.reachDown() / 2 / height, anchor.y());
        double x = across.at(seen.centreX()) * width;
        double y = down.at(seen.centreY()) * height;
        List<HalfPlane> limits = List.of(
                HalfPlane.ofCentre(-across.perCentre(), 0, 0, across.leastD()),
                HalfPlane.ofCentre(across.perCentre(), 0, 0, across.mostD()),
                HalfPlane.ofCentre(0, -down.perCentre(), 0, down.leastD()),
                HalfPlane.ofCentre(0, down.perCentre(), 0, down.mostD()));
        double travelX = across.perCentre() * width;
        double travelY = down.perCentre() * height;
        if (framing.tiltDegrees() != 0) {
            return new Layout(sheet, PixelRect.whole(sheet), x, y, scale, limits, travelX, travelY);
        }
        Span wide = Span.of(width, sheet.width(), x, scale);
        Span high = Span.of(height, sheet.height(), y, scale);
        PixelRect picture = new PixelRect(wide.from(), high.from(), wide.length(), high.length());
        return new Layout(sheet, picture, wide.middle(), high.middle(), scale, limits, travelX, travelY);
    }

    /** The pixels of the sheet that the picture takes along one axis, and the seen position in their middle. */
    private record Span(int from, int length, double middle) {
        static Span of(double seen, int sheet, double centre, double scale) {
            long whole = Layout.wholePixelsWithin(seen / scale);
            long room = sheet - whole;
            long left = Math.clamp(Math.round(sheet / 2.0 - centre / scale), Math.min(room, 0), Math.max(room, 0));
            int from = (int) Math.max(left, 0);
            int to = (int) Math.min(left + whole, sheet);
            // What rounding down leaves over is shared by the two rims.
            double rest = (seen - whole * scale) / 2;
            return new Span(from, to - from, rest + ((from + to) / 2.0 - left) * scale);
        }
    }
}
