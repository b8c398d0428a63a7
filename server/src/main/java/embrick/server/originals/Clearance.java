package embrick.server.originals;

import embrick.server.Ids;
import embrick.server.Locks;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Clears the storage of contents that no job refers to.
 *
 * <p>A content that may be without a job is noted first: before its file is placed, and in the transaction that lets it go.
 * The file is looked at afterwards, its content locked, so that clearing never races a job that takes the same picture in;
 * whatever a kill leaves noted is looked at when the application starts again.
 */
@Service
public class Clearance {
    private static final Logger LOG = LoggerFactory.getLogger(Clearance.class);

    /** Contents that are looked after in one transaction. */
    private static final int AT_ONCE = 100;

    private final OriginalRepository originals;
    private final LooseContentRepository loose;
    private final Locks locks;
    private final Storage storage;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Clearance(
            OriginalRepository originals,
            LooseContentRepository loose,
            Locks locks,
            Storage storage,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.loose = loose;
        this.locks = locks;
        this.storage = storage;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Notes a content in a transaction of its own, or in the caller's. */
    UUID note(String digest) {
        return note(List.of(digest)).getFirst();
    }

    /** Notes several contents likewise. */
    List<UUID> note(List<String> digests) {
        Instant now = clock.instant();
        List<LooseContent> noted = digests.stream()
                .map(digest -> new LooseContent(Ids.next(), digest, now))
                .toList();
        return transaction.execute(
                _ -> loose.saveAll(noted).stream().map(LooseContent::getId).toList());
    }

    /** Notes all that a job refers to, in the transaction that deletes it. */
    public List<UUID> noteAllOf(UUID jobId) {
        return note(originals.digestsOf(jobId));
    }

    /** Holds a content to the end of the caller's transaction. */
    void hold(String digest) {
        locks.hold(digest);
    }

    /** Takes a note back, in the transaction that refers to its content. */
    void forget(UUID note) {
        loose.deleteAllByIdInBatch(List.of(note));
    }

    /** Looks after what was noted: what a job refers to stays. Called when the noting transaction has ended. */
    public void clear(List<UUID> notes) {
        for (int from = 0; from < notes.size(); from += AT_ONCE) {
            List<UUID> some = notes.subList(from, Math.min(notes.size(), from + AT_ONCE));
            try {
                transaction.executeWithoutResult(_ -> clearHeld(loose.findAllById(some)));
            } catch (RuntimeException later) {
                LOG.warn("{} contents stay until the next start: {}", some.size(), later.toString());
            }
        }
    }

    private void clearHeld(List<LooseContent> contents) {
        SortedSet<String> digests = new TreeSet<>();
        contents.forEach(content -> digests.add(content.digest()));
        digests.forEach(locks::hold);
        digests.removeAll(originals.digestsInUse(digests));
        Set<String> staying = new HashSet<>();
        for (String digest : digests) {
            try {
                storage.clear(digest);
            } catch (IOException failed) {
                LOG.warn("original {} stays in the storage", digest, failed);
                staying.add(digest);
            }
        }
        loose.deleteAllInBatch(contents.stream()
                .filter(content -> !staying.contains(content.digest()))
                .toList());
    }

    /** What an earlier process noted and did not come to. Only one process takes pictures in. */
    void clearAll() {
        clear(loose.findAll().stream().map(LooseContent::getId).toList());
    }
}
