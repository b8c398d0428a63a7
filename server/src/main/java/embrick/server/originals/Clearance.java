package embrick.server.originals;

import embrick.server.storage.Storage;
import java.io.IOException;
import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Clears the storage of originals that no job refers to any more. */
@Service
public class Clearance {
    private static final Logger LOG = LoggerFactory.getLogger(Clearance.class);

    private final OriginalRepository originals;
    private final Storage storage;

    Clearance(OriginalRepository originals, Storage storage) {
        this.originals = originals;
        this.storage = storage;
    }

    /** The contents that a job refers to. */
    public Set<String> digestsOf(UUID jobId) {
        Set<String> digests = new TreeSet<>();
        originals.findByJobIdOrderByPath(jobId).forEach(original -> digests.add(original.digest()));
        return digests;
    }

    /** Called when the job is gone: what another job shares stays. */
    public void clear(Collection<String> digests) {
        for (String digest : digests) {
            if (!originals.existsByDigest(digest)) {
                try {
                    storage.clear(digest);
                } catch (IOException failed) {
                    LOG.warn("original {} stays in the storage", digest, failed);
                }
            }
        }
    }
}
