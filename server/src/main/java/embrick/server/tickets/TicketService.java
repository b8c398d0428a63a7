package embrick.server.tickets;

import embrick.core.ticket.Mark;
import embrick.core.ticket.Ticket;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.KeptStencils;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tickets: made, changed, deleted. A ticket that cannot work is never stored. */
@Service
@Transactional
public class TicketService {
    private final TicketRepository tickets;
    private final StoredJson json;
    private final PictureProfiles profiles;
    private final KeptStencils stencils;
    private final Clock clock;

    TicketService(
            TicketRepository tickets, StoredJson json, PictureProfiles profiles, KeptStencils stencils, Clock clock) {
        this.stencils = stencils;
        this.profiles = profiles;
        this.tickets = tickets;
        this.json = json;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<TicketEntity> of(UUID jobId) {
        return tickets.findByJobIdOrderByPositionAscMadeAtAsc(jobId);
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
        int last = (int) tickets.countByJobId(jobId);
        return tickets.save(new TicketEntity(Ids.next(), jobId, last, json.write(document), clock.instant()));
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

    /** A ticket's place among those of its job is its place in the list. */
    public record Placed(UUID ticketId, boolean isOn) {}

    /**
     * Puts a job's tickets in another order, and switches them on or off.
     *
     * @throws ProblemException unless each of the job's tickets is named once: somebody added or deleted one meanwhile
     */
    public List<TicketEntity> arrange(UUID jobId, List<Placed> placed) {
        Map<UUID, TicketEntity> there =
                of(jobId).stream().collect(Collectors.toMap(TicketEntity::id, Function.identity()));
        List<UUID> named = placed.stream().map(Placed::ticketId).toList();
        if (named.size() != there.size() || !there.keySet().equals(Set.copyOf(named))) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "tickets-changed",
                    "tickets",
                    "The tickets of this job are not those that were put in order: one was added or deleted.",
                    "Look at the tickets again, then put them in order.");
        }
        for (int i = 0; i < placed.size(); i++) {
            there.get(placed.get(i).ticketId()).place(i, placed.get(i).isOn());
        }
        tickets.flush();
        return of(jobId);
    }

    /**
     * Tickets of a job that are to be carried out, in the job's order.
     *
     * @param ids those wanted; empty for all that are switched on
     * @throws ProblemException if one is not the job's, or none is on
     */
    @Transactional(readOnly = true)
    public List<TicketEntity> chosen(UUID jobId, Optional<List<UUID>> ids) {
        List<TicketEntity> all = of(jobId);
        Set<UUID> known = all.stream().map(TicketEntity::id).collect(Collectors.toSet());
        if (!known.containsAll(ids.orElse(List.of()))) {
            throw ProblemException.notFound("ticket");
        }
        List<TicketEntity> chosen = all.stream()
                .filter(ticket ->
                        ids.map(wanted -> wanted.contains(ticket.id())).orElse(ticket.isOn()))
                .toList();
        if (chosen.isEmpty()) {
            throw ProblemException.invalid(
                    "no-ticket-on", "tickets", "All tickets of this job are switched off.", "Switch on those to run.");
        }
        return chosen;
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
        if (document.product() != null
                && document.product().rule().overlay() != null
                && !stencils.holds(document.product().rule().overlay().digest())) {
            throw ProblemException.invalid(
                    "overlay-missing",
                    "product",
                    "The picture that is laid over the product is not here.",
                    "Send it again, or take it off the rule.");
        }
        if (ticket.mark().map(Mark::content).orElse(null) instanceof Mark.Content.Stencil stencil
                && !stencils.holds(stencil.digest())) {
            throw ProblemException.invalid(
                    "mark-missing", "mark", "The mark's picture is not here.", "Send it again, or use words.");
        }
        profiles.problem(ticket.colour()).ifPresent(problem -> {
            throw ProblemException.invalid(problem.code(), problem.subject(), problem.text(), problem.remedy());
        });
    }
}
