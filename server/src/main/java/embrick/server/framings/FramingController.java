package embrick.server.framings;

import embrick.core.names.NameAllotment.Allotment;
import embrick.core.plan.Planning;
import embrick.core.plan.Verdict;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.IfMatch;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Framings, and the plans a ticket makes of pictures. */
@RestController
@RequestMapping("/api/v1")
class FramingController {
    private final FramingService framings;
    private final Outlook outlook;
    private final Plans plans;
    private final StoredJson json;

    FramingController(FramingService framings, Outlook outlook, Plans plans, StoredJson json) {
        this.framings = framings;
        this.outlook = outlook;
        this.plans = plans;
        this.json = json;
    }

    record FramingView(
            @NotNull UUID originalId,
            @NotNull String shapeKey,
            boolean accepted,
            long version,
            @NotNull FramingDocument document) {}

    record FramingChange(@NotNull @Valid FramingDocument document, boolean accepted) {}

    @GetMapping("/jobs/{jobId}/framings")
    List<FramingView> list(@PathVariable UUID jobId, @RequestParam String shape) {
        return framings.of(jobId, shape).stream().map(this::view).toList();
    }

    /** {@code If-Match} carries the version looked at, {@code "-1"} where the picture had no framing yet. */
    @PutMapping("/originals/{id}/framings/{shape}")
    ResponseEntity<FramingView> keep(
            @PathVariable UUID id,
            @PathVariable String shape,
            @RequestHeader("If-Match") String ifMatch,
            @Valid @RequestBody FramingChange change) {
        long version = IfMatch.version(ifMatch, "framing");
        FramingEntity framing = framings.keep(id, shape, version, change.document(), change.accepted());
        return ResponseEntity.ok().eTag("\"" + framing.version() + "\"").body(view(framing));
    }

    record PlanRequest(
            @NotNull @Valid TicketDocument ticket,
            @Schema(nullable = true) @Valid FramingDocument framing) {}

    /** The plan of one picture under a ticket, with a framing that need not be stored. */
    @PostMapping("/originals/{id}/plan")
    PlanView plan(@PathVariable UUID id, @Valid @RequestBody PlanRequest request) {
        return PlanView.of(plans.of(id, request.ticket(), Optional.ofNullable(request.framing()))
                .planning());
    }

    record OutlookRequest(
            @NotNull @Valid TicketDocument ticket, @NotNull String jobName) {}

    record PictureOutlook(
            @NotNull UUID originalId,
            @NotNull String name,
            int width,
            int height,
            double realPpi,
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) PlanView.ResamplingView resampling,
            @Schema(nullable = true) PlanView.LiftView lift,
            long expectedFileBytes,
            long unpackedBytes,
            @NotNull List<PlanView.NoticeView> notices,
            @NotNull List<PlanView.PlanProblem> problems) {}

    record OutlookView(
            @NotNull String shapeKey,
            @NotNull List<PictureOutlook> pictures,
            @NotNull List<PlanView.NoticeView> nameNotices,
            @NotNull List<PlanView.PlanProblem> nameProblems) {}

    /** What a ticket, stored or not, means for each picture of a job. */
    @PostMapping("/jobs/{jobId}/outlook")
    OutlookView outlook(@PathVariable UUID jobId, @Valid @RequestBody OutlookRequest request) {
        Outlook.Whole whole = outlook.of(jobId, request.jobName(), request.ticket(), List.of());
        List<PlanView.NoticeView> notices = List.of();
        List<PlanView.PlanProblem> problems = List.of();
        switch (whole.names()) {
            case Allotment.Allotted allotted ->
                notices =
                        allotted.notices().stream().map(PlanView.NoticeView::of).toList();
            case Allotment.Refused refused ->
                problems = refused.problems().stream()
                        .map(PlanView.PlanProblem::of)
                        .toList();
        }
        String shape = TicketDocuments.toTicket(request.ticket()).shape().key();
        return new OutlookView(
                shape, whole.entries().stream().map(FramingController::picture).toList(), notices, problems);
    }

    private static PictureOutlook picture(Outlook.Entry entry) {
        UUID id = entry.original().id();
        return switch (entry.planned()) {
            case Outlook.Planned.Unusable unusable ->
                new PictureOutlook(
                        id,
                        entry.name(),
                        0,
                        0,
                        0,
                        null,
                        null,
                        null,
                        0,
                        0,
                        List.of(),
                        List.of(new PlanView.PlanProblem(
                                unusable.trouble().code(),
                                "picture",
                                unusable.trouble().text(),
                                unusable.trouble().remedy())));
            case Outlook.Planned.Plannable plannable ->
                switch (plannable.planning()) {
                    case Planning.Ready ready -> {
                        PlanView.PlanNumbers plan = PlanView.PlanNumbers.of(ready.plan());
                        yield new PictureOutlook(
                                id,
                                entry.name(),
                                plan.width(),
                                plan.height(),
                                plan.realPpi(),
                                plan.verdict(),
                                plan.resampling(),
                                plan.lift(),
                                plan.expectedFileBytes(),
                                plan.unpackedBytes(),
                                ready.notices().stream()
                                        .map(PlanView.NoticeView::of)
                                        .toList(),
                                List.of());
                    }
                    case Planning.Refused refused ->
                        new PictureOutlook(
                                id,
                                entry.name(),
                                0,
                                0,
                                0,
                                null,
                                null,
                                null,
                                0,
                                0,
                                List.of(),
                                refused.problems().stream()
                                        .map(PlanView.PlanProblem::of)
                                        .toList());
                };
        };
    }

    private FramingView view(FramingEntity framing) {
        return new FramingView(
                framing.originalId(),
                framing.shapeKey(),
                framing.isAccepted(),
                framing.version(),
                json.framing(framing.document()));
    }
}
