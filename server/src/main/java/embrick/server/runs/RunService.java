package embrick.server.runs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import embrick.core.names.NameAllotment.Allotment;
import embrick.core.plan.Plan;
import embrick.core.plan.Planning;
import embrick.core.plan.Problem;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.Outlook;
import embrick.server.jobs.Job;
import embrick.server.jobs.JobService;
import embrick.server.originals.Original;
import embrick.server.originals.Original.Trouble;
import embrick.server.originals.OriginalRepository;
import embrick.server.problems.ProblemException;
import embrick.server.problems.ProblemException.ProblemDetail;
import embrick.server.runs.Piece.State;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts, stops, resumes and retries runs. Everything a run needs is decided when it starts: plans, names, folder. */
@Service
@Transactional
public class RunService {
    /** Room kept beyond the estimate. Common practice, no source. */
    private static final double RESERVE = 1.2;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final JobService jobs;
    private final TicketService tickets;
    private final OriginalRepository originals;
    private final Outlook outlook;
    private final Storage storage;
    private final StoredJson json;
    private final SchedulerClient scheduler;
    private final Clock clock;

    @SuppressWarnings("TooManyParameters")
    RunService(
            RunRepository runs,
            PieceRepository pieces,
            JobService jobs,
            TicketService tickets,
            OriginalRepository originals,
            Outlook outlook,
            Storage storage,
            StoredJson json,
            SchedulerClient scheduler,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.jobs = jobs;
        this.tickets = tickets;
        this.originals = originals;
        this.outlook = outlook;
        this.storage = storage;
        this.json = json;
        this.scheduler = scheduler;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Run get(UUID id) {
        return runs.findById(id).orElseThrow(() -> ProblemException.notFound("run"));
    }

    @Transactional(readOnly = true)
    public List<Run> of(UUID jobId) {
        return runs.findByJobIdOrderByStartedAtDesc(jobId);
    }

    /**
     * Starts a run of a ticket.
     *
     * @param idempotencyKey a start that is sent again with the same key gives the run that it made first
     * @param only the pictures wanted; empty for all
     */
    public Run start(UUID ticketId, Optional<String> idempotencyKey, List<UUID> only) {
        TicketEntity ticket = tickets.get(ticketId);
        Optional<Run> known = idempotencyKey.flatMap(key -> runs.findByJobIdAndIdempotencyKey(ticket.jobId(), key));
        if (known.isPresent()) {
            return known.get();
        }
        Job job = jobs.get(ticket.jobId());
        TicketDocument document = json.ticket(ticket.document());
        Outlook.Whole whole =
                outlook.of(job.id(), job.name(), new Outlook.Ordered(document, Optional.of(ticketId)), only);
        requireNames(whole);
        if (whole.entries().isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-to-print", job.name(), "There is no picture to print.", "Add pictures to the pile first.");
        }
        Instant now = clock.instant();
        UUID runId = Ids.next();
        List<Piece> made = new ArrayList<>();
        for (Outlook.Entry entry : whole.entries()) {
            Original original = entry.original();
            Piece piece = new Piece(
                    Ids.next(), runId, new Piece.Place(original.id(), original.path(), made.size(), entry.name()), now);
            settle(piece, original, entry.planned(), now);
            made.add(piece);
        }
        requireSpace(made);
        String folder = newFolder(job, document);
        Run run = runs.save(
                new Run(runId, new Run.Start(job.id(), ticketId, ticket.document(), idempotencyKey), folder, now));
        pieces.saveAll(made);
        pieces.flush();
        schedule(made);
        runs.finishIfDone(runId, now);
        return run;
    }

    private static void requireNames(Outlook.Whole whole) {
        if (whole.names() instanceof Allotment.Refused refused) {
            throw new ProblemException(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    refused.problems().stream()
                            .map(problem -> new ProblemDetail(
                                    problem.code(), problem.subject(), problem.text(), problem.remedy()))
                            .toList());
        }
    }

    /** Gives a piece its plan, or its trouble. */
    private void settle(Piece piece, Original original, Outlook.Planned planned, Instant now) {
        switch (planned) {
            case Outlook.Planned.Unusable unusable ->
                piece.isInTrouble(
                        new Trouble(
                                unusable.trouble().code(),
                                original.path() + " " + unusable.trouble().text() + ".",
                                unusable.trouble().remedy()),
                        now);
            case Outlook.Planned.Plannable plannable -> settle(piece, original, plannable.planning(), now);
        }
    }

    private void settle(Piece piece, Original original, Planning planning, Instant now) {
        switch (planning) {
            case Planning.Ready ready -> {
                Plan plan = ready.plan();
                piece.isPlanned(
                        new Piece.Planned(
                                json.write(plan),
                                plan.total().width(),
                                plan.total().height(),
                                plan.figures().expectedFileBytes()),
                        now);
            }
            case Planning.Refused refused -> {
                Problem first = refused.problems().getFirst();
                piece.isInTrouble(
                        new Trouble(first.code(), original.path() + ", " + first.text(), first.remedy()), now);
            }
        }
    }

    private void requireSpace(List<Piece> made) {
        long expected = made.stream().mapToLong(Piece::expectedBytes).sum() + pieces.bytesStillToCome();
        long free;
        try {
            free = storage.freeBytes();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        if (expected * RESERVE > free) {
            throw new ProblemException(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "no-room",
                    "storage",
                    String.format(
                            Locale.ROOT,
                            "The run needs about %.1f GB and %.1f GB are free.",
                            expected * RESERVE / 1e9,
                            free / 1e9),
                    "Make room on the disk, or choose smaller files.");
        }
    }

    private String newFolder(Job job, TicketDocument document) {
        try {
            return storage.newDelivery(job.name(), document.folder());
        } catch (IOException failed) {
            throw new ProblemException(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "folder-failed",
                    document.folder(),
                    "The folder “" + document.folder() + "” cannot be made: " + failed.getMessage(),
                    "See that the storage disk is there and has room.");
        }
    }

    private void schedule(List<Piece> wanted) {
        List<Piece> waiting =
                wanted.stream().filter(piece -> piece.state() == State.WAITING).toList();
        if (!waiting.isEmpty()) {
            PieceQueue.schedule(scheduler, waiting, clock);
        }
    }

    /** Stops a run: what waits is taken out of the queue at once, what is being made ends after its strip. */
    public Run stop(UUID id) {
        Run run = get(id);
        run.stop();
        runs.saveAndFlush(run);
        Instant now = clock.instant();
        pieces.stopWaiting(id, now);
        pieces.unschedule(id);
        runs.finishIfDone(id, now);
        return get(id);
    }

    /** Goes on with what was stopped. */
    public Run resume(UUID id) {
        return again(id, State.STOPPED, List.of());
    }

    /**
     * Makes pieces in trouble again, planned afresh from the picture as it is now.
     *
     * @param only the pieces wanted; empty for all in trouble
     */
    public Run retry(UUID id, List<UUID> only) {
        return again(id, State.TROUBLE, only);
    }

    private Run again(UUID id, State state, List<UUID> only) {
        Run run = get(id);
        Instant now = clock.instant();
        Outlook.Ordered ordered = new Outlook.Ordered(json.ticket(run.ticketDocument()), Optional.of(run.ticketId()));
        List<Piece> again = pieces.findByRunIdOrderByPosition(id).stream()
                .filter(piece -> piece.state() == state)
                .filter(piece -> only.isEmpty() || only.contains(piece.id()))
                .toList();
        for (Piece piece : again) {
            originals
                    .findById(piece.originalId())
                    .ifPresent(original -> settle(piece, original, outlook.plan(original, ordered), now));
        }
        run.goOn();
        runs.save(run);
        pieces.saveAllAndFlush(again);
        pieces.unschedule(id);
        schedule(again);
        runs.finishIfDone(id, now);
        return run;
    }
}
