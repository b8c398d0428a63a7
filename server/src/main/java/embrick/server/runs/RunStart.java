package embrick.server.runs;

import embrick.server.Ids;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts runs. Everything a run needs is decided when it starts: plans, names, folder. */
@Service
public class RunStart {
    private final TicketService tickets;
    private final StartKeys keys;
    private final PlannedPieces planned;
    private final DeliverySpace space;
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final RunQueue queue;
    private final Clock clock;

    RunStart(
            TicketService tickets,
            StartKeys keys,
            PlannedPieces planned,
            DeliverySpace space,
            RunRepository runs,
            PieceRepository pieces,
            RunQueue queue,
            Clock clock) {
        this.tickets = tickets;
        this.keys = keys;
        this.planned = planned;
        this.space = space;
        this.runs = runs;
        this.pieces = pieces;
        this.queue = queue;
        this.clock = clock;
    }

    /**
     * What a start asks for.
     *
     * @param only the pictures wanted; empty for all of the job, an empty list for none
     */
    public record Wanted(UUID ticketId, Optional<List<UUID>> only) {
        /** Equal for starts that ask for the same. */
        String digest() {
            String pictures = only.map(
                            ids -> ids.stream().map(UUID::toString).sorted().collect(Collectors.joining(",")))
                    .orElse("all");
            return Storage.digestOfText(ticketId + " " + pictures);
        }
    }

    /**
     * Starts a run of a ticket.
     *
     * @param idempotencyKey a start that is sent again with the same key gives the run that it made first
     */
    @Transactional
    public Run start(Wanted wanted, Optional<String> idempotencyKey) {
        TicketEntity ticket = tickets.get(wanted.ticketId());
        Optional<Run> known = idempotencyKey.flatMap(key -> keys.startedWith(ticket.jobId(), key, wanted));
        return known.orElseGet(() -> startNew(ticket, wanted, idempotencyKey));
    }

    private Run startNew(TicketEntity ticket, Wanted wanted, Optional<String> idempotencyKey) {
        Instant now = clock.instant();
        UUID runId = Ids.next();
        PlannedPieces.Planned made = planned.plan(runId, ticket, wanted, now);
        space.require(made.pieces());
        String folder = space.newFolder(made.job().name(), made.document().folder());
        runs.save(new Run(
                runId,
                new Run.Start(ticket.jobId(), ticket.id(), ticket.document(), idempotencyKey, wanted.digest()),
                folder,
                now));
        pieces.saveAll(made.pieces());
        return queue.begin(runId);
    }
}
