package embrick.server.storage;

import embrick.core.source.SourceFacts;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Decoded originals, outside the heap, within a budget of bytes: by a setting, or a quarter of the machine's memory,
 * at most 1.5 GB.
 *
 * <p>A picture is admitted before it is decoded, by what its header says. Work on the same original at the same time, or
 * soon after, shares one decoded copy. What nobody uses stays, up to half of the budget, until others need the room; the
 * longest unused goes first. A picture larger than the whole budget waits until it is alone.
 */
@Component
public class DecodedOriginals {
    private static final long LEAST_BUDGET = 256L << 20;
    private static final long MOST_BY_ITSELF = 3L << 29;

    private final long budget;
    private final Map<String, Entry> entries = new LinkedHashMap<>(16, 0.75f, true);
    private long taken;

    @Autowired
    public DecodedOriginals(StorageSettings settings) {
        this(settings.pictureMemory().toBytes() > 0 ? settings.pictureMemory().toBytes() : byItself());
    }

    DecodedOriginals(long budget) {
        this.budget = budget;
    }

    /** What the start script states otherwise: heap and pictures together stay within half of the machine, at most 3 GB. */
    private static long byItself() {
        long machine = ((com.sun.management.OperatingSystemMXBean)
                        java.lang.management.ManagementFactory.getOperatingSystemMXBean())
                .getTotalMemorySize();
        return Math.max(LEAST_BUDGET, Math.min(MOST_BY_ITSELF, machine / 4));
    }

    /** Bytes that decoded pictures may take. */
    public long budget() {
        return budget;
    }

    /** Bytes that they take now. */
    public synchronized long taken() {
        return taken;
    }

    /** Decodes a picture that is not there. */
    public interface Opening {
        OpenedPicture open() throws IOException;
    }

    /** Work on a decoded picture, which stays the cache's. */
    public interface Work<T> {
        T on(OpenedPicture picture) throws IOException;
    }

    private static final class Entry {
        private final long bytes;
        private OpenedPicture picture;
        private int users = 1;

        Entry(long bytes) {
            this.bytes = bytes;
        }

        boolean isIdle() {
            return users == 0;
        }
    }

    /**
     * @param key names the decoded content, a digest for instance
     * @param facts by which room is taken
     */
    public <T> T using(String key, SourceFacts facts, Opening opening, Work<T> work) throws IOException {
        // The file itself may be held too, until the last of it is decoded.
        Entry entry = admit(key, Math.clamp(facts.unpackedBytes() + facts.fileBytes(), 1, budget));
        try {
            if (entry.picture == null) {
                open(key, entry, opening);
            }
            return work.on(entry.picture);
        } finally {
            release(entry);
        }
    }

    /** Joins the users of a picture that is there, or takes room for one that is not. Waits for either. */
    private synchronized Entry admit(String key, long bytes) throws IOException {
        while (true) {
            Entry there = entries.get(key);
            if (there != null && there.picture != null) {
                there.users++;
                return there;
            }
            if (there == null && makeRoom(bytes, budget)) {
                Entry entry = new Entry(bytes);
                entries.put(key, entry);
                taken += bytes;
                return entry;
            }
            try {
                wait();
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while waiting for memory", interrupted);
            }
        }
    }

    private void open(String key, Entry entry, Opening opening) throws IOException {
        OpenedPicture opened = null;
        try {
            opened = opening.open();
        } finally {
            synchronized (this) {
                if (opened == null) {
                    entries.remove(key);
                    taken -= entry.bytes;
                } else {
                    entry.picture = opened;
                }
                notifyAll();
            }
        }
    }

    private synchronized void release(Entry entry) {
        entry.users--;
        makeRoom(0, budget / 2);
        notifyAll();
    }

    /** Closes idle pictures, the longest unused first, until so many more bytes stay within a limit. */
    private boolean makeRoom(long bytes, long limit) {
        Iterator<Entry> oldest = entries.values().iterator();
        while (taken + bytes > limit && oldest.hasNext()) {
            Entry entry = oldest.next();
            if (entry.isIdle()) {
                oldest.remove();
                taken -= entry.bytes;
                entry.picture.close();
            }
        }
        return taken + bytes <= limit;
    }

    synchronized long takenBytes() {
        return taken;
    }
}
