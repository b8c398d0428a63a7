package embrick.server.framings;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Ticket;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.OverrideDocument;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.problems.ProblemException;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Plans of single pictures under tickets that need not be stored. */
@Service
public class Plans {
    private final FramingService framings;
    private final OriginalRepository originals;
    private final PicturePlanner planner;
    private final StoredJson json;

    Plans(FramingService framings, OriginalRepository originals, PicturePlanner planner, StoredJson json) {
        this.planner = planner;
        this.framings = framings;
        this.originals = originals;
        this.json = json;
    }

    /** A picture, and what a ticket comes to for it under a framing. */
    public record Planned(Original original, SourceFacts facts, Ticket ticket, Framing framing, Planning planning) {
        /** @throws ProblemException if there is no plan, with what stands against it */
        public Plan requirePlan() {
            return switch (planning) {
                case Planning.Ready ready -> ready.plan();
                case Planning.Refused refused ->
                    throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, refused.problems());
            };
        }
    }

    /** The same for a picture decoded smaller, whose facts say so. */
    public Planning reduced(Planned planned, SourceFacts opened) {
        return planner.plan(planned.original(), opened, planned.ticket(), planned.framing());
    }

    /** The same under another framing. */
    public Planning reframed(Planned planned, Framing framing) {
        return planner.plan(planned.original(), planned.facts(), planned.ticket(), framing);
    }

    /**
     * What is planned. None of it need be stored.
     *
     * @param framing else the picture's own for the ticket's shape
     * @param override else none
     */
    public record Wish(TicketDocument ticket, Optional<FramingDocument> framing, Optional<OverrideDocument> override) {
        /** As it comes in a request: null where nothing is said. */
        public static Wish of(TicketDocument ticket, FramingDocument framing, OverrideDocument override) {
            return new Wish(ticket, Optional.ofNullable(framing), Optional.ofNullable(override));
        }
    }

    /** @throws ProblemException if there is no such picture, or it will not open */
    public Planned of(UUID originalId, Wish wish) {
        Original original = originals.findById(originalId).orElseThrow(() -> ProblemException.notFound("original"));
        SourceFacts facts = original.facts()
                .map(json::facts)
                .orElseThrow(() -> ProblemException.invalid(
                        "no-picture",
                        original.path(),
                        original.path() + " cannot be framed: it will not open.",
                        "See its reason in the pile."));
        Ticket ticket = TicketDocuments.toTicket(
                wish.override().map(own -> own.appliedTo(wish.ticket())).orElse(wish.ticket()));
        Framing framed = wish.framing()
                .map(FramingDocument::toFraming)
                .orElseGet(() -> framings.of(originalId, ticket.shape().key(), Framing.centred()));
        return new Planned(original, facts, ticket, framed, planner.plan(original, facts, ticket, framed));
    }
}
