package embrick.server.originals;

import embrick.server.Ids;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
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
    private final Clearance clearance;
    private final Storage storage;
    private final TransactionTemplate transaction;
    private final Clock clock;

    OriginalFiling(
            OriginalRepository originals,
            Clearance clearance,
            Storage storage,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.clearance = clearance;
        this.storage = storage;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Files one; the same content under the same path again changes nothing, an intact copy replaces a broken one. */
    Original file(UUID jobId, String path, Arrival arrival, Judgement judgement) throws IOException {
        UUID note = clearance.note(arrival.digest());
        List<UUID> letGo = new ArrayList<>(List.of(note));
        try {
            Original kept = transaction.execute(_ -> {
                Original now = keep(jobId, path, arrival, judgement, letGo);
                clearance.forget(note);
                return now;
            });
            letGo.remove(note);
            return kept;
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        } finally {
            clearance.clear(letGo);
        }
    }

    /** @param letGo gets what was noted of a content that is replaced */
    private Original keep(UUID jobId, String path, Arrival arrival, Judgement judgement, List<UUID> letGo) {
        // One after the other within a job: equal paths would otherwise meet, and a job must not go away meanwhile.
        if (originals.lockJob(jobId).isEmpty()) {
            throw ProblemException.notFound("job");
        }
        clearance.hold(arrival.digest());
        try {
            storage.place(arrival);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        String free = path;
        for (int number = 2; ; number++) {
            Optional<Original> present = originals.findByJobIdAndPath(jobId, free);
            if (present.isEmpty()) {
                break;
            }
            Original known = present.get();
            if (known.digest().equals(arrival.digest())) {
                return known;
            }
            if (known.state() != State.SOUND) {
                letGo.add(clearance.note(known.digest()));
                known.replaceContent(arrival.digest(), arrival.fingerprint().bytes(), judgement);
                return known;
            }
            free = OriginalPath.numbered(path, number);
        }
        Original original = new Original(Ids.next(), jobId, free, clock.instant());
        original.replaceContent(arrival.digest(), arrival.fingerprint().bytes(), judgement);
        return originals.save(original);
    }
}
