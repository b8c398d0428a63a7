package embrick.server.runs;

import embrick.server.Ids;
import embrick.server.jobs.DeliveryTarget;
import embrick.server.jobs.Job;
import embrick.server.jobs.JobService;
import embrick.server.problems.ProblemException;
import embrick.server.storage.DeliveryPlace;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Starts runs. Everything a run needs is decided when it starts: plans, names, folders. */
@Service
public class RunStart {
    private final JobService jobs;
    private final TicketService tickets;
    private final StartKeys keys;
    private final PlannedPieces pieces;
    private final WhatChanged changes;
    private final DeliverySpace space;
    private final RunRecords records;
    private final RunQueue queue;
    private final TransactionTemplate transaction;
    private final TransactionTemplate snapshot;
    private final Clock clock;

    RunStart(
            JobService jobs,
            TicketService tickets,
            StartKeys keys,
            PlannedPieces pieces,
            WhatChanged changes,
            DeliverySpace space,
            RunRecords records,
            RunQueue queue,
            TransactionTemplate transaction,
            Clock clock) {
        this.jobs = jobs;
        this.tickets = tickets;
        this.keys = keys;
        this.pieces = pieces;
        this.changes = changes;
        this.space = space;
        this.records = records;
        this.queue = queue;
        this.transaction = transaction;
        this.snapshot = new TransactionTemplate(transaction.getTransactionManager());
        snapshot.setReadOnly(true);
        this.clock = clock;
    }

    /**
     * What a start asks for.
     *
     * @param tickets carried out, in the job's order; empty for all that are switched on
     * @param only the pictures wanted; empty for all of the job, an empty list for none
     * @param target where its deliveries go; empty for where the job's go
     * @param changedOnly whether to skip pieces that would come out identical and are still in the delivery
     */
    public record Wanted(
            UUID jobId,
            Optional<List<UUID>> tickets,
            Optional<List<UUID>> only,
            Optional<DeliveryTarget> target,
            boolean changedOnly) {
        /** Equal for starts that ask for the same. */
        String digest() {
            return Storage.digestOfText(tickets.map(Wanted::joined).orElse("on") + " "
                    + only.map(Wanted::joined).orElse("all")
                    + target.map(to -> " to " + to).orElse("")
                    + (changedOnly ? " what changed" : ""));
        }

        private static String joined(List<UUID> ids) {
            return ids.stream().map(UUID::toString).sorted().collect(Collectors.joining(","));
        }
    }

    /** Starts a run of one ticket, as below. */
    public Run startTicket(
            UUID ticketId,
            Optional<List<UUID>> only,
            Optional<DeliveryTarget> target,
            boolean changedOnly,
            Optional<String> idempotencyKey) {
        UUID jobId = tickets.get(ticketId).jobId();
        return start(new Wanted(jobId, Optional.of(List.of(ticketId)), only, target, changedOnly), idempotencyKey);
    }

    /**
     * Starts a run of tickets of a job.
     *
     * @param idempotencyKey a start that is sent again with the same key gives the run that it made first
     * @throws ProblemException if there is nothing to print, a ticket is not the job's, or names cannot be told apart
     */
    public Run start(Wanted wanted, Optional<String> idempotencyKey) {
        Optional<Run> known = transaction.execute(_ -> startedBefore(wanted, idempotencyKey));
        return known.orElseGet(() -> startNew(wanted, idempotencyKey));
    }

    private Optional<Run> startedBefore(Wanted wanted, Optional<String> idempotencyKey) {
        return idempotencyKey.flatMap(key -> keys.startedWith(wanted.jobId(), key, wanted));
    }

    /** Plans and looks at disks first, with nothing locked; then writes it all at once. */
    private Run startNew(Wanted wanted, Optional<String> idempotencyKey) {
        Job job = jobs.get(wanted.jobId());
        DeliveryTarget target = wanted.target().orElse(job.target());
        jobs.requireFit(target);
        Instant now = clock.instant();
        UUID runId = Ids.next();
        List<PlannedPieces.Planned> planned = planned(runId, job, wanted, now);
        List<Piece> all =
                planned.stream().flatMap(order -> order.pieces().stream()).toList();
        DeliveryPlace within = space.within(
                target,
                job.name(),
                planned.stream().flatMap(order -> order.originals().stream()).toList());
        space.require(all, within);
        Run run = new Run(runId, new Run.Start(job.id(), idempotencyKey, wanted.digest()), now);
        try (NewFolders folders = space.newFolders(within)) {
            List<RunOrder> orders =
                    planned.stream().map(order -> order(folders, order)).toList();
            Run started = transaction.execute(_ -> {
                // The same start may have been sent twice at once.
                Optional<Run> other = startedBefore(wanted, idempotencyKey);
                if (other.isPresent()) {
                    return other.get();
                }
                records.save(run, orders, all);
                return queue.begin(runId);
            });
            if (started.id().equals(runId)) {
                folders.keep();
            }
            return started;
        }
    }

    /** All of it as it is at one moment. */
    private List<PlannedPieces.Planned> planned(UUID runId, Job job, Wanted wanted, Instant now) {
        List<PlannedPieces.Planned> planned = snapshot.execute(_ -> {
            List<TicketEntity> asked = tickets.chosen(job.id(), wanted.tickets());
            List<PlannedPieces.Planned> orders = new ArrayList<>();
            for (TicketEntity ticket : asked) {
                PlannedPieces.Place place = new PlannedPieces.Place(runId, Ids.next(), orders.size(), asked.size());
                orders.add(pieces.plan(place, job, ticket, wanted, now));
            }
            return orders;
        });
        return wanted.changedOnly() ? changes.of(planned) : planned;
    }

    private static RunOrder order(NewFolders folders, PlannedPieces.Planned planned) {
        PlannedPieces.Place place = planned.place();
        return new RunOrder(
                place.orderId(),
                place.runId(),
                place.number(),
                planned.ticket().id(),
                planned.ticket().document(),
                folders.make(planned.document().folder()));
    }
}
