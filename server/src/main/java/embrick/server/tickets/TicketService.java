package embrick.server.tickets;

import embrick.core.ticket.Ticket;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tickets: made, changed, deleted. A ticket that cannot work is never stored. */
@Service
@Transactional
public class TicketService {
    private final TicketRepository tickets;
    private final StoredJson json;
    private final PictureProfiles profiles;
    private final Clock clock;

    TicketService(TicketRepository tickets, StoredJson json, PictureProfiles profiles, Clock clock) {
        this.profiles = profiles;
        this.tickets = tickets;
        this.json = json;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<TicketEntity> of(UUID jobId) {
        return tickets.findByJobIdOrderByMadeAt(jobId);
    }

    @Transactional(readOnly = true)
    public TicketEntity get(UUID id) {
        return tickets.findById(id).orElseThrow(() -> ProblemException.notFound("ticket"));
    }

    @Transactional(readOnly = true)
    public boolean exists(UUID id) {
        return tickets.existsById(id);
    }

    @Transactional(readOnly = true)
    public TicketDocument document(UUID id) {
        return json.ticket(get(id).document());
    }

    @Transactional(readOnly = true)
    public Map<UUID, Long> counts(List<UUID> jobIds) {
        return tickets.counts(jobIds).stream()
                .collect(Collectors.toMap(TicketRepository.JobCount::getJobId, TicketRepository.JobCount::getTickets));
    }

    public TicketEntity add(UUID jobId, TicketDocument document) {
        requireWorkable(document);
        return tickets.save(new TicketEntity(Ids.next(), jobId, json.write(document), clock.instant()));
    }

    public TicketEntity change(UUID id, long expectedVersion, TicketDocument document) {
        TicketEntity ticket = get(id);
        if (ticket.version() != expectedVersion) {
            throw ProblemException.stale("ticket");
        }
        requireWorkable(document);
        ticket.replace(json.write(document));
        return tickets.saveAndFlush(ticket);
    }

    /** Takes a ticket away; the last one of a job stays. */
    public void remove(UUID id) {
        TicketEntity ticket = get(id);
        if (tickets.countByJobId(ticket.jobId()) == 1) {
            throw ProblemException.invalid(
                    "last-ticket", "ticket", "A job keeps at least one ticket.", "Change this one instead.");
        }
        tickets.delete(ticket);
    }

    /** Whether a ticket could be stored now; one that could once may name a profile that was deleted since. */
    public boolean isWorkable(TicketDocument document) {
        try {
            requireWorkable(document);
            return true;
        } catch (ProblemException cannotWork) {
            return false;
        }
    }

    /** @throws ProblemException naming each phrase whose value cannot work */
    public void requireWorkable(TicketDocument document) {
        Ticket ticket = TicketDocuments.toTicket(document);
        profiles.problem(ticket.colour()).ifPresent(problem -> {
            throw ProblemException.invalid(problem.code(), problem.subject(), problem.text(), problem.remedy());
        });
    }
}
