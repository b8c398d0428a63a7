package embrick.server.runs;

import embrick.core.check.Expectation;
import embrick.core.lift.Halo;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.PrintFile;
import embrick.formats.UnusablePictureException;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original;
import embrick.server.originals.Original.Trouble;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DecodedOriginals;
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
 */
@Component
class PieceMaker {
    private static final Logger LOG = LoggerFactory.getLogger(PieceMaker.class);

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final OriginalRepository originals;
    private final PieceFiles files;
    private final Storage storage;
    private final Formats formats;
    private final DecodedOriginals decoded;
    private final StoredJson json;
    private final LiveProgress progress;
    private final TransactionTemplate transaction;
    private final Clock clock;

    PieceMaker(
            RunRepository runs,
            PieceRepository pieces,
            OriginalRepository originals,
            PieceFiles files,
            Storage storage,
            Formats formats,
            DecodedOriginals decoded,
            StoredJson json,
            LiveProgress progress,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.originals = originals;
        this.files = files;
        this.storage = storage;
        this.formats = formats;
        this.decoded = decoded;
        this.json = json;
        this.progress = progress;
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

    void make(UUID pieceId) {
        Optional<Attempt> begun = transaction.execute(_ -> begin(pieceId));
        if (begun.isEmpty()) {
            return;
        }
        Attempt attempt = begun.get();
        try {
            if (!isAlreadyPublished(attempt)) {
                Path made = write(attempt);
                publish(attempt, made);
            }
            finish(attempt, piece -> piece.isIn(State.CHECKED, clock.instant()));
        } catch (StoppedException stopped) {
            finishUnlessOvertaken(attempt, piece -> piece.isIn(State.STOPPED, clock.instant()));
        } catch (UnusablePictureException unusable) {
            trouble(
                    attempt,
                    new Trouble(
                            unusable.code(),
                            attempt.original().path() + " " + unusable.getMessage() + ".",
                            unusable.remedy()));
        } catch (PieceFiles.NameTakenException taken) {
            trouble(attempt, new Trouble("name-taken", taken.getMessage(), "Move that file away, then try again."));
        } catch (IOException failed) {
            LOG.warn("piece {} could not be written", pieceId, failed);
            trouble(
                    attempt,
                    new Trouble(
                            "write-failed",
                            attempt.original().path() + " could not be written: " + failed.getMessage() + ".",
                            "See that the storage disk is there and has room, then try again."));
        } catch (RuntimeException | OutOfMemoryError unexpected) {
            LOG.error("piece {} failed", pieceId, unexpected);
            trouble(
                    attempt,
                    new Trouble(
                            "unexpected",
                            attempt.original().path() + " could not be made: " + unexpected + ".",
                            "Try it again; if it stays, leave this picture out."));
        } finally {
            progress.ended(pieceId);
        }
    }

    private Optional<Attempt> begin(UUID pieceId) {
        Piece piece = pieces.lock(pieceId).orElse(null);
        if (piece == null || (piece.state() != State.WAITING && piece.state() != State.MAKING)) {
            return Optional.empty();
        }
        Run run = runs.findById(piece.runId()).orElseThrow();
        Original original = originals.findById(piece.originalId()).orElse(null);
        if (original == null || piece.plan().isEmpty()) {
            piece.isInTrouble(
                    new Trouble(
                            "original-gone",
                            piece.originalPath() + " is no longer in the pile.",
                            "Add it again and start a new run."),
                    clock.instant());
            runs.finishIfDone(run.id(), clock.instant());
            return Optional.empty();
        }
        Optional<String> intended = piece.digest();
        int number = piece.begin(clock.instant());
        progress.began(pieceId, run.id());
        return Optional.of(new Attempt(
                pieceId,
                run.id(),
                number,
                json.plan(piece.plan().get()),
                original,
                storage.delivery(run.folder()).resolve(piece.name()),
                intended));
    }

    /** A former attempt may have been ended after publishing and before it could say so. */
    private boolean isAlreadyPublished(Attempt attempt) throws IOException {
        return attempt.intended().isPresent()
                && files.holds(attempt.target(), attempt.intended().get());
    }

    private Path write(Attempt attempt) throws IOException {
        Path original = storage.original(attempt.original().digest());
        Path temporary = files.temporary(attempt.pieceId(), attempt.number());
        Optional<Halo> halo = formats.isOnlyRemarked(original, attempt.plan())
                ? remark(attempt, original, temporary)
                : print(attempt, original, temporary);
        check(attempt, temporary);
        Piece.Made made = new Piece.Made(
                Storage.digestOf(temporary), java.nio.file.Files.size(temporary), halo.map(Halo::percent));
        transaction.executeWithoutResult(_ -> pieces.lock(attempt.pieceId()).ifPresent(piece -> piece.intends(made)));
        return temporary;
    }

    private Optional<Halo> remark(Attempt attempt, Path original, Path temporary) throws IOException {
        try (PieceFiles.NewFile target = files.create(temporary)) {
            formats.remark(original, attempt.plan(), target);
        }
        return Optional.empty();
    }

    private Optional<Halo> print(Attempt attempt, Path original, Path temporary) throws IOException {
        SourceFacts facts = formats.inspect(original);
        return decoded.using(attempt.original().digest(), facts, () -> formats.open(original), opened -> {
            Print print = formats.print(attempt.plan(), opened.raster());
            try (PieceFiles.NewFile target = files.create(temporary)) {
                formats.write(print, attempt.plan(), target, strips(attempt));
            }
            return print.halo();
        });
    }

    private PrintFile.Progress strips(Attempt attempt) {
        return (done, all) -> {
            if (progress.strip(attempt.pieceId(), done, all)
                    && runs.findById(attempt.runId()).map(Run::isStopped).orElse(true)) {
                throw new StoppedException();
            }
        };
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

    private void publish(Attempt attempt, Path made) throws IOException {
        files.publish(made, attempt.target());
    }

    private void trouble(Attempt attempt, Trouble trouble) {
        finishUnlessOvertaken(attempt, piece -> piece.isInTrouble(trouble, clock.instant()));
    }

    /** A worker that was taken for dead may still be at it: what went wrong with it is not the piece's trouble any more. */
    private void finishUnlessOvertaken(Attempt attempt, Consumer<Piece> change) {
        finish(attempt, piece -> {
            if (piece.attempts() == attempt.number() && piece.state() == State.MAKING) {
                change.accept(piece);
            }
        });
    }

    private void finish(Attempt attempt, Consumer<Piece> change) {
        files.discardAttempts(attempt.pieceId(), attempt.number());
        transaction.executeWithoutResult(_ -> {
            pieces.lock(attempt.pieceId()).ifPresent(piece -> {
                change.accept(piece);
                pieces.flush();
            });
            runs.finishIfDone(attempt.runId(), clock.instant());
        });
    }
}
