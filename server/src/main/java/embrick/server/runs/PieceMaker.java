package embrick.server.runs;

import embrick.core.check.Expectation;
import embrick.core.lift.Halo;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.PrintFile;
import embrick.formats.UnfitMachineException;
import embrick.formats.UnusablePictureException;
import embrick.server.Failures;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original;
import embrick.server.originals.Original.Trouble;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Piece.State;
import embrick.server.storage.Fingerprint;
import embrick.server.storage.OriginalLostException;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Makes one piece, safe against a kill at any instant.
 *
 * <p>The steps, each of which can run twice without harm: note the attempt, which names the temporary file · write and
 * force it · open it again and hold it against the plan · note its digest · publish it under its final name, never
 * replacing anything · note that it is done. A rerun that finds a file with the digest it noted under the final name has
 * nothing left to do. So a piece is made at least once and published exactly once.
 *
 * <p>What goes wrong is told apart by whose fault it is. The picture's: the piece fails with its reason. The disk's: the run
 * is held up until there is room ({@link Pauses}). The database's or this machine's: the queue tries again later, here or
 * elsewhere. Nobody's, because another attempt has taken over: nothing.
 */
@Component
class PieceMaker {
    private static final Logger LOG = LoggerFactory.getLogger(PieceMaker.class);

    /** Processes that may end while they make one piece before it is set aside. */
    private static final int MOST_DEATHS = 3;

    /** Tries on machines that cannot make a piece, for want of a library, before it fails for that reason. */
    private static final int MOST_UNFIT = 4;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final OriginalRepository originals;
    private final PieceFiles files;
    private final Pauses pauses;
    private final Storage storage;
    private final Formats formats;
    private final Pictures pictures;
    private final StoredJson json;
    private final LiveProgress progress;
    private final ProcessId process;
    private final TransactionTemplate transaction;
    private final Clock clock;

    @SuppressWarnings("TooManyParameters")
    PieceMaker(
            RunRepository runs,
            PieceRepository pieces,
            OriginalRepository originals,
            PieceFiles files,
            Pauses pauses,
            Storage storage,
            Formats formats,
            Pictures pictures,
            StoredJson json,
            LiveProgress progress,
            ProcessId process,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.originals = originals;
        this.files = files;
        this.pauses = pauses;
        this.storage = storage;
        this.formats = formats;
        this.pictures = pictures;
        this.json = json;
        this.progress = progress;
        this.process = process;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Everything an attempt needs, read in one transaction. */
    private record Attempt(
            UUID pieceId,
            UUID runId,
            int number,
            Plan plan,
            Original original,
            Path target,
            Optional<String> intended) {}

    /** The run was stopped while the piece was being made. */
    private static final class StoppedException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /** Another attempt at the piece has begun: this one was taken for dead. */
    private static final class OvertakenException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /**
     * @param failures of the queue at this piece, one after another, just before this
     */
    void make(UUID pieceId, int failures) {
        Optional<Attempt> begun = transaction.execute(_ -> begin(pieceId));
        if (begun.isEmpty()) {
            return;
        }
        Attempt attempt = begun.get();
        try {
            carryOut(attempt);
        } catch (StoppedException stopped) {
            settle(attempt, piece -> piece.stop(clock.instant()));
        } catch (OvertakenException overtaken) {
            LOG.info("piece {} is being made by another attempt", pieceId);
        } catch (OriginalLostException lost) {
            fail(attempt, "original-lost", lost.text(), OriginalLostException.remedy());
        } catch (UnusablePictureException unusable) {
            fail(attempt, unusable.code(), unusable.getMessage(), unusable.remedy());
        } catch (PieceFiles.NameTakenException taken) {
            settle(
                    attempt,
                    piece -> piece.fail(
                            new Trouble("name-taken", taken.getMessage(), "Move that file away, then try again."),
                            clock.instant()));
        } catch (IOException failed) {
            failOrPause(attempt, failed);
        } catch (RuntimeException | Error failed) {
            failOrTryLater(attempt, failed, failures);
        } finally {
            progress.ended(pieceId);
            files.discardAttempts(pieceId, attempt.number(), Optional.of(attempt.target()));
        }
    }

    private Optional<Attempt> begin(UUID pieceId) {
        UUID runId = pieces.row(pieceId).map(PieceRow::runId).orElse(null);
        if (runId == null) {
            return Optional.empty();
        }
        runs.lockRow(runId);
        Piece piece = pieces.lock(pieceId).orElse(null);
        if (piece == null || (piece.state() != State.WAITING && piece.state() != State.MAKING)) {
            return Optional.empty();
        }
        Run run = runs.findById(runId).orElseThrow();
        if (run.pause().isPresent() || run.isStopped()) {
            // Whoever lets the run go on puts it into the queue again.
            if (run.isStopped()) {
                piece.stop(clock.instant());
                runs.finishIfDone(runId, clock.instant());
            }
            return Optional.empty();
        }
        Optional<String> intended = piece.digest();
        int number = piece.begin(process.get(), clock.instant());
        Optional<Trouble> unmakeable = unmakeable(piece);
        if (unmakeable.isPresent()) {
            piece.fail(unmakeable.get(), clock.instant());
            runs.finishIfDone(runId, clock.instant());
            return Optional.empty();
        }
        progress.began(pieceId, runId);
        return Optional.of(new Attempt(
                pieceId,
                runId,
                number,
                json.plan(piece.plan().orElseThrow()),
                originals.findById(piece.originalId()).orElseThrow(),
                storage.delivery(run.folder()).resolve(piece.name()),
                intended));
    }

    /** Why a piece cannot even be begun. */
    private Optional<Trouble> unmakeable(Piece piece) {
        if (piece.deaths() >= MOST_DEATHS) {
            return Optional.of(new Trouble(
                    "set-aside",
                    piece.originalPath() + " was set aside: " + piece.deaths()
                            + " times Embrick's process ended while this piece was being made.",
                    "Try it again; if it happens again, leave this picture out."));
        }
        if (piece.plan().isEmpty() || !originals.existsById(piece.originalId())) {
            return Optional.of(new Trouble(
                    "original-gone",
                    piece.originalPath() + " is no longer in the pile.",
                    "Add it again and start a new run."));
        }
        try {
            json.plan(piece.plan().get());
            return Optional.empty();
        } catch (RuntimeException unreadable) {
            LOG.error("the plan of piece {} cannot be read", piece.id(), unreadable);
            return Optional.of(new Trouble(
                    "plan-unreadable",
                    "The stored plan of " + piece.name() + " cannot be read by this version of Embrick.",
                    "Start a new run of this picture."));
        }
    }

    private void carryOut(Attempt attempt) throws IOException {
        // A former attempt may have been ended after publishing and before it could say so.
        boolean isPublished = attempt.intended().isPresent()
                && files.holds(attempt.target(), attempt.intended().get());
        if (!isPublished) {
            Path temporary = files.temporary(attempt.pieceId(), attempt.number());
            Fingerprint fingerprint = write(attempt, temporary);
            files.publish(temporary, attempt.target());
            files.discardAttempts(attempt.pieceId(), attempt.number(), Optional.of(attempt.target()));
            files.note(attempt.target(), fingerprint);
        }
        finish(attempt);
    }

    private Fingerprint write(Attempt attempt, Path temporary) throws IOException {
        Path original = pictures.intact(attempt.original().digest());
        Optional<Halo> halo = formats.isOnlyRemarked(original, attempt.plan())
                ? remark(attempt, original, temporary)
                : print(attempt, original, temporary);
        check(attempt, temporary);
        Fingerprint fingerprint = Storage.fingerprintOf(temporary);
        Piece.Made made = new Piece.Made(fingerprint.sha256(), fingerprint.bytes(), halo.map(Halo::percent));
        transaction.executeWithoutResult(_ -> {
            Piece piece = pieces.lock(attempt.pieceId()).orElseThrow(OvertakenException::new);
            if (!piece.isAttempt(attempt.number())) {
                throw new OvertakenException();
            }
            piece.intend(made);
        });
        return fingerprint;
    }

    private Optional<Halo> remark(Attempt attempt, Path original, Path temporary) throws IOException {
        try (PieceFiles.NewFile target = files.create(temporary)) {
            formats.remark(original, attempt.plan(), target);
        }
        return Optional.empty();
    }

    private Optional<Halo> print(Attempt attempt, Path original, Path temporary) throws IOException {
        SourceFacts facts = formats.inspect(original);
        return pictures.whole(attempt.original().digest(), facts, opened -> {
            Print print = formats.print(attempt.plan(), opened.raster());
            try (PieceFiles.NewFile target = files.create(temporary)) {
                formats.write(print, attempt.plan(), target, strips(attempt));
            }
            return print.halo();
        });
    }

    private PrintFile.Progress strips(Attempt attempt) {
        return (done, all) -> {
            if (progress.strip(attempt.pieceId(), done, all) && isStopped(attempt)) {
                throw new StoppedException();
            }
        };
    }

    private boolean isStopped(Attempt attempt) {
        try {
            return runs.findById(attempt.runId()).map(Run::isStopped).orElse(true);
        } catch (RuntimeException failed) {
            if (Failures.isDatabaseAway(failed)) {
                // It may be back before the piece is done.
                return false;
            }
            throw failed;
        }
    }

    /** Reads the file again, to its last byte, and holds it against the plan. */
    private void check(Attempt attempt, Path file) throws IOException {
        progress.checking(attempt.pieceId());
        Expectation expectation = Expectation.of(
                attempt.plan(),
                formats.profiles().digest(attempt.plan().colour().to()));
        Formats.Verified found = formats.verify(file, attempt.plan().file());
        List<Expectation.Difference> differences = expectation.differences(found.facts(), found.page());
        if (!differences.isEmpty()) {
            throw new IOException("the finished file is not as planned: " + differences);
        }
    }

    private void fail(Attempt attempt, String code, String reason, String remedy) {
        Trouble trouble = new Trouble(code, attempt.original().path() + " " + reason + ".", remedy);
        settle(attempt, piece -> piece.fail(trouble, clock.instant()));
    }

    private void failOrPause(Attempt attempt, IOException failed) {
        LOG.warn("piece {} could not be written", attempt.pieceId(), failed);
        Optional<Trouble> ofTheDisk = pauses.reasonFor(failed, attempt.target().getParent());
        if (ofTheDisk.isPresent()) {
            transaction.executeWithoutResult(_ -> {
                pauses.pause(attempt.runId(), ofTheDisk.get());
                pieces.lock(attempt.pieceId())
                        .filter(piece -> piece.isAttempt(attempt.number()))
                        .ifPresent(piece -> piece.giveBack(clock.instant()));
            });
            return;
        }
        fail(
                attempt,
                "write-failed",
                "could not be written: " + failed.getMessage(),
                "See that the storage disk is there and has room, then try again.");
    }

    private void failOrTryLater(Attempt attempt, Throwable failed, int failures) {
        if (Failures.isDatabaseAway(failed)) {
            LOG.warn("piece {} waits for the database: {}", attempt.pieceId(), failed.toString());
            throw new TryLaterException(failed);
        }
        Optional<UnfitMachineException> unfit = UnfitMachineException.behind(failed);
        if (unfit.isPresent() && failures < MOST_UNFIT) {
            LOG.warn(
                    "this machine cannot make piece {}: {}",
                    attempt.pieceId(),
                    unfit.get().getMessage());
            throw new TryLaterException(failed);
        }
        LOG.error("piece {} failed", attempt.pieceId(), failed);
        if (unfit.isPresent()) {
            fail(
                    attempt,
                    "machine-unfit",
                    "could not be made on this machine: " + unfit.get().getMessage(),
                    "Install what is missing, then try it again.");
        } else {
            fail(
                    attempt,
                    "unexpected",
                    "could not be made, by a mistake inside Embrick ("
                            + failed.getClass().getSimpleName() + ")",
                    "Try it again; if it stays, leave this picture out and report what the log says.");
        }
    }

    /** A file is in its place: whoever made it, the piece is done. */
    private void finish(Attempt attempt) {
        change(attempt, piece -> piece.finish(clock.instant()));
    }

    /** A worker that was taken for dead may still be at it: what went wrong with it is not the piece's trouble any more. */
    private void settle(Attempt attempt, Consumer<Piece> change) {
        files.discardAttempts(attempt.pieceId(), attempt.number(), Optional.of(attempt.target()));
        change(attempt, piece -> {
            if (piece.isAttempt(attempt.number())) {
                change.accept(piece);
            }
        });
    }

    private void change(Attempt attempt, Consumer<Piece> change) {
        transaction.executeWithoutResult(_ -> {
            runs.lockRow(attempt.runId());
            pieces.lock(attempt.pieceId()).ifPresent(change);
            runs.finishIfDone(attempt.runId(), clock.instant());
        });
    }
}
