package embrick.server.originals;

import embrick.server.Ids;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OriginalPlace.Kept;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Puts a file that has arrived among the originals of its job.
 *
 * <p>The file becomes an original only together with the row that refers to it: until then it lies among what arrives, where
 * no job's deletion can take it away.
 */
@Component
class OriginalFiling {
    private final OriginalRepository originals;
    private final PileOrders orders;
    private final Clearance clearance;
    private final OriginalRemoval removal;
    private final Storage storage;
    private final TransactionTemplate transaction;
    private final Clock clock;

    OriginalFiling(
            OriginalRepository originals,
            PileOrders orders,
            Clearance clearance,
            OriginalRemoval removal,
            Storage storage,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.orders = orders;
        this.clearance = clearance;
        this.removal = removal;
        this.storage = storage;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What becomes of the framings of a picture that is replaced. */
    enum Framings {
        KEPT,
        /** The new picture has another shape: what was framed of the old one says nothing of it. */
        FORGOTTEN
    }

    /** Puts another content in the place of an original's; the old one is cleared if no other picture has it. */
    Original replace(Original original, Arrival arrival, Judgement judgement, Framings framings) throws IOException {
        return placed(original.jobId(), arrival, letGo -> {
            Original known = originals.findById(original.id()).orElseThrow(() -> ProblemException.notFound("original"));
            removal.requireAtRest(List.of(known));
            if (known.digest().equals(arrival.digest())) {
                // The same bytes elsewhere, or written anew: only where they lie is another.
                known.moveTo(arrival.place());
                judgeAnew(known, arrival, judgement);
            } else {
                letGo.add(clearance.note(known.digest()));
                known.replaceContent(arrival, judgement);
                if (framings == Framings.FORGOTTEN) {
                    originals.forgetFramings(known.id());
                }
            }
            return known;
        });
    }

    /** Files one; the same content under the same path again changes nothing, an intact copy replaces a broken one. */
    Original file(UUID jobId, String path, Arrival arrival, Judgement judgement) throws IOException {
        return placed(jobId, arrival, letGo -> keep(jobId, path, arrival, judgement, letGo));
    }

    /**
     * Work in one transaction on a content that has no row yet: noted first, so that it is cleared if the work fails. What lies
     * under its name already is read before anything is locked.
     *
     * @param work done with the file placed; gets the list of notes to be looked after afterwards
     */
    private Original placed(UUID jobId, Arrival arrival, Function<List<UUID>, Original> work) throws IOException {
        UUID note = clearance.note(arrival.digest());
        List<UUID> letGo = new ArrayList<>(List.of(note));
        try {
            Optional<Object> present = storage.kept(arrival);
            Original filed = transaction.execute(_ -> {
                lockJob(jobId);
                clearance.hold(arrival.digest());
                place(arrival, present);
                Original now = work.apply(letGo);
                clearance.forget(note);
                return now;
            });
            letGo.remove(note);
            return filed;
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        } finally {
            clearance.clear(letGo);
        }
    }

    /** @param letGo gets what was noted of a content that is replaced */
    private Original keep(UUID jobId, String path, Arrival arrival, Judgement judgement, List<UUID> letGo) {
        if (arrival.place() instanceof InPlace here) {
            Optional<Original> known = originals.findByJobIdAndRootAndRootPath(jobId, here.root(), here.path());
            if (known.isPresent()) {
                // If somebody changed it since, whether the new one is meant is for a person to say.
                if (known.get().digest().equals(arrival.digest())) {
                    judgeAnew(known.get(), arrival, judgement);
                }
                return known.get();
            }
        }
        String free = path;
        for (int number = 2; ; number++) {
            Optional<Original> present = originals.findByJobIdAndPath(jobId, free);
            if (present.isEmpty()) {
                break;
            }
            Original known = present.get();
            if (known.digest().equals(arrival.digest()) && arrival.place() instanceof Kept) {
                judgeAnew(known, arrival, judgement);
                return known;
            }
            if (known.state() != State.SOUND && arrival.place() instanceof Kept) {
                letGo.add(clearance.note(known.digest()));
                known.replaceContent(arrival, judgement);
                return known;
            }
            free = OriginalPath.numbered(path, number);
        }
        Original original = new Original(
                Ids.next(), jobId, free, PileOrders.keyOfNew(orders.of(jobId), judgement.said()), clock.instant());
        original.replaceContent(arrival, judgement);
        return originals.save(original);
    }

    /** The same bytes, found sound where they were not before: what was wrong was not theirs. */
    private static void judgeAnew(Original known, Arrival arrival, Judgement judgement) {
        if (known.state() != State.SOUND && judgement.state() == State.SOUND) {
            known.replaceContent(arrival, judgement);
        }
    }

    /** One after the other within a job: equal paths would otherwise meet, and a job must not go away meanwhile. */
    private void lockJob(UUID jobId) {
        if (originals.lockJob(jobId).isEmpty()) {
            throw ProblemException.notFound("job");
        }
    }

    private void place(Arrival arrival, Optional<Object> present) {
        try {
            storage.place(arrival, present);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
