package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.framing.LevelLine;
import embrick.core.names.NameAllotment.Allotment;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Verdict;
import embrick.core.problem.Problem;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.tickets.TicketService;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Framings, and the plans a ticket makes of pictures. */
@RestController
@RequestMapping("/api/v1")
class FramingController {
    private final FramingService framings;
    private final Estimate estimate;
    private final Plans plans;
    private final OverrideService overrides;
    private final TicketService tickets;

    FramingController(
            FramingService framings, OverrideService overrides, TicketService tickets, Estimate estimate, Plans plans) {
        this.tickets = tickets;
        this.framings = framings;
        this.overrides = overrides;
        this.estimate = estimate;
        this.plans = plans;
    }

    @GetMapping("/jobs/{jobId}/framings")
    List<FramingView> listFramings(@PathVariable UUID jobId, @RequestParam String shape) {
        return framings.of(jobId, FramingService.shapeKey(shape));
    }

    /** What pictures have of their own under a ticket. */
    @GetMapping("/tickets/{ticketId}/overrides")
    List<OverrideView> listOverrides(@PathVariable UUID ticketId) {
        tickets.get(ticketId);
        return overrides.of(ticketId);
    }

    record Point(double x, double y) {}

    /** @param from one end of the line in the picture as it is seen untilted, in pixels or any other even unit */
    record LevelRequest(
            @NotNull @Valid FramingDocument framing,
            @NotNull Point from,
            @NotNull Point to) {}

    /** The framing that brings a line level or upright, the nearer, with the loosest frame there is then. */
    @PostMapping("/framings/level")
    FramingDocument levelFraming(@Valid @RequestBody LevelRequest request) {
        Framing framing = request.framing().toFraming();
        try {
            double tilt = LevelLine.tilt(
                    request.to().x() - request.from().x(),
                    request.to().y() - request.from().y());
            return FramingDocument.of(framing.withTilt(tilt).withTightness(1));
        } catch (IllegalArgumentException wrong) {
            throw ProblemException.invalid(
                    "level-line", "framing", wrong.getMessage(), "Draw the line from one place to another.");
        }
    }

    /** The plan of one picture under a ticket, with a framing that need not be stored. */
    @PostMapping("/originals/{id}/plan")
    PlanView planPiece(@PathVariable UUID id, @Valid @RequestBody PlanRequest request) {
        Plans.Planned planned = plans.of(id, request.wish());
        return PlanView.of(planned.planning(), planned.ticket());
    }

    record EstimateRequest(
            @NotNull @Valid TicketDocument ticket,
            @NotNull String jobName,
            @Schema(nullable = true) UUID ticketId) {}

    record PictureEstimate(
            @NotNull UUID originalId,
            @NotNull String name,
            int width,
            int height,
            double realPpi,
            @Schema(nullable = true) Double heldPpi,
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) PlanView.ResamplingView resampling,
            @Schema(nullable = true) PlanView.SharpeningView sharpening,
            long expectedFileBytes,
            long unpackedBytes,
            @NotNull List<PlanView.NoticeView> notices,
            @NotNull List<Problem> problems,

            @Schema(
                    description = "What keeps it from being made, although it is planned; null for nothing",
                    nullable = true)
            Problem held) {}

    record EstimateView(
            @NotNull String shapeKey,
            @NotNull List<PictureEstimate> pictures,
            @NotNull List<PlanView.NoticeView> nameNotices,
            @NotNull List<Problem> nameProblems) {}

    /** What a ticket, stored or not, means for each picture of a job. */
    @PostMapping("/jobs/{jobId}/estimate")
    EstimateView estimateJob(@PathVariable UUID jobId, @Valid @RequestBody EstimateRequest request) {
        Estimate.Whole whole = estimate.of(
                jobId,
                request.jobName(),
                new Estimate.Ordered(request.ticket(), Optional.ofNullable(request.ticketId())),
                Optional.empty());
        List<PlanView.NoticeView> notices = List.of();
        List<Problem> problems = List.of();
        switch (whole.names()) {
            case Allotment.Allotted allotted ->
                notices =
                        allotted.notices().stream().map(PlanView.NoticeView::of).toList();
            case Allotment.Refused refused ->
                problems = refused.problems().stream().toList();
        }
        String shape = TicketDocuments.toTicket(request.ticket()).shape().key();
        return new EstimateView(
                shape, whole.entries().stream().map(FramingController::picture).toList(), notices, problems);
    }

    private static PictureEstimate picture(Estimate.Entry entry) {
        UUID id = entry.original().id();
        return switch (entry.planned()) {
            case Estimate.Planned.Unusable unusable ->
                new PictureEstimate(
                        id,
                        entry.name(),
                        0,
                        0,
                        0,
                        null,
                        null,
                        null,
                        null,
                        0,
                        0,
                        List.of(),
                        List.of(unusable.problem()),
                        null);
            case Estimate.Planned.Plannable plannable ->
                switch (plannable.planning()) {
                    case Planning.Ready ready -> {
                        Plan plan = ready.plan();
                        yield new PictureEstimate(
                                id,
                                entry.name(),
                                plan.total().width(),
                                plan.total().height(),
                                plan.figures().realPpi(),
                                plan.figures().heldPpi().orElse(null),
                                plan.figures().verdict(),
                                PlanView.ResamplingView.of(plan),
                                plan.sharpening()
                                        .map(sharpening -> PlanView.SharpeningView.of(sharpening, plan))
                                        .orElse(null),
                                plan.figures().expectedFileBytes(),
                                plan.figures().unpackedBytes(),
                                ready.notices().stream()
                                        .map(PlanView.NoticeView::of)
                                        .toList(),
                                List.of(),
                                plannable.held().orElse(null));
                    }
                    case Planning.Refused refused ->
                        new PictureEstimate(
                                id,
                                entry.name(),
                                0,
                                0,
                                0,
                                null,
                                null,
                                null,
                                null,
                                0,
                                0,
                                List.of(),
                                refused.problems().stream().toList(),
                                null);
                };
        };
    }
}
