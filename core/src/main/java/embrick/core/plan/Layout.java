package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.framing.FrameGeometry;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.HalfPlane;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.PixelRect;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;

/**
 * The pixels of a sheet, the picture's place on it, and what of the picture shows there.
 *
 * @param centreX the seen position, in seen pixels, in the middle of the picture's place; {@code centreY} likewise
 * @param scale seen pixels to one output pixel
 * @param limits where the framing's centre may be in the seen picture
 * @param travelX seen pixels that the picture moves when the framing's centre moves by 1; {@code travelY} likewise
 */
record Layout(
        PixelSize sheet,
        PixelRect picture,
        double centreX,
        double centreY,
        double scale,
        List<HalfPlane> limits,
        double travelX,
        double travelY) {

    /** @param printedPpi the scale of a picture at scale; else not looked at */
    static Layout of(OrientedPicture seen, Ticket ticket, Framing framing, double printedPpi) {
        return switch (ticket.size()) {
            case Size.Sheet size -> {
                PixelSize sheet = sheetPixels(size, seen, ticket, framing);
                Bands framed = BandRule.framed(ticket, sheet);
                yield onPaper(seen, framed.around(sheet), ticket, framing, printedPpi)
                        .within(sheet, framed);
            }
            case Size.ShapeOnly shape -> {
                double a = (double) shape.ratio().shortSide();
                double b = (double) shape.ratio().longSide();
                boolean wide = isSheetWide(seen.size(), ticket, framing);
                yield allPixels(seen, wide ? b : a, wide ? a : b, framing);
            }
            case Size.FreeShape _ -> free(seen, framing);
            case Size.OwnShape _ ->
                allPixels(seen, seen.size().width(), seen.size().height(), framing);
            case Size.Scaled scaled -> scaled(seen, scaled, ticket.ppi(), framing);
        };
    }

    /** The frame has the picture's own shape, rounded to the pixels of the piece; one that keeps its pixels keeps them all. */
    private static Layout scaled(OrientedPicture seen, Size.Scaled size, Resolution ppi, Framing framing) {
        double extent =
                frame(seen, seen.size().width(), seen.size().height(), framing).loosestScale() / framing.tightness();
        double width = seen.size().width() * extent;
        double height = seen.size().height() * extent;
        PixelSize sheet = MeasureRule.sheet(size, width, height, ppi);
        boolean keepsPixels = sheet.width() == wholePixelsWithin(width) && sheet.height() == wholePixelsWithin(height);
        return keepsPixels
                ? allPixels(seen, seen.size().width(), seen.size().height(), framing)
                : fill(seen, sheet, framing);
    }

    private static Layout onPaper(
            OrientedPicture seen, PixelSize paper, Ticket ticket, Framing framing, double printedPpi) {
        return switch (ticket.fit()) {
            case Fit.Fill _ -> fill(seen, paper, framing);
            case Fit.Inside inside ->
                inside(seen, paper, framing, inside.anchor(), ticket.ppi().pixelsToCover(inside.margin()));
            case Fit.Grown grown -> inside(seen, paper, framing, grown.anchor(), 0);
            case Fit.Placed placed ->
                PlacedAtScale.layOut(
                        seen,
                        paper,
                        framing,
                        placed.anchor(),
                        printedPpi / ticket.ppi().toPpi());
        };
    }

    /** The same, said in the pixels of a sheet that lies inside it. */
    private Layout within(PixelSize inner, Bands round) {
        PixelRect moved =
                new PixelRect(picture.x() - round.left(), picture.y() - round.top(), picture.width(), picture.height());
        return new Layout(inner, moved, centreX, centreY, scale, limits, travelX, travelY);
    }

    private static boolean isSheetWide(PixelSize seen, Ticket ticket, Framing framing) {
        return switch (framing.turn()) {
            case WIDE -> true;
            case UPRIGHT -> false;
            case AS_TICKET -> ticket.turn() == Turn.WIDE || (ticket.turn() == Turn.SUIT && seen.isWide());
        };
    }

    private static PixelSize sheetPixels(Size.Sheet size, OrientedPicture seen, Ticket ticket, Framing framing) {
        PixelSize said = switch (size) {
            case Size.OnPaper(PaperSize paper) ->
                new PixelSize(
                        ticket.ppi().pixelsFor(paper.shortSide()), ticket.ppi().pixelsFor(paper.longSide()));
            case Size.InPixels(PixelSize pixels) -> pixels;
        };
        int shortSide = Math.min(said.width(), said.height());
        int longSide = Math.max(said.width(), said.height());
        return isSheetWide(seen.size(), ticket, framing)
                ? new PixelSize(longSide, shortSide)
                : new PixelSize(shortSide, longSide);
    }

    /** The frame takes the sheet's rounded pixel shape, so it is never larger than the picture. */
    private static Layout fill(OrientedPicture seen, PixelSize sheet, Framing framing) {
        FrameGeometry frame = frame(seen, sheet.width(), sheet.height(), framing);
        double scale = frame.loosestScale() / framing.tightness();
        return held(seen, sheet, PixelRect.whole(sheet), frame, scale, scale);
    }

    /** The frame has the picture's own shape and all of it is shown: the larger of the two scales. */
    private static Layout inside(OrientedPicture seen, PixelSize sheet, Framing framing, Anchor anchor, int margin) {
        PixelSize room =
                new PixelSize(Math.max(1, sheet.width() - 2 * margin), Math.max(1, sheet.height() - 2 * margin));
        PixelSize shape = seen.size();
        FrameGeometry frame = frame(seen, shape.width(), shape.height(), framing);
        double extent = frame.loosestScale() / framing.tightness();
        double frameWidth = shape.width() * extent;
        double frameHeight = shape.height() * extent;
        double fitting = Math.max(frameWidth / room.width(), frameHeight / room.height());
        int width = nearestWithin(frameWidth / fitting, room.width());
        int height = nearestWithin(frameHeight / fitting, room.height());
        double scale = Math.max(frameWidth / width, frameHeight / height);
        int side = Math.min(margin, (sheet.width() - width) / 2);
        int top = Math.min(margin, (sheet.height() - height) / 2);
        PixelRect picture = new PixelRect(
                side + (int) ((room.width() - width) * anchor.x()),
                top + (int) ((room.height() - height) * anchor.y()),
                width,
                height);
        return held(seen, sheet, picture, frame, extent, scale);
    }

    /** One output pixel for one of the picture's: scale 1. */
    private static Layout allPixels(OrientedPicture seen, double shapeWidth, double shapeHeight, Framing framing) {
        FrameGeometry frame = frame(seen, shapeWidth, shapeHeight, framing);
        double extent = frame.loosestScale() / framing.tightness();
        PixelSize sheet =
                new PixelSize(wholePixelsWithin(shapeWidth * extent), wholePixelsWithin(shapeHeight * extent));
        return held(seen, sheet, PixelRect.whole(sheet), frame, extent, 1);
    }

    /** The sides that were pulled; where a tilt leaves them no room both shrink evenly. */
    private static Layout free(OrientedPicture seen, Framing framing) {
        double width = seen.sides().width() * seen.size().width();
        double height = seen.sides().height() * seen.size().height();
        FrameGeometry frame = frame(seen, width, height, framing);
        double extent = Math.min(1, frame.loosestScale());
        PixelSize sheet = new PixelSize(wholePixelsWithin(width * extent), wholePixelsWithin(height * extent));
        Layout layout = held(seen, sheet, PixelRect.whole(sheet), frame, extent, 1);
        return new Layout(
                sheet,
                layout.picture(),
                layout.centreX(),
                layout.centreY(),
                1,
                frame.limitsOfSides(),
                layout.travelX(),
                layout.travelY());
    }

    private static FrameGeometry frame(OrientedPicture seen, double width, double height, Framing framing) {
        double tilt = framing.corners() == Corners.COVERED ? framing.tiltDegrees() : 0;
        return new FrameGeometry(seen.size(), width, height, tilt);
    }

    /** @param extent seen pixels to a unit of the frame's shape */
    private static Layout held(
            OrientedPicture seen,
            PixelSize sheet,
            PixelRect picture,
            FrameGeometry frame,
            double extent,
            double scale) {
        double width = seen.size().width();
        double height = seen.size().height();
        return new Layout(
                sheet,
                picture,
                frame.heldX(seen.centreX(), extent) * width,
                frame.heldY(seen.centreY(), extent) * height,
                scale,
                frame.limits(),
                width,
                height);
    }

    /** Rounds down to pixels that exist; a millionth forgives the division that led here. */
    static int wholePixelsWithin(double length) {
        return Math.max(1, (int) Math.floor(length + 1e-6));
    }

    static int nearestWithin(double length, int most) {
        return Math.clamp(Math.round(length), 1, most);
    }
}
