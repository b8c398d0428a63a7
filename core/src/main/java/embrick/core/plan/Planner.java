package embrick.core.plan;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.edge.Bands;
import embrick.core.edge.Extension;
import embrick.core.edge.Marking;
import embrick.core.edge.Stroke;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Overlap;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * From facts, ticket and framing to a plan: a pure function, the only place where paper becomes pixels.
 *
 * <p>Rounding rules, each named once in {@code Layout} or {@code Resolution}: a face takes the nearest pixel
 * ({@code pixelsFor}); a shape with all its pixels takes whole pixels that exist ({@code Layout.wholePixelsWithin}); a
 * picture inside a sheet takes the nearest pixel, never more than the sheet ({@code Layout.nearestWithin}); bands round up,
 * each by itself ({@code BandRule}).
 */
public final class Planner {
    /** Less than this of a sheet is the rounding of the sums that led here: a tenth of a pixel of 10 megapixels. */
    private static final double LEAST_BARE = 1e-8;

    private Planner() {}

    /**
     * The plan of a ticket without a caption.
     *
     * @throws IllegalArgumentException if the ticket asks for one
     */
    public static Planning plan(SourceFacts facts, Ticket ticket, Framing framing) {
        if (ticket.edges() instanceof Edges.Border border && border.caption().isPresent()) {
            throw new IllegalArgumentException("caption: expected the picture's words, got none");
        }
        return plan(facts, ticket, framing, MeasuredWords.NONE);
    }

    /** @param words of the caption and the mark, where the ticket asks for them */
    public static Planning plan(SourceFacts facts, Ticket ticket, Framing framing, MeasuredWords words) {
        return ticket.file() instanceof FileFormat.AsItIs
                ? planned(facts, ticket.withPpi(facts.across().orElse(ticket.ppi())), Framing.centred(), words)
                : planned(facts, ticket, framing, words);
    }

    private static Planning planned(SourceFacts facts, Ticket ticket, Framing framing, MeasuredWords words) {
        List<Problem> problems = new ArrayList<>(AsItIsRule.problems(ticket));
        problems.addAll(ProductCheck.problems(ticket));
        boolean isMade = !(ticket.file() instanceof FileFormat.AsItIs);
        if (isMade) {
            problems.addAll(ColourRule.problems(facts, ticket));
        }
        OptionalDouble printedPpi = printedPpi(facts, ticket);
        if (printedPpi.isEmpty()) {
            problems.add(PlanLimits.noPpi());
        }
        OrientedPicture seen = OrientedPicture.of(facts, framing);
        Layout layout =
                Layout.of(seen, ticket, framing, printedPpi.orElse(ticket.ppi().toPpi()));
        EdgeRule edges = EdgeRule.of(ticket, layout.sheet(), words.caption());
        if (isMade) {
            problems.addAll(PlanLimits.sizeProblems(layout.sheet(), edges.bands(), ticket));
        }
        problems.addAll(PlanLimits.paperProblems(layout, ticket));
        problems.addAll(edges.problems(layout.picture()));
        PixelRect shown = shown(layout, edges.bands());
        problems.addAll(MarkRule.problems(ticket, words.mark(), shown));
        SharpeningRule.problem(
                        ticket.sharpening(),
                        ticket.ppi(),
                        new BlurRule.Lie(layout.scale(), framing),
                        layout.picture().width())
                .ifPresent(problems::add);
        ProductCheck.problem(ticket, ticket.ppi().toPpi() * layout.scale()).ifPresent(problems::add);
        if (!problems.isEmpty()) {
            return new Planning.Refused(problems);
        }
        Optional<Marking> marking = MarkRule.marking(ticket, words.mark(), shown);
        Plan bare = assemble(facts, ticket, framing, seen, layout, edges, marking);
        Plan plan = bare.withGrowing(GrowingRule.of(ticket, bare));
        Optional<Problem> tooDeep = GrowingRule.problem(plan);
        if (tooDeep.isPresent()) {
            return new Planning.Refused(List.of(tooDeep.get()));
        }
        Plan told = KeptPixels.keepsItsCode(facts, plan) ? plan.withExpectedFileBytes(facts.fileBytes()) : plan;
        return new Planning.Ready(told, PlanNotices.of(facts, ticket, told));
    }

    /** The scale that the ticket asks for, the picture's own where it says so; any number where no scale is asked. */
    private static OptionalDouble printedPpi(SourceFacts facts, Ticket ticket) {
        if (ticket.size() instanceof Size.Sheet && ticket.fit() instanceof Fit.AtScale atScale) {
            return atScale.printed().or(facts::across).stream()
                    .mapToDouble(Resolution::toPpi)
                    .findFirst();
        }
        return OptionalDouble.of(ticket.ppi().toPpi());
    }

    /** What is seen of the picture, on the total. */
    private static PixelRect shown(Layout layout, Bands bands) {
        PixelRect picture = layout.picture();
        PixelSize sheet = layout.sheet();
        int left = Math.clamp(picture.x(), 0, sheet.width() - 1);
        int top = Math.clamp(picture.y(), 0, sheet.height() - 1);
        int right = Math.clamp(picture.right(), left + 1, sheet.width());
        int bottom = Math.clamp(picture.bottom(), top + 1, sheet.height());
        return bands.onTotal(new PixelRect(left, top, right - left, bottom - top));
    }

    private static Plan assemble(
            SourceFacts facts,
            Ticket ticket,
            Framing framing,
            OrientedPicture seen,
            Layout layout,
            EdgeRule edges,
            Optional<Marking> marking) {
        PixelRect picture = layout.picture();
        double scale = layout.scale();
        double centreX = layout.centreX();
        double centreY = layout.centreY();
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
        double bare = bareShare(window, seen.size(), ticket, framing);
        Extension extension = extension(ticket, layout, edges);
        Bands reach = bare > 0 ? Bands.NONE : reach(ticket, layout, window, seen.size(), extension.bands());
        Window reached = reach.isNone() ? window : Reach.reachedOut(window, reach);
        Resampling resampling = MethodRule.resolve(ticket.resampling(), window, seen.size(), facts);
        return new Plan(
                source,
                layout.sheet(),
                extension,
                marking,
                reach.isNone()
                        ? picture
                        : new PixelRect(
                                -reach.left(),
                                -reach.top(),
                                reach.around(layout.sheet()).width(),
                                reach.around(layout.sheet()).height()),
                reached,
                bare > 0 ? cornersFill(ticket, framing) : Corners.COVERED,
                resampling,
                SharpeningRule.settings(
                        ticket.sharpening(), ticket.ppi(), ticket.viewing(), new BlurRule.Lie(scale, framing)),
                colour,
                ticket.fit().paper(),
                ticket.ppi(),
                ticket.file(),
                ticket.metadata(),
                bits,
                bits == 8 ? ticket.rounding() : Rounding.NEAREST,
                ticket.shape().key(),
                new Plan.Limits(
                        OrientedPicture.limitsInOriginal(layout.limits(), framing), layout.travelX(), layout.travelY()),
                figures(facts, ticket, seen.size(), layout, bare, colour, extension.around(layout.sheet()), bits),
                Optional.empty(),
                MadeBy.of(resampling, reached));
    }

    private static Extension extension(Ticket ticket, Layout layout, EdgeRule edges) {
        Extension extension = edges.extension();
        if (ticket.fit().marks() == Fit.TrimMarks.NONE) {
            return extension;
        }
        List<Stroke> marks = new ArrayList<>(extension.marks());
        marks.addAll(Marks.ofTrim(extension.bands().onTotal(layout.picture()), ticket.ppi()));
        return extension.withMarks(marks);
    }

    /** What of a bleed that asks for the picture itself it has, where it covers the sheet. */
    private static Bands reach(Ticket ticket, Layout layout, Window window, PixelSize seen, Bands bands) {
        boolean asked = ticket.edges() instanceof Edges.Bleed(Length _, Length _, EdgeFill.Picture _);
        return asked && layout.picture().equals(PixelRect.whole(layout.sheet()))
                ? Reach.of(window, seen, bands)
                : Bands.NONE;
    }

    private static Plan.Figures figures(
            SourceFacts facts,
            Ticket ticket,
            PixelSize seen,
            Layout layout,
            double bare,
            ColourPath colour,
            PixelSize total,
            int bits) {
        double scale = layout.scale();
        double realPpi = ticket.ppi().toPpi() * scale;
        Optional<Double> heldPpi = facts.detail().heldShare().map(share -> share * realPpi);
        double worthPpi = Verdict.worthPpi(realPpi, heldPpi);
        double frameWidth = Math.min(scale * layout.picture().width(), seen.width());
        double frameHeight = Math.min(scale * layout.picture().height(), seen.height());
        double shown =
                scale * layout.picture().width() * scale * layout.picture().height() * (1 - bare);
        return new Plan.Figures(
                realPpi,
                heldPpi,
                Verdict.of(worthPpi, ticket.viewing()),
                frameWidth,
                frameHeight,
                Math.clamp(1 - shown / seen.pixels(), 0, 1),
                bare,
                worthPpi / Verdict.finePpi(ticket.viewing()),
                total.bytes(colour.to().model().channels(), bits / 8),
                FileSizeEstimate.expectedFileBytes(
                        facts,
                        1 / scale,
                        total,
                        pictureShare(layout),
                        colour.to().model(),
                        ticket.file(),
                        bits));
    }

    /** Share of the sheet that shows the picture; of a cut picture it is all of it. */
    private static double pictureShare(Layout layout) {
        double picture = (double) layout.picture().width() * layout.picture().height();
        return Math.min(1, picture / layout.sheet().pixels());
    }

    /** Share of the picture's place on the sheet that the tilted picture leaves bare. */
    private static double bareShare(Window window, PixelSize seen, Ticket ticket, Framing framing) {
        boolean mayHangOver = framing.corners() != Corners.COVERED || ticket.fit() instanceof Fit.Placed;
        if (!mayHangOver || !window.isTilted()) {
            return 0;
        }
        int width = window.output().width();
        int height = window.output().height();
        double[][] corners = new double[4][];
        int[][] ends = {{0, 0}, {width, 0}, {width, height}, {0, height}};
        for (int i = 0; i < 4; i++) {
            corners[i] = new double[] {window.seenX(ends[i][0], ends[i][1]), window.seenY(ends[i][0], ends[i][1])};
        }
        double frame = window.scale() * width * window.scale() * height;
        double share = 1 - Overlap.area(seen, corners) / frame;
        return share > LEAST_BARE ? share : 0;
    }

    private static Corners cornersFill(Ticket ticket, Framing framing) {
        boolean isPaperBeside = ticket.fit() instanceof Fit.Inside && ticket.size() instanceof Size.Sheet;
        boolean isGrownOntoPaper = isPaperBeside && framing.corners() == Corners.GROWN;
        return ticket.fit() instanceof Fit.Placed || isGrownOntoPaper ? Corners.PAPER : framing.corners();
    }

    private static double onWholePixels(double centre, int output, int seen) {
        long origin = Math.round(centre - output / 2.0);
        return Math.clamp(origin, 0, Math.max(0, seen - output)) + output / 2.0;
    }

    private static ColourPath colourPath(SourceFacts facts, Ticket ticket) {
        ProfileRef from = sourceProfile(facts);
        return switch (ticket.colour()) {
            case OutputColour.Keep _ -> new ColourPath(from, from);
            case OutputColour.Assign(ProfileRef profile) -> new ColourPath(profile, profile);
            case OutputColour.Convert(ProfileRef profile, Rendering rendering) ->
                new ColourPath(from, profile, rendering);
        };
    }

    /** The picture's own profile, or the one assumed for pictures of which nothing is known. */
    public static ProfileRef sourceProfile(SourceFacts facts) {
        ColourModel model = facts.colour().model();
        if (facts.colour().profile().isPresent()) {
            return new ProfileRef.Icc(facts.colour().profile().get().digest(), model);
        }
        return model == ColourModel.GREY ? new ProfileRef.AssumedGrey() : new ProfileRef.Srgb();
    }
}
