package embrick.server.hotfolders;

import embrick.server.folders.FolderWalk.FoundFile;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Tells which files have stopped growing: their length and time were the same for a while, by this process's own clock. */
final class Stillness {
    private final long still;
    private Map<String, Since> seen = new HashMap<>();

    private record Since(long bytes, Instant modified, long nanos) {
        boolean isOf(FoundFile file) {
            return bytes == file.bytes() && modified.equals(file.modified());
        }
    }

    Stillness(Duration still) {
        this.still = still.toNanos();
    }

    /**
     * @param found all files that are there now
     * @param nanos of a clock that is never set
     * @return those that have not changed for long enough
     */
    List<FoundFile> look(List<FoundFile> found, long nanos) {
        Map<String, Since> now = new HashMap<>();
        List<FoundFile> resting = new ArrayList<>();
        for (FoundFile file : found) {
            Since before = seen.get(file.path());
            Since since =
                    before != null && before.isOf(file) ? before : new Since(file.bytes(), file.modified(), nanos);
            now.put(file.path(), since);
            if (nanos - since.nanos() >= still) {
                resting.add(file);
            }
        }
        seen = now;
        return resting;
    }
}
