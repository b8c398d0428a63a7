package embrick.server.runs;

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
import embrick.server.storage.DecodeWatch;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Starts, stops, resumes and retries runs. Everything a run needs is decided when it starts: plans, names, folder. */
@Service
public class RunService {
    /** Room kept beyond the estimate. Common practice, no source. */
    private static final double RESERVE = 1.2;

    /** Digits of a digest that fit a lock's number. */
    private static final int LOCK_DIGITS = 16;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final PieceQueue queue;
    private final DeliveredFiles delivered;
    private final JobService jobs;
    private final TicketService tickets;
    private final OriginalRepository originals;
    private final Outlook outlook;
    private final Storage storage;
    private final DecodeWatch watch;
    private final StoredJson json;
    private final TransactionTemplate transaction;
    private final Clock clock;

    @SuppressWarnings("TooManyParameters")
    RunService(
            RunRepository runs,
            PieceRepository pieces,
            PieceQueue queue,
            DeliveredFiles delivered,
            JobService jobs,
            TicketService tickets,
            OriginalRepository originals,
            Outlook outlook,
            Storage storage,
            DecodeWatch watch,
            StoredJson json,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.queue = queue;
        this.delivered = delivered;
        this.jobs = jobs;
        this.tickets = tickets;
        this.originals = originals;
        this.outlook = outlook;
        this.storage = storage;
        this.watch = watch;
        this.json = json;
        this.transaction = transaction;
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
        Optional<Run> known = idempotencyKey.flatMap(key -> startedWith(ticket.jobId(), key));
        if (known.isPresent()) {
            return requireSame(known.get(), wanted);
        }
        Job job = jobs.get(ticket.jobId());
        TicketDocument document = json.ticket(ticket.document());
        Outlook.Whole whole = outlook.of(
                job.id(), job.name(), new Outlook.Ordered(document, Optional.of(wanted.ticketId())), wanted.only());
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
        Run run = runs.save(new Run(
                runId,
                new Run.Start(job.id(), wanted.ticketId(), ticket.document(), idempotencyKey, wanted.digest()),
                folder,
                now));
        pieces.saveAll(made);
        pieces.flush();
        queue.schedule(runId);
        runs.finishIfDone(runId, now);
        return get(run.id());
    }

    /** Starts with one key follow one another, so that all but the first find its run. */
    private Optional<Run> startedWith(UUID jobId, String key) {
        runs.lockKey(HexFormat.fromHexDigitsToLong(Storage.digestOfText(jobId + " " + key), 0, LOCK_DIGITS));
        return runs.findByJobIdAndIdempotencyKey(jobId, key);
    }

    private static Run requireSame(Run known, Wanted wanted) {
        if (!known.wasAskedAs(wanted.digest())) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "idempotency-key-used",
                    "Idempotency-Key",
                    "This Idempotency-Key has started another run of this job, with another ticket or other pictures.",
                    "Use a new key for a new start.");
        }
        return known;
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
                piece.fail(
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
                piece.plan(
                        new Piece.Planned(
                                json.write(plan),
                                plan.total().width(),
                                plan.total().height(),
                                plan.marked().toPpi(),
                                plan.figures().expectedFileBytes()),
                        now);
            }
            case Planning.Refused refused -> {
                Problem first = refused.problems().getFirst();
                piece.fail(new Trouble(first.code(), original.path() + ", " + first.text(), first.remedy()), now);
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

    /** A start that fails after all leaves no folder behind. */
    private String newFolder(Job job, TicketDocument document) {
        String folder;
        try {
            folder = storage.newDelivery(job.name(), document.folder());
        } catch (IOException failed) {
            throw new ProblemException(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "folder-failed",
                    document.folder(),
                    "The folder “" + document.folder() + "” cannot be made: " + failed.getMessage(),
                    "See that the storage disk is there and has room.");
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status == STATUS_ROLLED_BACK) {
                    storage.discardEmptyDelivery(folder);
                }
            }
        });
        return folder;
    }

    /** Stops a run: what waits is taken out of the queue at once, what is being made ends after its strip. */
    @Transactional
    public Run stop(UUID id) {
        Run run = lock(id);
        Instant now = clock.instant();
        if (!run.isStopped() && run.finishedAt().isEmpty()) {
            run.stop();
            runs.saveAndFlush(run);
        }
        pieces.stopWaiting(id, now);
        queue.unschedule(id);
        runs.finishIfDone(id, now);
        return get(id);
    }

    /** Goes on with what was stopped or held up, by the plans that were ordered. */
    @Transactional
    public Run resume(UUID id) {
        Run run = lock(id);
        List<Piece> stopped = pieces.findByRunIdOrderByPosition(id).stream()
                .filter(piece -> piece.state() == State.STOPPED)
                .toList();
        return run.pause().isPresent() || run.isStopped() || !stopped.isEmpty() ? again(run, stopped) : run;
    }

    /**
     * Makes failed pieces again, and finished ones whose file is no longer in the delivery as it was made; by the plans that
     * were ordered. Only a picture that could not be planned then is planned now.
     *
     * @param only the pieces wanted; empty for all that need it, an empty list for none
     */
    public Run retry(UUID id, Optional<List<UUID>> only) {
        Run before = get(id);
        List<PieceRow> wanted = chosen(pieces.rows(id), only);
        // Files are read before anything is locked.
        List<UUID> lost = wanted.stream()
                .filter(piece -> piece.state() == State.CHECKED && !delivered.isIntact(before, piece))
                .map(PieceRow::id)
                .toList();
        Set<UUID> ids = wanted.stream().map(PieceRow::id).collect(Collectors.toSet());
        return transaction.execute(_ -> {
            Run run = lock(id);
            List<Piece> again = pieces.findByRunIdOrderByPosition(id).stream()
                    .filter(piece -> ids.contains(piece.id()))
                    .filter(piece -> piece.state() == State.TROUBLE
                            || piece.state() == State.CHECKED && lost.contains(piece.id()))
                    .toList();
            again.stream()
                    .filter(piece -> piece.state() == State.CHECKED)
                    .forEach(piece -> delivered.setAside(run, piece.name()));
            return again.isEmpty() ? run : again(run, again);
        });
    }

    private static List<PieceRow> chosen(List<PieceRow> all, Optional<List<UUID>> only) {
        if (only.isEmpty()) {
            return all;
        }
        Map<UUID, PieceRow> known = all.stream().collect(Collectors.toMap(PieceRow::id, Function.identity()));
        List<ProblemDetail> unknown = only.get().stream()
                .filter(id -> !known.containsKey(id))
                .map(id -> new ProblemDetail(
                        "unknown-piece", id.toString(), "This run has no piece " + id + ".", "Load the run again."))
                .toList();
        if (!unknown.isEmpty()) {
            throw new ProblemException(HttpStatus.NOT_FOUND, unknown);
        }
        return only.get().stream().distinct().map(known::get).toList();
    }

    private Run lock(UUID id) {
        return runs.lock(id).orElseThrow(() -> ProblemException.notFound("run"));
    }

    /** @param run locked by this transaction */
    private Run again(Run run, List<Piece> again) {
        Instant now = clock.instant();
        Outlook.Ordered ordered = new Outlook.Ordered(json.ticket(run.ticketDocument()), Optional.of(run.ticketId()));
        for (Piece piece : pieces.lockAll(again.stream().map(Piece::id).toList())) {
            Optional<Original> original = originals.findById(piece.originalId());
            original.ifPresent(picture -> watch.trust(picture.digest()));
            if (piece.plan().isEmpty() && original.isPresent()) {
                settle(piece, original.get(), outlook.plan(original.get(), ordered), now);
            } else {
                piece.await(now);
            }
        }
        run.goOn(now, pieces.countByRunIdAndState(run.id(), State.CHECKED));
        runs.saveAndFlush(run);
        pieces.flush();
        queue.schedule(run.id());
        runs.finishIfDone(run.id(), now);
        return get(run.id());
    }
}
