package embrick.server.jobs;

import embrick.server.documents.PileOrder;
import embrick.server.jobs.JobFigures.Figures;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
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
    private final JobFigures figures;

    JobController(JobService jobs, JobFigures figures) {
        this.jobs = jobs;
        this.figures = figures;
    }

    /**
     * @param strip the first few pictures, to recognise the job by
     * @param target where its deliveries go
     * @param unusable files that will not open or are no pictures
     */
    record JobView(
            @NotNull UUID id,
            @NotNull String name,
            @NotNull Instant createdAt,
            long pictures,
            long unusable,
            long tickets,
            @NotNull List<UUID> strip,
            @NotNull PileOrder pileOrder,
            @NotNull TargetView target) {}

    record NamedJob(@NotBlank @Size(max = 120) String name) {}

    @GetMapping
    List<JobView> listJobs() {
        List<Job> all = jobs.all();
        Map<UUID, Figures> of = figures.of(all.stream().map(Job::id).toList());
        return all.stream()
                .map(job -> view(job, of.getOrDefault(job.id(), Figures.NONE)))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    JobView addJob(@Valid @RequestBody NamedJob name) {
        return view(jobs.add(name.name()));
    }

    @GetMapping("/{id}")
    JobView getJob(@PathVariable UUID id) {
        return view(jobs.get(id));
    }

    @PutMapping("/{id}")
    JobView renameJob(@PathVariable UUID id, @Valid @RequestBody NamedJob name) {
        return view(jobs.rename(id, name.name()));
    }

    /** Says where a job's deliveries go from now on. */
    @PutMapping("/{id}/target")
    JobView setTarget(@PathVariable UUID id, @Valid @RequestBody TargetView target) {
        return view(jobs.deliverTo(id, target.toTarget()));
    }

    /** Deletes a job with its framings and runs. What was delivered stays where it is. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteJob(@PathVariable UUID id) {
        jobs.delete(id);
    }

    private JobView view(Job job) {
        return view(job, figures.of(List.of(job.id())).getOrDefault(job.id(), Figures.NONE));
    }

    private static JobView view(Job job, Figures figures) {
        return new JobView(
                job.id(),
                job.name(),
                job.createdAt(),
                figures.pictures(),
                figures.unusable(),
                figures.tickets(),
                figures.strip(),
                job.pileOrder(),
                TargetView.of(job.target()));
    }
}
