package embrick.server.found;

import embrick.core.folds.FoldGuard;
import embrick.core.folds.FoldGuard.Look;
import embrick.core.folds.FoldGuard.Offer;
import embrick.core.folds.FoldGuard.Place;
import embrick.core.folds.Side;
import embrick.core.plan.Plan;
import embrick.server.documents.FramingDocument;
import embrick.server.framings.PlanRequest;
import embrick.server.framings.Plans;
import embrick.server.problems.ProblemException;
import embrick.server.web.HttpAsker;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What of a picture comes near the folds of its wrap, or the trim inside its bleed, and what would clear them. */
@RestController
@RequestMapping("/api/v1")
class CrossingsController {
    private static final double MILLIMETRES_PER_INCH = 25.4;
    /** Places that are told: more would be marks all round. */
    private static final int WORST = 6;

    private final Plans plans;
    private final Findings findings;

    CrossingsController(Plans plans, Findings findings) {
        this.plans = plans;
        this.findings = findings;
    }

    /**
     * Strong detail near a line at which the sheet is cut or folded.
     *
     * @param millimetres from the line to the nearest of it
     * @param share of the line's length beside which there is any, 0 to 1
     */
    record CrossingView(@NotNull Side side, double millimetres, double share) {}

    /**
     * One place of it.
     *
     * @param from share of the side at which it begins, from the left or the top, {@code to} likewise
     */
    record CrossingPlace(@NotNull Side side, double from, double to, double millimetres) {}

    /**
     * @param withinMillimetres of each line is looked at; 0 where the ticket has no line to keep clear of
     * @param figure 0 where all lines are clear, up to 100 where strong detail lies on one
     * @param places the worst, nearest first
     */
    record CrossingsView(
            double withinMillimetres,
            int figure,
            @NotNull List<CrossingView> crossings,
            @NotNull List<CrossingPlace> places) {}

    @PostMapping("/originals/{id}/crossings")
    CrossingsView findCrossings(@PathVariable UUID id, @Valid @RequestBody PlanRequest request, HttpServletRequest http)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        double within = KeptClear.millimetres(planned.ticket());
        if (within == 0) {
            return new CrossingsView(0, 0, List.of(), List.of());
        }
        Plan plan = planned.requirePlan();
        double perPixel = millimetresPerPixel(plan);
        Look look = guard(planned, plan, within, http).look();
        List<CrossingPlace> places = look.places().stream()
                .limit(WORST)
                .map(place -> new CrossingPlace(place.side(), place.from(), place.end(), place.distance() * perPixel))
                .toList();
        return new CrossingsView(within, look.figure(), bySide(look.places(), perPixel), places);
    }

    private static List<CrossingView> bySide(List<Place> places, double perPixel) {
        Map<Side, List<Place>> sides = places.stream().collect(Collectors.groupingBy(Place::side));
        return sides.entrySet().stream()
                .map(side -> new CrossingView(
                        side.getKey(),
                        side.getValue().stream()
                                        .mapToDouble(Place::distance)
                                        .min()
                                        .orElseThrow()
                                * perPixel,
                        side.getValue().stream()
                                .mapToDouble(place -> place.end() - place.from())
                                .sum()))
                .sorted(Comparator.comparing(CrossingView::side))
                .toList();
    }

    /**
     * @param acrossMillimetres by which the sheet moves to the right over the picture, {@code downMillimetres} likewise
     * @param looserPercent by how much more of each side of the picture is shown
     */
    record CrossingsOffer(
            @NotNull FramingDocument framing, double acrossMillimetres, double downMillimetres, double looserPercent) {}

    /** The smallest move, loosening or both that clears the lines. Nothing is stored. */
    @PostMapping("/originals/{id}/crossings/offer")
    CrossingsOffer offerClearFolds(
            @PathVariable UUID id, @Valid @RequestBody PlanRequest request, HttpServletRequest http)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        double within = KeptClear.millimetres(planned.ticket());
        if (within == 0) {
            throw ProblemException.invalid(
                    "no-line", "edges", "The ticket has no fold or trim to keep clear of.", "Nothing has to be done.");
        }
        Plan plan = planned.requirePlan();
        Offer offer = guard(planned, plan, within, http)
                .offer()
                .orElseThrow(() -> ProblemException.invalid(
                        "no-clear-framing",
                        planned.original().path(),
                        "No small move and no looser frame clears the lines of "
                                + planned.original().path() + ".",
                        "Frame it by hand, or fill the sides of the wrap with something else than the picture."));
        double perPixel = millimetresPerPixel(plan);
        return new CrossingsOffer(
                FramingDocument.of(offer.framing()),
                offer.across() * perPixel,
                offer.down() * perPixel,
                100 * (offer.looser() - 1));
    }

    private FoldGuard guard(Plans.Planned planned, Plan plan, double millimetres, HttpServletRequest http)
            throws IOException {
        return new FoldGuard(
                findings.pixels(planned.original().id(), HttpAsker.of(http)),
                plan,
                planned.framing(),
                millimetres / millimetresPerPixel(plan));
    }

    private static double millimetresPerPixel(Plan plan) {
        return MILLIMETRES_PER_INCH / plan.marked().toPpi();
    }
}
