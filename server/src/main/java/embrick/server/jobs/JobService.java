package embrick.server.jobs;

import embrick.server.Ids;
import embrick.server.documents.TicketDocuments;
import embrick.server.problems.ProblemException;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Jobs; a new one has the standard ticket, so that it can be run at once. */
@Service
@Transactional
public class JobService {
    private final JobRepository jobs;
    private final TicketService tickets;
    private final Clock clock;

    JobService(JobRepository jobs, TicketService tickets, Clock clock) {
        this.jobs = jobs;
        this.tickets = tickets;
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

    public Job add(String name) {
        Job job = jobs.saveAndFlush(new Job(Ids.next(), name.strip(), clock.instant()));
        tickets.add(job.id(), TicketDocuments.standard());
        return job;
    }

    public void remove(UUID id) {
        jobs.delete(get(id));
    }

    public Job rename(UUID id, String name) {
        Job job = get(id);
        job.isNamed(name.strip());
        return jobs.saveAndFlush(job);
    }
}
