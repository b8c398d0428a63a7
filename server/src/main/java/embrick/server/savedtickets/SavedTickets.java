package embrick.server.savedtickets;

import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.problems.ProblemException;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Saves tickets under names, no two alike whatever their letters' case, and gives new jobs the one they begin with. */
@Service
@Transactional
public class SavedTickets {
    private final SavedTicketRepository saved;
    private final TicketService tickets;
    private final StoredJson json;
    private final Clock clock;

    SavedTickets(SavedTicketRepository saved, TicketService tickets, StoredJson json, Clock clock) {
        this.saved = saved;
        this.tickets = tickets;
        this.json = json;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<SavedTicket> all() {
        return saved.findAllByOrderByName();
    }

    @Transactional(readOnly = true)
    public SavedTicket get(UUID id) {
        return saved.findById(id).orElseThrow(() -> ProblemException.notFound("saved ticket"));
    }

    /** What a new job begins with, where somebody said it and it still can work. */
    @Transactional(readOnly = true)
    public Optional<TicketDocument> forNewJobs() {
        return saved.findByForNewJobsTrue()
                .map(SavedTicket::document)
                .map(json::ticket)
                .filter(tickets::isWorkable);
    }

    public SavedTicket save(String name, TicketDocument document) {
        tickets.requireWorkable(document);
        requireFree(name, Optional.empty());
        return saved.saveAndFlush(new SavedTicket(Ids.next(), name.strip(), json.write(document), clock.instant()));
    }

    public SavedTicket change(UUID id, long expectedVersion, String name, TicketDocument document) {
        SavedTicket ticket = get(id);
        if (ticket.version() != expectedVersion) {
            throw ProblemException.stale("saved ticket");
        }
        tickets.requireWorkable(document);
        requireFree(name, Optional.of(id));
        ticket.replace(name.strip(), json.write(document), clock.instant());
        return saved.saveAndFlush(ticket);
    }

    public void remove(UUID id) {
        saved.delete(get(id));
    }

    /** Says whether new jobs begin with a ticket; another that they began with is it no longer. */
    public SavedTicket useForNewJobs(UUID id, boolean used) {
        SavedTicket ticket = get(id);
        saved.findByForNewJobsTrue().ifPresent(before -> before.useForNewJobs(false));
        saved.flush();
        ticket.useForNewJobs(used);
        return saved.saveAndFlush(ticket);
    }

    private void requireFree(String name, Optional<UUID> except) {
        Optional<SavedTicket> known = saved.findByNameIgnoreCase(name.strip());
        if (known.isPresent() && !known.map(SavedTicket::id).equals(except)) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    List.of(new Problem(
                            "name-taken",
                            "name",
                            "There is a saved ticket “" + known.get().name() + "” already.",
                            "Choose another name, or delete that one first.")));
        }
    }
}
