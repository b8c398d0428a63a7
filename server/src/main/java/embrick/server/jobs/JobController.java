package embrick.server.jobs;

import embrick.server.originals.Clearance;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.tickets.TicketService;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Jobs. */
@RestController
@RequestMapping("/api/v1/jobs")
class JobController {
    private final JobService jobs;
    private final OriginalRepository originals;
    private final TicketService tickets;
    private final Clearance clearance;

    JobController(JobService jobs, OriginalRepository originals, TicketService tickets, Clearance clearance) {
        this.jobs = jobs;
        this.originals = originals;
        this.tickets = tickets;
        this.clearance = clearance;
    }

    /**
     * @param strip the first few pictures, to recognise the job by
     * @param unusable files that will not open or are no pictures
     */
    record JobView(
            @NotNull UUID id,
            @NotNull String name,
            @NotNull Instant createdAt,
            long pictures,
            long unusable,
            long tickets,
            @NotNull List<UUID> strip) {}

    record NamedJob(@NotBlank @Size(max = 120) String name) {}

    @GetMapping
    List<JobView> list() {
        return jobs.all().stream().map(this::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    JobView add(@Valid @RequestBody NamedJob name) {
        return view(jobs.add(name.name()));
    }

    @GetMapping("/{id}")
    JobView get(@PathVariable UUID id) {
        return view(jobs.get(id));
    }

    @PutMapping("/{id}")
    JobView rename(@PathVariable UUID id, @Valid @RequestBody NamedJob name) {
        return view(jobs.rename(id, name.name()));
    }

    /** Takes a job away with its framings and runs. What was delivered stays where it is. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        Set<String> digests = clearance.digestsOf(id);
        jobs.remove(id);
        clearance.clear(digests);
    }

    private JobView view(Job job) {
        return new JobView(
                job.id(),
                job.name(),
                job.createdAt(),
                originals.countByJobId(job.id()),
                originals.countByJobIdAndStateNot(job.id(), Original.State.SOUND),
                tickets.count(job.id()),
                originals.findTop6ByJobIdAndStateOrderByPath(job.id(), Original.State.SOUND).stream()
                        .map(Original::id)
                        .toList());
    }
}
