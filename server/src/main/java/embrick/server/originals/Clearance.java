package embrick.server.originals;

import embrick.server.Ids;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.time.Clock;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
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

    /** Digits of a digest that fit a lock's number. */
    private static final int LOCK_DIGITS = 16;

    private final OriginalRepository originals;
    private final LooseContentRepository loose;
    private final Storage storage;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Clearance(
            OriginalRepository originals,
            LooseContentRepository loose,
            Storage storage,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.loose = loose;
        this.storage = storage;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Notes a content in a transaction of its own, or in the caller's. */
    UUID note(String digest) {
        return transaction.execute(_ -> loose.save(new LooseContent(Ids.next(), digest, clock.instant()))
                .id());
    }

    /** Notes all that a job refers to, in the transaction that deletes it. */
    public List<UUID> noteAllOf(UUID jobId) {
        return originals.digestsOf(jobId).stream().map(this::note).toList();
    }

    /** Holds a content to the end of the caller's transaction. */
    void hold(String digest) {
        loose.lock(HexFormat.fromHexDigitsToLong(digest, 0, LOCK_DIGITS));
    }

    /** Takes a note back, in the transaction that refers to its content. */
    void forget(UUID note) {
        loose.forget(note);
    }

    /** Looks after what was noted: what a job refers to stays. Called when the noting transaction has ended. */
    public void clear(Collection<UUID> notes) {
        notes.forEach(this::clear);
    }

    private void clear(UUID note) {
        try {
            transaction.executeWithoutResult(_ -> loose.findById(note).ifPresent(this::clear));
        } catch (RuntimeException later) {
            LOG.warn("a content stays until the next start: {}", later.toString());
        }
    }

    private void clear(LooseContent content) {
        hold(content.digest());
        try {
            if (!originals.existsByDigest(content.digest())) {
                storage.clear(content.digest());
            }
            loose.forget(content.id());
        } catch (IOException failed) {
            LOG.warn("original {} stays in the storage", content.digest(), failed);
        }
    }

    /** What an earlier process noted and did not come to. Only one process takes pictures in. */
    void clearAll() {
        clear(loose.findAll().stream().map(LooseContent::id).toList());
    }
}
