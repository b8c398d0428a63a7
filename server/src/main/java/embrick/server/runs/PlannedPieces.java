package embrick.server.runs;

import embrick.core.names.NameAllotment.Allotment;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.Estimate;
import embrick.server.jobs.Job;
import embrick.server.jobs.JobService;
import embrick.server.problems.ProblemException;
import embrick.server.tickets.TicketEntity;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The pieces of a run that is to start: each with its name and its plan, or with the reason why it cannot be made. */
@Component
class PlannedPieces {
    private final JobService jobs;
    private final Estimate estimate;
    private final PiecePlans plans;
    private final StoredJson json;

    PlannedPieces(JobService jobs, Estimate estimate, PiecePlans plans, StoredJson json) {
        this.jobs = jobs;
        this.estimate = estimate;
        this.plans = plans;
        this.json = json;
    }

    /** @param document of the ticket as it is now */
    record Planned(Job job, TicketDocument document, List<Piece> pieces) {}

    /**
     * Plans all pictures wanted.
     *
     * @throws ProblemException if names cannot be told apart, or there is nothing to print
     */
    Planned plan(UUID runId, TicketEntity ticket, RunStart.Wanted wanted, Instant now) {
        Job job = jobs.get(ticket.jobId());
        TicketDocument document = json.ticket(ticket.document());
        Estimate.Whole whole = estimate.of(
                job.id(), job.name(), new Estimate.Ordered(document, Optional.of(ticket.id())), wanted.only());
        if (whole.names() instanceof Allotment.Refused refused) {
            throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, refused.problems());
        }
        if (whole.entries().isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-to-print", job.name(), "There is no picture to print.", "Add pictures to the pile first.");
        }
        List<Piece> made = new ArrayList<>();
        for (Estimate.Entry entry : whole.entries()) {
            Piece.Place place = new Piece.Place(
                    entry.original().id(), entry.original().path(), made.size(), entry.name(), entry.copies());
            Piece piece = new Piece(Ids.next(), runId, place, now);
            plans.settle(piece, entry.original(), entry.planned(), now);
            made.add(piece);
        }
        return new Planned(job, document, made);
    }
}
