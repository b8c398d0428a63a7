package embrick.server.runs;

import embrick.core.names.NameAllotment.Allotment;
import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.Estimate;
import embrick.server.jobs.Job;
import embrick.server.problems.ProblemException;
import embrick.server.storage.OriginalPlace;
import embrick.server.tickets.TicketEntity;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The pieces of an order that is to start: each with its name and its plan, or with the reason why it cannot be made. */
@Component
class PlannedPieces {
    private final Estimate estimate;
    private final PiecePlans plans;
    private final StoredJson json;

    PlannedPieces(Estimate estimate, PiecePlans plans, StoredJson json) {
        this.estimate = estimate;
        this.plans = plans;
        this.json = json;
    }

    /**
     * Where an order stands in its run.
     *
     * @param number from 0, of {@code orders} in all
     */
    record Place(UUID runId, UUID orderId, int number, int orders) {
        /** When the piece of a picture is made: beside those that other orders ask of the same picture. */
        int positionOf(int picture) {
            return picture * orders + number;
        }
    }

    /**
     * @param document of the ticket as it is now
     * @param originals where those of the pieces lie
     */
    record Planned(
            Place place,
            TicketEntity ticket,
            TicketDocument document,
            List<Piece> pieces,
            List<OriginalPlace> originals) {}

    /**
     * Plans all pictures wanted of one ticket.
     *
     * @throws ProblemException if names cannot be told apart, or there is nothing to print
     */
    Planned plan(Place place, Job job, TicketEntity ticket, RunStart.Wanted wanted, Instant now) {
        TicketDocument document = json.ticket(ticket.document());
        Estimate.Whole whole = estimate.of(
                job.id(), job.name(), new Estimate.Ordered(document, Optional.of(ticket.id())), wanted.only());
        if (whole.names() instanceof Allotment.Refused refused) {
            throw new ProblemException(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    place.orders() == 1 ? refused.problems() : ofTicket(document.name(), refused.problems()));
        }
        if (whole.entries().isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-to-print", job.name(), "There is no picture to print.", "Add pictures to the pile first.");
        }
        List<Piece> made = new ArrayList<>();
        for (Estimate.Entry entry : whole.entries()) {
            Piece piece = new Piece(
                    Ids.next(),
                    place.runId(),
                    place.orderId(),
                    new Piece.Place(
                            entry.original().id(),
                            entry.original().path(),
                            place.positionOf(made.size()),
                            entry.name(),
                            entry.copies()),
                    now);
            plans.settle(piece, entry.original(), entry.planned(), now);
            made.add(piece);
        }
        List<OriginalPlace> originals =
                whole.entries().stream().map(entry -> entry.original().place()).toList();
        return new Planned(place, ticket, document, made, originals);
    }

    private static List<Problem> ofTicket(String ticket, List<Problem> problems) {
        return problems.stream()
                .map(problem -> new Problem(
                        problem.code(),
                        problem.subject(),
                        "Ticket “" + ticket + "”: " + problem.text(),
                        problem.remedy()))
                .toList();
    }
}
