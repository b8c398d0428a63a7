package embrick.server.jobs;

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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Jobs; a new one has the standard ticket, so that it can be run at once. */
@Service
@Transactional
public class JobService {
    private final JobRepository jobs;
    private final TicketService tickets;
    private final SavedTickets saved;
    private final OriginalRepository originals;
    private final Clearance clearance;
    private final Roots roots;
    private final TransactionTemplate transaction;
    private final Clock clock;

    JobService(
            JobRepository jobs,
            TicketService tickets,
            SavedTickets saved,
            OriginalRepository originals,
            Clearance clearance,
            Roots roots,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.clearance = clearance;
        this.roots = roots;
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

    /** Deletes a job, then its files that no other job has. */
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    public void delete(UUID id) {
        clearance.clear(transaction.execute(_ -> {
            // No picture of it comes in from here on, so none is missed.
            if (originals.lockJob(id).isEmpty()) {
                throw ProblemException.notFound("job");
            }
            List<UUID> notes = clearance.noteAllOf(id);
            jobs.deleteById(id);
            return notes;
        }));
    }

    /** @throws ProblemException if the folder is none that may be delivered to */
    public Job deliverTo(UUID id, DeliveryTarget target) {
        Job job = get(id);
        if (target instanceof DeliveryTarget.Folder folder) {
            try {
                roots.resolveFolder(folder.root(), folder.path());
            } catch (IOException failed) {
                throw ProblemException.invalid(
                        "target-unfit",
                        "target",
                        "Nothing can be delivered to “" + folder.root() + "/" + folder.path()
                                + "”: it is no folder that is there and that the settings allow.",
                        "Choose another folder, or see that its disk is there.");
            }
        }
        job.deliverTo(target);
        return jobs.saveAndFlush(job);
    }

    public Job rename(UUID id, String name) {
        Job job = get(id);
        job.rename(name.strip());
        return jobs.saveAndFlush(job);
    }
}
