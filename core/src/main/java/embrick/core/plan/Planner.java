package embrick.core.plan;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.framing.FrameGeometry;
import embrick.core.framing.FrameGeometry.HalfPlane;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Fit;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;

/**
 * From facts, ticket and framing to a plan: a pure function, the only place where paper becomes pixels.
 *
 * <p>Rounding rules, each named once here or in {@code Resolution}: a face takes the nearest pixel
 * ({@code pixelsFor}); a shape with all its pixels takes whole pixels that exist ({@link #wholePixelsWithin}); a picture
 * inside a sheet takes the nearest pixel, never more than the sheet ({@link #nearestWithin}).
 */
public final class Planner {
    private Planner() {}

    public static Planning plan(SourceFacts facts, Ticket ticket, Framing framing) {
        List<Problem> problems = new ArrayList<>(PlanLimits.colourProblems(facts, ticket));
        Seen seen = Seen.of(facts, framing);
        Layout layout = layOut(seen, ticket, framing);
        problems.addAll(PlanLimits.sizeProblems(layout.sheet(), ticket));
        LiftRule.problem(ticket.lift(), ticket.ppi()).ifPresent(problems::add);
        if (!problems.isEmpty()) {
            return new Planning.Refused(problems);
        }
        Plan plan = assemble(facts, ticket, framing, seen, layout);
        return new Planning.Ready(plan, PlanNotices.of(facts, ticket, plan));
    }

    /** The picture as it is seen once its tag, mirror and quarter turns are applied, and the centre asked for in it. */
    private record Seen(Orientation as, PixelSize size, double centreX, double centreY) {
        static Seen of(SourceFacts facts, Framing framing) {
            Orientation asked = Orientation.ofQuarterTurns(framing.quarterTurns());
            double x = framing.centreX();
            double y = framing.centreY();
            Orientation mirrored = facts.orientation();
            if (framing.mirror() == Framing.Mirror.MIRRORED) {
                mirrored = mirrored.then(Orientation.MIRRORED);
                x = 1 - x;
            }
            for (int turn = 0; turn < framing.quarterTurns(); turn++) {
                double before = x;
                x = 1 - y;
                y = before;
            }
            Orientation as = mirrored.then(asked);
            return new Seen(as, as.seenSize(facts.stored()), x, y);
        }
    }

    /** Pixels of the sheet, the picture's place on it, the frame's geometry and its scale. */
    private record Layout(PixelSize sheet, PixelRect picture, FrameGeometry frame, double scale) {}

    private static Layout layOut(Seen seen, Ticket ticket, Framing framing) {
        return switch (ticket.size()) {
            case Size.OnPaper paper -> {
                PixelSize sheet = sheetPixels(paper, seen, ticket, framing);
                yield switch (ticket.fit()) {
                    case Fit.Fill _ -> fill(seen.size(), sheet, framing);
                    case Fit.Inside _ -> inside(seen.size(), sheet, framing);
                };
            }
            case Size.ShapeOnly shape -> {
                double a = (double) shape.ratio().shortSide();
                double b = (double) shape.ratio().longSide();
                boolean wide = isSheetWide(seen.size(), ticket, framing);
                yield allPixels(seen.size(), wide ? b : a, wide ? a : b, framing);
            }
            case Size.OwnShape _ ->
                allPixels(seen.size(), seen.size().width(), seen.size().height(), framing);
        };
    }

    private static boolean isSheetWide(PixelSize seen, Ticket ticket, Framing framing) {
        return switch (framing.turn()) {
            case WIDE -> true;
            case UPRIGHT -> false;
            case AS_TICKET -> ticket.turn() == Turn.WIDE || (ticket.turn() == Turn.SUIT && seen.isWide());
        };
    }

    private static PixelSize sheetPixels(Size.OnPaper size, Seen seen, Ticket ticket, Framing framing) {
        int shortSide = ticket.ppi().pixelsFor(size.paper().shortSide());
        int longSide = ticket.ppi().pixelsFor(size.paper().longSide());
        return isSheetWide(seen.size(), ticket, framing)
                ? new PixelSize(longSide, shortSide)
                : new PixelSize(shortSide, longSide);
    }

    /** The frame takes the sheet's rounded pixel shape, so it is never larger than the picture. */
    private static Layout fill(PixelSize seen, PixelSize sheet, Framing framing) {
        FrameGeometry frame = new FrameGeometry(seen, sheet.width(), sheet.height(), framing.tiltDegrees());
        return new Layout(sheet, PixelRect.whole(sheet), frame, frame.loosestScale() / framing.tightness());
    }

    /** The frame has the picture's own shape and all of it is shown: the larger of the two scales. */
    private static Layout inside(PixelSize seen, PixelSize sheet, Framing framing) {
        FrameGeometry frame = new FrameGeometry(seen, seen.width(), seen.height(), framing.tiltDegrees());
        double extent = frame.loosestScale() / framing.tightness();
        double frameWidth = seen.width() * extent;
        double frameHeight = seen.height() * extent;
        double fitting = Math.max(frameWidth / sheet.width(), frameHeight / sheet.height());
        int width = nearestWithin(frameWidth / fitting, sheet.width());
        int height = nearestWithin(frameHeight / fitting, sheet.height());
        double scale = Math.max(frameWidth / width, frameHeight / height);
        PixelRect picture = new PixelRect((sheet.width() - width) / 2, (sheet.height() - height) / 2, width, height);
        return new Layout(sheet, picture, frame, scale);
    }

    /** One output pixel for one of the picture's: scale 1. */
    private static Layout allPixels(PixelSize seen, double shapeWidth, double shapeHeight, Framing framing) {
        FrameGeometry frame = new FrameGeometry(seen, shapeWidth, shapeHeight, framing.tiltDegrees());
        double scale = frame.loosestScale() / framing.tightness();
        PixelSize sheet = new PixelSize(wholePixelsWithin(shapeWidth * scale), wholePixelsWithin(shapeHeight * scale));
        return new Layout(sheet, PixelRect.whole(sheet), frame, 1);
    }

    /** Rounds down to pixels that exist; a billionth forgives the division that led here. */
    private static int wholePixelsWithin(double length) {
        return Math.max(1, (int) Math.floor(length + 1e-6));
    }

    private static int nearestWithin(double length, int most) {
        return Math.clamp(Math.round(length), 1, most);
    }

    private static Plan assemble(SourceFacts facts, Ticket ticket, Framing framing, Seen seen, Layout layout) {
        PixelRect picture = layout.picture();
        double scale = layout.scale();
        double extent = 1 / framing.tightness();
        double centreX =
                layout.frame().heldX(seen.centreX(), extent) * seen.size().width();
        double centreY =
                layout.frame().heldY(seen.centreY(), extent) * seen.size().height();
        if (scale == 1 && framing.tiltDegrees() == 0) {
            // On whole pixels nothing is interpolated: the output is the original's own pixels.
            centreX = onWholePixels(centreX, picture.width(), seen.size().width());
            centreY = onWholePixels(centreY, picture.height(), seen.size().height());
        }
        Window window = new Window(
                seen.as(),
                new PixelSize(picture.width(), picture.height()),
                centreX,
                centreY,
                scale,
                framing.tiltDegrees());
        Plan.Source source = new Plan.Source(
                facts.stored(), facts.colour().model(), facts.colour().alpha());
        ColourPath colour = colourPath(facts, ticket);
        int bits = ticket.file().bits(facts.colour().bitsPerChannel());
        double realPpi = ticket.ppi().toPpi() * scale;
        double frameWidth = Math.min(scale * picture.width(), seen.size().width());
        double frameHeight = Math.min(scale * picture.height(), seen.size().height());
        Plan.Figures figures = new Plan.Figures(
                realPpi,
                Verdict.of(realPpi, ticket.viewing()),
                frameWidth,
                frameHeight,
                Math.max(0, 1 - frameWidth * frameHeight / seen.size().pixels()),
                layout.sheet().bytes(colour.to().model().channels(), bits / 8),
                Weights.expectedFileBytes(layout.sheet(), colour.to().model(), ticket.file(), bits));
        return new Plan(
                source,
                layout.sheet(),
                picture,
                window,
                MethodRule.resolve(
                        ticket.resampling(), window, seen.size(), facts.colour().model()),
                LiftRule.settings(ticket.lift(), ticket.ppi(), ticket.viewing()),
                colour,
                ticket.fit().paper(),
                ticket.ppi(),
                ticket.file(),
                bits,
                ticket.shape().key(),
                limitsInOriginal(layout.frame(), framing),
                figures);
    }

    private static double onWholePixels(double centre, int output, int seen) {
        long origin = Math.round(centre - output / 2.0);
        return Math.clamp(origin, 0, Math.max(0, seen - output)) + output / 2.0;
    }

    private static List<HalfPlane> limitsInOriginal(FrameGeometry frame, Framing framing) {
        List<HalfPlane> limits = new ArrayList<>(frame.limits());
        for (int turn = 0; turn < framing.quarterTurns(); turn++) {
            limits.replaceAll(HalfPlane::beforeQuarterTurn);
        }
        if (framing.mirror() == Framing.Mirror.MIRRORED) {
            limits.replaceAll(HalfPlane::beforeMirror);
        }
        return limits;
    }

    private static ColourPath colourPath(SourceFacts facts, Ticket ticket) {
        ProfileRef from = sourceProfile(facts);
        boolean keeps = ticket.colour() == OutputColour.ORIGINAL && !(from instanceof ProfileRef.AssumedGrey);
        return new ColourPath(from, keeps ? from : new ProfileRef.Srgb());
    }

    /** The embedded profile, or the one assumed for pictures without. */
    public static ProfileRef sourceProfile(SourceFacts facts) {
        ColourModel model = facts.colour().model();
        if (facts.colour().profile().isPresent()) {
            return new ProfileRef.Embedded(facts.colour().profile().get().digest(), model);
        }
        return model == ColourModel.GREY ? new ProfileRef.AssumedGrey() : new ProfileRef.Srgb();
    }
}
