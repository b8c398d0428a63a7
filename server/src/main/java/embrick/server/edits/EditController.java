package embrick.server.edits;

import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.edits.EditService.Outcome;
import embrick.server.framings.FramingService;
import embrick.server.framings.FramingView;
import embrick.server.framings.OverrideView;
import embrick.server.originals.Original;
import embrick.server.originals.Originals;
import embrick.server.problems.IfMatch;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Edits on framings: done, undone, redone. */
@RestController
@RequestMapping("/api/v1")
class EditController {
    static final int MAX_CHANGES = 20_000;

    private final EditService edits;
    private final Originals originals;

    EditController(EditService edits, Originals originals) {
        this.edits = edits;
        this.originals = originals;
    }

    /**
     * @param words what is done, for people
     * @param exclusions pictures that are excluded from runs, or included again
     * @param pileOrder another order of the job's pictures
     */
    record EditRequest(
            @NotNull @Size(min = 1, max = 120) String words,
            @NotNull @Size(max = MAX_CHANGES) List<@NotNull @Valid FramingWish> framings,
            @NotNull @Size(max = MAX_CHANGES) List<@NotNull @Valid OverrideWish> overrides,

            @Schema(nullable = true) @Size(max = MAX_CHANGES)
            List<@NotNull @Valid ExclusionWish> exclusions,

            @Schema(nullable = true) @Valid PileOrderWish pileOrder) {
        Wishes wishes() {
            return new Wishes(
                    framings, overrides, exclusions == null ? List.of() : exclusions, Optional.ofNullable(pileOrder));
        }
    }

    record EditView(@NotNull UUID id, @NotNull String words) {
        static EditView of(EditEntity edit) {
            return new EditView(edit.id(), edit.words());
        }
    }

    record HistoryView(
            @Schema(nullable = true) EditView undo,
            @Schema(nullable = true) EditView redo) {}

    record EditOutcome(
            @NotNull List<FramingView> framings,
            @NotNull List<OverrideView> overrides,
            boolean picturesChanged,
            @NotNull HistoryView history) {}

    /** The edit that would be undone next, and the one that would be redone. */
    @GetMapping("/jobs/{jobId}/edits")
    HistoryView getHistory(@PathVariable UUID jobId) {
        EditService.History history = edits.history(jobId);
        return new HistoryView(
                history.undo().map(EditView::of).orElse(null),
                history.redo().map(EditView::of).orElse(null));
    }

    /** All of it is done or, where a picture was changed since it was looked at, nothing. */
    @PostMapping("/jobs/{jobId}/edits")
    EditOutcome applyEdit(@PathVariable UUID jobId, @Valid @RequestBody EditRequest request) {
        request.overrides().forEach(change -> requireSense(change.document()));
        return outcome(jobId, edits.apply(jobId, request.words(), request.wishes()));
    }

    /** An override's values are judged as a ticket's are. */
    private static void requireSense(OverrideDocument override) {
        TicketDocuments.toTicket(override.appliedTo(TicketDocuments.standard()));
    }

    @PostMapping("/jobs/{jobId}/edits/{editId}/undo")
    EditOutcome undoEdit(@PathVariable UUID jobId, @PathVariable UUID editId) {
        return outcome(jobId, edits.undo(jobId, editId));
    }

    @PostMapping("/jobs/{jobId}/edits/{editId}/redo")
    EditOutcome redoEdit(@PathVariable UUID jobId, @PathVariable UUID editId) {
        return outcome(jobId, edits.redo(jobId, editId));
    }

    record FramingContent(@NotNull @Valid FramingDocument document, boolean accepted) {}

    /**
     * One framing, as an edit of its own. {@code If-Match} carries the version looked at; {@code If-None-Match: *} says that
     * the picture had none yet for this shape.
     */
    @PutMapping("/originals/{id}/framings/{shape}")
    ResponseEntity<FramingView> putFraming(
            @PathVariable UUID id,
            @PathVariable String shape,
            @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @RequestHeader(name = "If-None-Match", required = false) String ifNoneMatch,
            @Valid @RequestBody FramingContent content) {
        long version = IfMatch.version(ifMatch, ifNoneMatch, "framing");
        Original original = originals.get(id);
        Outcome outcome = edits.apply(
                original.jobId(),
                "framed",
                Wishes.framed(List.of(new FramingWish(
                        id, FramingService.shapeKey(shape), version, content.document(), content.accepted()))));
        FramingView framing = outcome.framings().getFirst();
        return IfMatch.tagged(HttpStatus.OK, framing.version(), framing);
    }

    private EditOutcome outcome(UUID jobId, Outcome outcome) {
        return new EditOutcome(
                outcome.framings(), outcome.overrides(), outcome.havePicturesChanged(), getHistory(jobId));
    }
}
