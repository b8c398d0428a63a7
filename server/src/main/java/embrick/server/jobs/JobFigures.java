package embrick.server.jobs;

import embrick.server.originals.OriginalRepository;
import embrick.server.tickets.TicketService;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Figures of jobs, read for all of them at once. */
@Component
class JobFigures {
    /** Pictures by which a job is recognised. */
    private static final int STRIP = 6;

    private final OriginalRepository originals;
    private final TicketService tickets;

    JobFigures(OriginalRepository originals, TicketService tickets) {
        this.originals = originals;
        this.tickets = tickets;
    }

    /**
     * @param unusable files that will not open or are no pictures
     * @param strip the first few pictures
     */
    record Figures(long pictures, long unusable, long tickets, List<UUID> strip) {
        static final Figures NONE = new Figures(0, 0, 0, List.of());
    }

    Map<UUID, Figures> of(List<UUID> jobIds) {
        Map<UUID, Long> counted = tickets.counts(jobIds);
        Map<UUID, List<UUID>> strips = new HashMap<>();
        originals
                .strips(jobIds, STRIP)
                .forEach(row -> strips.computeIfAbsent(row.getJobId(), _ -> new java.util.ArrayList<>())
                        .add(row.getId()));
        Map<UUID, Figures> figures = new HashMap<>();
        jobIds.forEach(id ->
                figures.put(id, new Figures(0, 0, counted.getOrDefault(id, 0L), strips.getOrDefault(id, List.of()))));
        originals
                .counts(jobIds)
                .forEach(count -> figures.computeIfPresent(
                        count.getJobId(),
                        (_, known) ->
                                new Figures(count.getPictures(), count.getUnusable(), known.tickets(), known.strip())));
        return figures;
    }
}
