package embrick.server.jobs;

import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.documents.TicketDocument;
import embrick.server.documents.TicketDocuments;
import embrick.server.originals.Clearance;
import embrick.server.originals.OriginalRepository;
import embrick.server.problems.ProblemException;
import embrick.server.savedtickets.SavedTickets;
import embrick.server.storage.Roots;
import embrick.server.tickets.TicketService;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Jobs; a new one has the standard ticket, so that it can be run at once. */
@Service
@Transactional
public class JobService {
    /** The code of a folder that nothing can be delivered to. */
    public static final String TARGET_UNFIT = "target-unfit";

    private final JobRepository jobs;
    private final TicketService tickets;
    private final SavedTickets saved;
    private final OriginalRepository originals;
    private final Clearance clearance;
    private final Roots roots;
    private final List<JobUse> uses;
    private final TransactionTemplate transaction;
    private final Clock clock;

    JobService(
            JobRepository jobs,
            TicketService tickets,
            SavedTickets saved,
            OriginalRepository originals,
            Clearance clearance,
            Roots roots,
            List<JobUse> uses,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.clearance = clearance;
        this.roots = roots;
        this.uses = List.copyOf(uses);
        this.transaction = transaction;
        this.jobs = jobs;
        this.tickets = tickets;
        this.saved = saved;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Job> all() {
        return jobs.findAllByOrderByCreatedAtDesc();
    }

    @Transactional(readOnly = true)
    public Job get(UUID id) {
        return jobs.findById(id).orElseThrow(() -> ProblemException.notFound("job"));
    }

    @Transactional(readOnly = true)
    public boolean exists(UUID id) {
        return jobs.existsById(id);
    }

    public Job add(String name) {
        return add(name, saved.forNewJobs().orElseGet(TicketDocuments::standard));
    }

    /** A job that begins with a ticket. */
    public Job add(String name, TicketDocument first) {
        Job job = jobs.saveAndFlush(new Job(Ids.next(), name.strip(), clock.instant()));
        tickets.add(job.id(), first);
        return job;
    }

    /**
     * Deletes a job, then its files that no other job has.
     *
     * @throws ProblemException naming all that stands against it
     */
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    public void delete(UUID id) {
        requireUnused(id, true);
        clearance.clear(transaction.execute(_ -> {
            // No picture of it comes in from here on, so none is missed; and no run of it is begun.
            if (originals.lockJobToDelete(id).isEmpty()) {
                throw ProblemException.notFound("job");
            }
            requireUnused(id, false);
            List<UUID> notes = clearance.noteAllOf(id);
            jobs.deleteById(id);
            return notes;
        }));
    }

    private void requireUnused(UUID id, boolean outside) {
        List<Problem> found = uses.stream()
                .filter(use -> use.asksOutside() == outside)
                .flatMap(use -> use.uses(id).stream())
                .toList();
        if (!found.isEmpty()) {
            throw new ProblemException(HttpStatus.CONFLICT, found);
        }
    }

    /** @throws ProblemException if the folder is none that may be delivered to */
    public Job deliverTo(UUID id, DeliveryTarget target) {
        Job job = get(id);
        requireFit(target);
        job.deliverTo(target);
        return jobs.saveAndFlush(job);
    }

    /** @throws ProblemException if nothing can be delivered there */
    public void requireFit(DeliveryTarget target) {
        if (target instanceof DeliveryTarget.Folder folder) {
            try {
                roots.resolveFolder(folder.root(), folder.path());
            } catch (IOException failed) {
                throw ProblemException.invalid(
                        TARGET_UNFIT,
                        "target",
                        "Nothing can be delivered to “" + folder.root() + "/" + folder.path()
                                + "”: it is no folder that is there and that the settings allow.",
                        "Choose another folder, or see that its disk is there.");
            }
        }
    }

    public Job rename(UUID id, String name) {
        Job job = get(id);
        job.rename(name.strip());
        return jobs.saveAndFlush(job);
    }
}
