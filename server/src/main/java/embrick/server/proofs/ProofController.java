package embrick.server.proofs;

import embrick.core.contours.Contours.Spot;
import embrick.core.gamut.GamutLoss;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.plan.ReducedPlan;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.PlanRequest;
import embrick.server.framings.Plans;
import embrick.server.originals.Original;
import embrick.server.originals.PictureProblems;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.proofs.ProofPictures.Look;
import embrick.server.proofs.ProofPictures.Proof;
import embrick.server.proofs.ProofPictures.Show;
import embrick.server.proofs.ProofPictures.Shown;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.PictureWork;
import embrick.server.web.HttpAsker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Output pixels for the screen, before any file is made. */
@RestController
@RequestMapping("/api/v1")
class ProofController {
    /** The halo of the part that was asked for, in per cent; not there where nothing is sharpened. */
    static final String HALO_HEADER = "Embrick-Halo-Percent";

    private static final int MOST_SIDE = 2400;

    /** Longest side of the small picture that places are looked for on. */
    private static final int SMALL_EDGE = 1800;

    private final Plans plans;
    private final ProofPictures proofs;
    private final SoftProof softProof;
    private final LearnedMap learnedMap;
    private final SmallPictures smallPictures;
    private final PictureWork work;
    private final GrownForProof grown;

    ProofController(
            Plans plans,
            ProofPictures proofs,
            SoftProof softProof,
            LearnedMap learnedMap,
            SmallPictures smallPictures,
            PictureWork work,
            GrownForProof grown) {
        this.grown = grown;
        this.smallPictures = smallPictures;
        this.work = work;
        this.plans = plans;
        this.proofs = proofs;
        this.softProof = softProof;
        this.learnedMap = learnedMap;
    }

    /** In pixels of the sheet, or of the reduced sheet. */
    record Region(
            @Min(0) int x,
            @Min(0) int y,
            @Min(1) @Max(MOST_SIDE) int width,
            @Min(1) @Max(MOST_SIDE) int height) {
        PixelRect inside(Plan plan) {
            PixelRect part = new PixelRect(x, y, width, height);
            if (!part.isInside(plan.total())) {
                throw ProblemException.invalid(
                        "outside-sheet",
                        "region",
                        "region: expected inside " + plan.total() + " px, got " + width + " × " + height + " at " + x
                                + ", " + y,
                        "Ask for a part of the sheet.");
            }
            return part;
        }
    }

    record ProofRequest(
            @NotNull @Valid TicketDocument ticket,
            @Schema(nullable = true) @Valid FramingDocument framing,
            @Schema(nullable = true) @Valid OverrideDocument override,
            @NotNull @Valid Region region,
            @NotNull Show show,
            @NotNull Look look,

            @Schema(nullable = true) @DecimalMin("1") @DecimalMax("1000")
            Double reduction) {
        Plans.Wish wish() {
            return Plans.Wish.of(ticket, framing, override);
        }
    }

    /**
     * A part of the piece that a ticket makes of a picture, as PNG in the piece's own profile and depth. Without a
     * reduction it is the piece's own pixels; with one, so many of them go to one of the sheet that is shown.
     */
    @PostMapping(path = "/originals/{id}/proof", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> renderProof(
            @PathVariable UUID id, @Valid @RequestBody ProofRequest request, HttpServletRequest http)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        double reduction = request.reduction() == null ? 1 : request.reduction();
        Plan whole = planned.requirePlan();
        Plan plan = ReducedPlan.of(whole, reduction);
        requireShowable(plan, request.look());
        PixelRect part = request.region().inside(plan);
        Optional<GrownLayer> background = grown.layer(planned, whole, plan);
        Shown shown = new Shown(request.show(), request.look(), HttpAsker.of(http));
        Proof proof = made(
                planned,
                http,
                () -> proofs.make(
                        planned.original().place(), planned.facts(), plan, background, part, shown, reduction));
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok().cacheControl(CacheControl.noStore());
        proof.halo().ifPresent(halo -> answer.header(HALO_HEADER, Double.toString(halo.percent())));
        return answer.body(proof.png());
    }

    private static void requireShowable(Plan plan, Look look) {
        if (look == Look.OWN && plan.colour().to().model() == ColourModel.CMYK) {
            throw ProblemException.invalid(
                    "inks-on-screen",
                    "look",
                    "Four inks cannot be sent as PNG in their own numbers.",
                    "Ask for the look on paper or on white.");
        }
    }

    /**
     * A picture to lay over the same proof: stripes where the paper cannot print the picture's colour, else see-through.
     */
    @PostMapping(path = "/originals/{id}/gamut-check", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> checkGamut(
            @PathVariable UUID id, @Valid @RequestBody ProofRequest request, HttpServletRequest http)
            throws IOException {
        return overlay(id, request, http, softProof::marks);
    }

    /**
     * A picture to lay over the same proof: tinted where the detail of an enlarged picture was learned, the more the stronger;
     * stripes where more was found than the pixels round it bear out, and was not let stand.
     */
    @PostMapping(path = "/originals/{id}/learned-map", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> mapLearned(
            @PathVariable UUID id, @Valid @RequestBody ProofRequest request, HttpServletRequest http)
            throws IOException {
        return overlay(id, request, http, learnedMap::of);
    }

    /** Draws what is laid over a part of a proof. */
    private interface Drawing {
        byte[] draw(OriginalPlace place, SourceFacts facts, Plan plan, PixelRect part) throws IOException;
    }

    private ResponseEntity<byte[]> overlay(UUID id, ProofRequest request, HttpServletRequest http, Drawing drawing)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        double reduction = request.reduction() == null ? 1 : request.reduction();
        Plan plan = ReducedPlan.of(planned.requirePlan(), reduction);
        PixelRect part = request.region().inside(plan);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(made(planned, http, () -> drawing.draw(planned.original().place(), planned.facts(), plan, part)));
    }

    /**
     * What of a picture's colours its print loses.
     *
     * @param unprintableShare of the picture whose colour the output cannot have, 0 to 1
     * @param meanDifference ΔE00 between picture and print over all of it, each against its own white
     * @param pixels of a reduced print that were looked at
     */
    record LossView(double unprintableShare, double meanDifference, long pixels) {}

    @PostMapping("/originals/{id}/gamut-loss")
    LossView getGamutLoss(@PathVariable UUID id, @Valid @RequestBody PlanRequest request, HttpServletRequest http)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        planned.requirePlan();
        GamutLoss loss = made(planned, http, () -> softProof.loss(planned, again(planned)));
        return new LossView(loss.share(), loss.meanDifference(), loss.pixels());
    }

    /** A place of the sheet, in its pixels, with its strength: 1 for the picture's strongest. */
    record ContourView(int x, int y, double strength) {}

    /** Where the piece has its strongest contours, the strongest first. */
    @PostMapping("/originals/{id}/contours")
    List<ContourView> findContours(
            @PathVariable UUID id, @Valid @RequestBody PlanRequest request, HttpServletRequest http)
            throws IOException {
        Plans.Planned planned = plans.of(id, request.wish());
        Plan plan = planned.requirePlan();
        Optional<ProofPictures.Again> again = again(planned);
        List<Spot> found = again.isPresent()
                ? contoursOfSmall(planned, plan, again.get(), http)
                : made(planned, http, () -> proofs.contours(planned.original().place(), planned.facts(), plan));
        return found.stream()
                .map(spot -> new ContourView(spot.x(), spot.y(), spot.strength()))
                .toList();
    }

    private List<Spot> contoursOfSmall(
            Plans.Planned planned, Plan plan, ProofPictures.Again again, HttpServletRequest http) throws IOException {
        Original original = planned.original();
        Path small = PictureProblems.naming(
                original, () -> smallPictures.get(original.place(), planned.facts(), SMALL_EDGE, HttpAsker.of(http)));
        return made(planned, http, () -> proofs.contours(small, plan, again));
    }

    /** Only a sheet has its pixels whatever the picture's are. */
    private Optional<ProofPictures.Again> again(Plans.Planned planned) {
        boolean isSameSheet = planned.ticket().size() instanceof Size.Sheet
                && !(planned.ticket().fit() instanceof Fit.Placed);
        return isSameSheet ? Optional.of(opened -> plans.reduced(planned, opened)) : Optional.empty();
    }

    /** Has a picture worked on in its turn; what is wrong with it is told by its name. */
    private <T> T made(Plans.Planned planned, HttpServletRequest http, PictureWork.Work<T> making) throws IOException {
        return PictureProblems.naming(planned.original(), () -> work.promptly(HttpAsker.of(http), making));
    }
}
