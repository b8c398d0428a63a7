package embrick.server.acts;

import embrick.server.acts.ActService.Outcome;
import embrick.server.documents.DepartureDocument;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.framings.DepartureView;
import embrick.server.framings.FramingService;
import embrick.server.framings.FramingView;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.problems.IfMatch;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Acts on framings: done, undone, redone. */
@RestController
@RequestMapping("/api/v1")
class ActController {
    private static final int MOST_CHANGES = 20_000;

    private final ActService acts;
    private final OriginalRepository originals;

    ActController(ActService acts, OriginalRepository originals) {
        this.acts = acts;
        this.originals = originals;
    }

    /** @param words what is done, for people */
    record ActRequest(
            @NotNull @Size(min = 1, max = 120) String words,
            @NotNull @Size(max = MOST_CHANGES) List<@NotNull @Valid FramingWish> framings,
            @NotNull @Size(max = MOST_CHANGES) List<@NotNull @Valid DepartureWish> departures) {}

    record ActView(@NotNull UUID id, @NotNull String words) {
        static ActView of(ActEntity act) {
            return new ActView(act.id(), act.words());
        }
    }

    record HistoryView(
            @Schema(nullable = true) ActView undo,
            @Schema(nullable = true) ActView redo) {}

    record ActOutcome(
            @NotNull List<FramingView> framings,
            @NotNull List<DepartureView> departures,
            @NotNull HistoryView history) {}

    /** The act that would be undone next, and the one that would be redone. */
    @GetMapping("/jobs/{jobId}/acts")
    HistoryView history(@PathVariable UUID jobId) {
        ActService.History history = acts.history(jobId);
        return new HistoryView(
                history.undo().map(ActView::of).orElse(null),
                history.redo().map(ActView::of).orElse(null));
    }

    /** All of it is done or, where a picture was changed since it was looked at, nothing. */
    @PostMapping("/jobs/{jobId}/acts")
    ActOutcome act(@PathVariable UUID jobId, @Valid @RequestBody ActRequest request) {
        request.departures().forEach(change -> requireSense(change.document()));
        return outcome(jobId, acts.act(jobId, request.words(), request.framings(), request.departures()));
    }

    /** A departure's values are judged as a ticket's are. */
    private static void requireSense(DepartureDocument departure) {
        TicketDocuments.toTicket(departure.appliedTo(TicketDocuments.standard()));
    }

    @PostMapping("/jobs/{jobId}/acts/{actId}/undo")
    ActOutcome undo(@PathVariable UUID jobId, @PathVariable UUID actId) {
        return outcome(jobId, acts.undo(jobId, actId));
    }

    @PostMapping("/jobs/{jobId}/acts/{actId}/redo")
    ActOutcome redo(@PathVariable UUID jobId, @PathVariable UUID actId) {
        return outcome(jobId, acts.redo(jobId, actId));
    }

    record FramingContent(@NotNull @Valid FramingDocument document, boolean accepted) {}

    /**
     * One framing, as an act of its own. {@code If-Match} carries the version looked at; {@code If-None-Match: *} says that
     * the picture had none yet for this shape.
     */
    @PutMapping("/originals/{id}/framings/{shape}")
    ResponseEntity<FramingView> keep(
            @PathVariable UUID id,
            @PathVariable String shape,
            @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @RequestHeader(name = "If-None-Match", required = false) String ifNoneMatch,
            @Valid @RequestBody FramingContent content) {
        long version = IfMatch.version(ifMatch, ifNoneMatch, "framing");
        Original original = originals.findById(id).orElseThrow(() -> ProblemException.notFound("original"));
        Outcome outcome = acts.act(
                original.jobId(),
                "framed",
                List.of(new FramingWish(
                        id, FramingService.shapeKey(shape), version, content.document(), content.accepted())),
                List.of());
        FramingView framing = outcome.framings().getFirst();
        return ResponseEntity.ok().eTag("\"" + framing.version() + "\"").body(framing);
    }

    private ActOutcome outcome(UUID jobId, Outcome outcome) {
        return new ActOutcome(outcome.framings(), outcome.departures(), history(jobId));
    }
}
