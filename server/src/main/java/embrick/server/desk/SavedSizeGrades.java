package embrick.server.desk;

import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.Verdict;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.framings.Estimate;
import embrick.server.kept.Kept;
import embrick.server.kept.KeptKind;
import embrick.server.kept.KeptShelf;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Judges pixels on saved sizes, by the very plans that would be printed. */
@Component
class SavedSizeGrades {
    private final KeptShelf shelf;
    private final Estimate estimate;
    private final StoredJson json;

    SavedSizeGrades(KeptShelf shelf, Estimate estimate, StoredJson json) {
        this.shelf = shelf;
        this.estimate = estimate;
        this.json = json;
    }

    /** @param problem why there is no plan; null where there is one */
    record SizeGrade(
            @NotNull UUID keptId,
            @NotNull String name,
            int width,
            int height,
            double realPpi,
            @Schema(nullable = true) Verdict verdict,
            @Schema(nullable = true) Problem problem) {}

    /** How many pictures come out fine, soft and poor, and how many cannot be made. */
    record PileGrade(@NotNull UUID keptId, @NotNull String name, int fine, int soft, int poor, int refused) {}

    List<SizeGrade> ofPixels(PixelSize pixels) {
        SourceFacts picture = new SourceFacts(
                FileKind.TIFF,
                pixels,
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.empty(), List.of()),
                0);
        return shelf.all(KeptKind.SIZE).stream()
                .map(kept -> graded(kept, picture))
                .toList();
    }

    private SizeGrade graded(Kept kept, SourceFacts picture) {
        Ticket ticket = withoutCaption(TicketDocuments.toTicket(ticket(kept)));
        return switch (Planner.plan(picture, ticket, Framing.centred())) {
            case Planning.Ready ready -> {
                Plan plan = ready.plan();
                yield new SizeGrade(
                        kept.id(),
                        kept.name(),
                        plan.total().width(),
                        plan.total().height(),
                        plan.figures().realPpi(),
                        plan.figures().verdict(),
                        null);
            }
            case Planning.Refused refused ->
                new SizeGrade(
                        kept.id(),
                        kept.name(),
                        0,
                        0,
                        0,
                        null,
                        refused.problems().getFirst());
        };
    }

    List<PileGrade> ofPile(UUID jobId) {
        return shelf.all(KeptKind.SIZE).stream()
                .map(kept -> {
                    Estimate.Whole whole = estimate.of(
                            jobId, "", new Estimate.Ordered(ticket(kept), Optional.empty()), Optional.empty());
                    return counted(kept, whole);
                })
                .toList();
    }

    private static PileGrade counted(Kept kept, Estimate.Whole whole) {
        Map<Verdict, Integer> counts = new EnumMap<>(Verdict.class);
        int refused = 0;
        for (Estimate.Entry entry : whole.entries()) {
            if (entry.planned() instanceof Estimate.Planned.Plannable(Planning.Ready ready, Optional<Problem> _)) {
                counts.merge(ready.plan().figures().verdict(), 1, Integer::sum);
            } else {
                refused++;
            }
        }
        return new PileGrade(
                kept.id(),
                kept.name(),
                counts.getOrDefault(Verdict.FINE, 0),
                counts.getOrDefault(Verdict.SOFT, 0),
                counts.getOrDefault(Verdict.POOR, 0),
                refused);
    }

    private TicketDocument ticket(Kept kept) {
        return json.laidOver(kept.name(), json.kept(kept.document()), TicketDocuments.standard());
    }

    /** A caption needs a picture's words, and changes no size. */
    private static Ticket withoutCaption(Ticket ticket) {
        return ticket.edges() instanceof Edges.Border border
                ? ticket.withEdges(new Edges.Border(border.size(), border.colour(), border.keyLine(), Optional.empty()))
                : ticket;
    }
}
