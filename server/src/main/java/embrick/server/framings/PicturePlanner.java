package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.names.FileNames;
import embrick.core.plan.CaptionText;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Caption;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Ticket;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.storage.WordMeasure;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Plans one picture of a job, with the words of its caption where the ticket asks for one. */
@Component
public class PicturePlanner {
    private final OriginalRepository originals;
    private final WordMeasure words;

    PicturePlanner(OriginalRepository originals, WordMeasure words) {
        this.originals = originals;
        this.words = words;
    }

    /** A ticket for one job's pictures, and their numbers where its caption asks for them. */
    public record ForJob(Ticket ticket, List<UUID> inOrder) {}

    /** Reads once what all plans of a job's pictures under a ticket need. */
    public ForJob forJob(UUID jobId, Ticket ticket) {
        boolean isNumbered = caption(ticket).stream()
                .flatMap(caption -> caption.parts().stream())
                .anyMatch(Caption.Part.Number.class::isInstance);
        return new ForJob(ticket, isNumbered ? originals.idsInOrder(jobId) : List.of());
    }

    public Planning plan(Original original, SourceFacts facts, Ticket ticket, Framing framing) {
        return plan(original, facts, forJob(original.jobId(), ticket), framing);
    }

    public Planning plan(Original original, SourceFacts facts, ForJob ordered, Framing framing) {
        Optional<CaptionText> text = caption(ordered.ticket())
                .map(caption -> caption.textFor(new Caption.Filling(
                        FileNames.stem(original.path()),
                        facts.title().orElse(""),
                        ordered.inOrder().indexOf(original.id()) + 1)))
                .map(words::measured);
        return Planner.plan(facts, ordered.ticket(), framing, text);
    }

    private static Optional<Caption> caption(Ticket ticket) {
        return ticket.edges() instanceof Edges.Border border ? border.caption() : Optional.empty();
    }
}
