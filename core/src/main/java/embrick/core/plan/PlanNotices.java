package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.framing.Framing.Corners;
import embrick.core.pixels.ColourModel;
import embrick.core.resample.Resampling.Light;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Measure;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What somebody should know of a plan that can be carried out. */
final class PlanNotices {
    private PlanNotices() {}

    static List<Notice> of(SourceFacts facts, Ticket ticket, Plan plan) {
        if (ticket.file() instanceof FileFormat.AsItIs) {
            // Nothing is made of it: there is nothing to say.
            return List.of();
        }
        List<Notice> notices = new ArrayList<>(ColourRule.notices(facts, ticket));
        if (facts.pages() == SourceFacts.Pages.FIRST_OF_SEVERAL) {
            notices.add(new Notice("first-page", "the file has several pictures: the first is used"));
        }
        Verdict verdict = plan.figures().verdict();
        if (verdict != Verdict.FINE) {
            notices.add(new Notice("real-ppi", tooFewPixels(ticket, plan)));
        }
        if (plan.window().scale() < 1) {
            notices.add(new Notice(
                    "enlarged",
                    String.format(
                            Locale.ROOT,
                            "enlarged %.1f times: %s",
                            1 / plan.window().scale(),
                            switch (plan.resampling().method()) {
                                case LEARNED -> "edges are drawn sharper, nothing is made up";
                                case LEARNED_SOFTENING ->
                                    "edges are drawn sharper and the marks of JPEG softened, nothing is made up";
                                default -> "new pixels, no new detail";
                            })));
        }
        if (ticket.mark().isPresent() && ticket.size() instanceof Size.OnPaper) {
            notices.add(new Notice("mark-on-print", "a mark is drawn over a print: marks are for screens"));
        }
        kept(ticket, plan).ifPresent(notices::add);
        KeptPixels.notice(facts, plan).ifPresent(notices::add);
        if (ticket.fit() instanceof Fit.Cut && !plan.picture().covers(plan.sheet())) {
            notices.add(new Notice(
                    "smaller-than-cut",
                    plan.seen() + " px are less than the " + plan.sheet()
                            + " px to cut: paper shows round the picture"));
        }
        if (plan.corners() != Corners.COVERED) {
            notices.add(new Notice(
                    "corners-bare",
                    String.format(
                            Locale.ROOT,
                            "the tilted picture leaves %.1f %% of its place bare: %s",
                            plan.figures().bareShare() * 100,
                            switch (plan.corners()) {
                                case PAPER -> "paper shows there";
                                case GROWN -> "background is grown there";
                                case COVERED, DRAWN_OUT -> "its edge is drawn out";
                            })));
        }
        if (plan.growing().isPresent()) {
            notices.add(new Notice(
                    "background-grown", "background is grown from the picture's own texture: look at it in the proof"));
        }
        if (ticket.edges() instanceof Edges.Bleed(Length _, Length _, EdgeFill.Picture _)
                && !plan.bandsRoundGround().isNone()) {
            notices.add(new Notice("bleed-filled", filledText(plan)));
        }
        if (ticket.resampling().light() == Light.LINEAR && facts.colour().model() == ColourModel.CMYK) {
            notices.add(new Notice("not-light", "mixed as encoded: amounts of ink are no light"));
        }
        return notices;
    }

    /** Where a picture is less sharp than its pixels would let it be, that is what is told. */
    private static String tooFewPixels(Ticket ticket, Plan plan) {
        Plan.Figures figures = plan.figures();
        boolean isUnsharp = figures.verdict().compareTo(Verdict.of(figures.realPpi(), ticket.viewing())) > 0;
        return String.format(
                Locale.ROOT,
                isUnsharp
                        ? "holds detail up to %.0f ppi only, where %d are wanted: %s"
                        : "%.0f ppi real where %d are wanted: %s",
                isUnsharp ? figures.heldPpi().get() : figures.realPpi(),
                ticket.viewing().ppiNeeded(),
                figures.verdict() == Verdict.SOFT
                        ? "soft"
                        : isUnsharp ? "too unsharp for this size" : "too small for this size");
    }

    /** A picture with fewer pixels than a measure asks for, which may not be enlarged to it. */
    private static Optional<Notice> kept(Ticket ticket, Plan plan) {
        if (!(ticket.size() instanceof Size.Scaled(Measure measure, Size.Enlarging enlarging))
                || enlarging == Size.Enlarging.ALLOWED
                || plan.window().scale() != 1) {
            return Optional.empty();
        }
        PixelSize kept = plan.sheet();
        PixelSize asked = MeasureRule.asked(measure, kept.width(), kept.height(), ticket.ppi());
        return asked.pixels() <= kept.pixels()
                ? Optional.empty()
                : Optional.of(new Notice(
                        "not-enlarged",
                        "keeps its " + kept + " px where " + asked + " px are asked for: it is not to be enlarged"));
    }

    /** On which sides, and how far, a bleed of the picture itself had to be filled another way. */
    private static String filledText(Plan plan) {
        Bands filled = plan.bandsRoundGround();
        double millimetres = 25.4 / plan.marked().toPpi();
        List<String> sides = new ArrayList<>();
        side(sides, "at the left", filled.left(), millimetres);
        side(sides, "at the top", filled.top(), millimetres);
        side(sides, "at the right", filled.right(), millimetres);
        side(sides, "at the bottom", filled.bottom(), millimetres);
        return "the picture does not reach into all of the bleed: mirrored " + String.join(", ", sides);
    }

    private static void side(List<String> sides, String name, int pixels, double millimetres) {
        if (pixels > 0) {
            sides.add(String.format(Locale.ROOT, "%.1f mm %s", pixels * millimetres, name));
        }
    }
}
