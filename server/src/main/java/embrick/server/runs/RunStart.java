package embrick.server.runs;

import embrick.core.names.NameAllotment.Allotment;
import embrick.server.Ids;
import embrick.server.Locks;
import embrick.server.documents.StoredJson;
import embrick.server.documents.TicketDocument;
import embrick.server.framings.Estimate;
import embrick.server.jobs.Job;
import embrick.server.jobs.JobService;
import embrick.server.originals.Original;
import embrick.server.problems.ProblemException;
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
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Starts runs. Everything a run needs is decided when it starts: plans, names, folder. */
@Service
public class RunStart {
    /** Room kept beyond the estimate. Common practice, no source. */
    static final double RESERVE = 1.2;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final PiecePlans plans;
    private final PieceQueue queue;
    private final Locks locks;
    private final JobService jobs;
    private final TicketService tickets;
    private final Estimate estimate;
    private final Storage storage;
    private final StoredJson json;
    private final Clock clock;

    @SuppressWarnings("TooManyParameters")
    RunStart(
            RunRepository runs,
            PieceRepository pieces,
            PiecePlans plans,
            PieceQueue queue,
            Locks locks,
            JobService jobs,
            TicketService tickets,
            Estimate estimate,
            Storage storage,
            StoredJson json,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.plans = plans;
        this.queue = queue;
        this.locks = locks;
        this.jobs = jobs;
        this.tickets = tickets;
        this.estimate = estimate;
        this.storage = storage;
        this.json = json;
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
        Optional<Run> known = idempotencyKey.flatMap(key -> startedWith(ticket.jobId(), key));
        if (known.isPresent()) {
            return requireSame(known.get(), wanted);
        }
        Job job = jobs.get(ticket.jobId());
        TicketDocument document = json.ticket(ticket.document());
        Estimate.Whole whole = estimate.of(
                job.id(), job.name(), new Estimate.Ordered(document, Optional.of(wanted.ticketId())), wanted.only());
        requireNames(whole);
        if (whole.entries().isEmpty()) {
            throw ProblemException.invalid(
                    "nothing-to-print", job.name(), "There is no picture to print.", "Add pictures to the pile first.");
        }
        Instant now = clock.instant();
        UUID runId = Ids.next();
        List<Piece> made = new ArrayList<>();
        for (Estimate.Entry entry : whole.entries()) {
            Original original = entry.original();
            Piece piece = new Piece(
                    Ids.next(), runId, new Piece.Place(original.id(), original.path(), made.size(), entry.name()), now);
            plans.settle(piece, original, entry.planned(), now);
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
        return runs.findById(run.id()).orElseThrow();
    }

    /** Starts with one key follow one another, so that all but the first find its run. */
    private Optional<Run> startedWith(UUID jobId, String key) {
        locks.hold(Storage.digestOfText(jobId + " " + key));
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

    private static void requireNames(Estimate.Whole whole) {
        if (whole.names() instanceof Allotment.Refused refused) {
            throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, refused.problems());
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
}
