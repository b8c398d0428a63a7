package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.formats.binding.UnfitMachineException;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.Failures;
import embrick.server.runs.Attempts.Attempt;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.Fingerprint;
import embrick.server.storage.OriginalLostException;
import embrick.server.storage.RootAwayException;
import embrick.server.storage.RootUnknownException;
import embrick.server.workers.LiveProgress;
import embrick.server.workers.StageTimes;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Makes one piece, safe against a kill at any instant.
 *
 * <p>The steps, each of which can run twice without harm: note the attempt, which names the temporary file · write and
 * force it · open it again and hold it against the plan · note its digest · publish it under its final name, never
 * replacing anything · note that it is done. A rerun that finds a file with the digest it noted under the final name has
 * nothing left to do. So a piece is made at least once and published exactly once.
 *
 * <p>What goes wrong is told apart by whose fault it is. The picture's: the piece fails with its reason. The disk's: the run
 * is held up until there is room ({@link Pauses}). The original's disk's or a decoder's process's: a few more tries. The database's or this machine's: the queue tries again later, here or
 * elsewhere. Nobody's, because another attempt has taken over: nothing.
 */
@Component
class PieceMaker {
    private static final Logger LOG = LoggerFactory.getLogger(PieceMaker.class);

    /** Tries, with growing pauses, of a piece that a machine cannot make, before it fails for that reason. */
    private static final int MOST_UNFIT = 4;

    private final Attempts attempts;
    private final PieceWriter writer;
    private final PieceFiles files;
    private final DeliveryFolders folders;
    private final Pauses pauses;
    private final LiveProgress progress;
    private final StageTimes times;

    PieceMaker(
            Attempts attempts,
            PieceWriter writer,
            PieceFiles files,
            DeliveryFolders folders,
            Pauses pauses,
            LiveProgress progress,
            StageTimes times) {
        this.attempts = attempts;
        this.writer = writer;
        this.files = files;
        this.folders = folders;
        this.pauses = pauses;
        this.progress = progress;
        this.times = times;
    }

    /**
     * @param failures of the queue at this piece, one after another, just before this
     */
    void make(UUID pieceId, int failures) {
        Optional<Attempt> begun;
        try {
            begun = attempts.begin(pieceId);
        } catch (RootUnknownException elsewhere) {
            tryElsewhere(pieceId, elsewhere, failures);
            attempts.failUnbegun(pieceId, unknownFolder("A piece", elsewhere));
            return;
        }
        if (begun.isEmpty()) {
            return;
        }
        Attempt attempt = begun.get();
        progress.began(pieceId, attempt.runId());
        try {
            carryOut(attempt);
        } catch (PieceWriter.StoppedException stopped) {
            discard(attempt);
            attempts.stop(attempt);
        } catch (Attempts.OvertakenException overtaken) {
            LOG.info("piece {} is being made by another attempt", pieceId);
        } catch (OriginalLostException lost) {
            fail(attempt, "original-lost", lost.text(), lost.remedy());
        } catch (RootAwayException away) {
            attempts.giveBack(attempt, Pauses.awayReason(away.root()), pauses);
        } catch (RootUnknownException elsewhere) {
            tryElsewhere(pieceId, elsewhere, failures);
            fail(attempt, unknownFolder(attempt.original().path(), elsewhere));
        } catch (NotExaminedException failed) {
            failUnexamined(attempt, failed, failures);
        } catch (UnusablePictureException unusable) {
            fail(attempt, unusable.code(), unusable.getMessage(), unusable.remedy());
        } catch (PieceFiles.NameTakenException taken) {
            fail(
                    attempt,
                    new Problem("name-taken", "piece", taken.getMessage(), "Move that file away, then try again."));
        } catch (IOException failed) {
            failOrPause(attempt, failed);
        } catch (RuntimeException | Error failed) {
            failOrTryLater(attempt, failed, failures);
        } finally {
            progress.ended(pieceId);
            discard(attempt);
        }
    }

    /** Before a change is noted as well as after: whoever sees a piece that is settled sees nothing temporary of it. */
    private void discard(Attempt attempt) {
        files.discardAttempts(attempt.pieceId(), attempt.number(), Optional.of(attempt.target()));
    }

    private void carryOut(Attempt attempt) throws IOException {
        // A former attempt may have been ended after publishing and before it could say so.
        boolean isPublished = attempt.intended().isPresent()
                && files.holds(attempt.target(), attempt.intended().get());
        if (!isPublished) {
            Path temporary = files.temporary(attempt.pieceId(), attempt.number());
            Fingerprint fingerprint = writer.write(attempt, temporary);
            long written = System.nanoTime();
            folders.require(attempt.place());
            files.makeSubfolders(attempt.folder(), attempt.target());
            files.publish(temporary, attempt.target());
            times.add(StageTimes.Stage.PUBLISH, System.nanoTime() - written);
            discard(attempt);
            files.note(attempt.target(), fingerprint);
        }
        attempts.finish(attempt);
    }

    private void fail(Attempt attempt, String code, String reason, String remedy) {
        fail(attempt, new Problem(code, "piece", attempt.original().path() + " " + reason + ".", remedy));
    }

    private void fail(Attempt attempt, Problem problem) {
        discard(attempt);
        attempts.fail(attempt, problem);
    }

    /** Pauses the whole run if a disk is full or away, and says whether it did. */
    private boolean pauseIfDiskFailed(IOException failed, Attempt attempt) {
        Optional<Problem> reason = pauses.reasonFor(failed, attempt.original().place(), attempt.place());
        reason.ifPresent(problem -> attempts.giveBack(attempt, problem, pauses));
        return reason.isPresent();
    }

    private void failOrPause(Attempt attempt, IOException failed) {
        LOG.warn("piece {} could not be written", attempt.pieceId(), failed);
        if (pauseIfDiskFailed(failed, attempt)) {
            return;
        }
        fail(
                attempt,
                "write-failed",
                "could not be written: " + Failures.words(failed),
                "See that the storage disk is there and has room, then try again.");
    }

    /** The disk of the original, or a decoder's process, failed: it waits for the disk, or is tried again, before it fails. */
    private void failUnexamined(Attempt attempt, NotExaminedException failed, int failures) {
        if (pauseIfDiskFailed(failed, attempt)) {
            return;
        }
        if (failures < MOST_UNFIT) {
            LOG.warn("piece {} is tried again: {}", attempt.pieceId(), failed.getMessage());
            throw new TryLaterException(failed);
        }
        fail(
                attempt,
                "not-examined",
                "could not be read, though it was before: " + failed.getMessage(),
                "See that its disk is there and this machine has memory to spare, then try it again.");
    }

    /** Another machine may have the folder that this one does not: the first times the piece goes back to the queue. */
    private static void tryElsewhere(UUID pieceId, RootUnknownException unknown, int failures) {
        if (failures < MOST_UNFIT) {
            LOG.warn("piece {} waits for another machine: {}", pieceId, unknown.getMessage());
            throw new TryLaterException(unknown);
        }
    }

    private static Problem unknownFolder(String what, RootUnknownException unknown) {
        return new Problem(
                "folder-unknown",
                "piece",
                what + " lies in, or goes to, a folder that this machine may not open: " + unknown.getMessage() + ".",
                "Allow the folder by EMBRICK_ROOTS on each machine that makes pieces, start it again, then try this again.");
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
}
