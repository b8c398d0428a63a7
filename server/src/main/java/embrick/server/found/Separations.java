package embrick.server.found;

import embrick.server.problems.ProblemException;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The scans whose prints are being cut apart now, each by one at a time, and how far that has come. */
@Component
class Separations {
    private static final Progress NONE = new Progress(0, 0);

    private final Map<UUID, Progress> underWay = new ConcurrentHashMap<>();

    /**
     * @param done prints that are cut out
     * @param all prints of the scan
     */
    record Progress(int done, int all) {}

    /** One that is under way; closed when it has ended, however it ended. */
    final class Separation implements AutoCloseable {
        private final UUID scan;

        private Separation(UUID scan) {
            this.scan = scan;
        }

        void done(int prints, int all) {
            underWay.put(scan, new Progress(prints, all));
        }

        @Override
        public void close() {
            underWay.remove(scan);
        }
    }

    /** @throws ProblemException if the same scan is being cut apart already */
    Separation begin(UUID scan, String path, int all) {
        if (underWay.putIfAbsent(scan, new Progress(0, all)) != null) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "prints-under-way",
                    path,
                    path + ": its prints are being cut apart.",
                    "Wait until they are in the pile.");
        }
        return new Separation(scan);
    }

    /** How far a scan has come; none of none if nothing is under way. */
    Progress of(UUID scan) {
        return underWay.getOrDefault(scan, NONE);
    }
}
