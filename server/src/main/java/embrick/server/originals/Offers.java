package embrick.server.originals;

import embrick.server.storage.OriginalFiles;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Says which files of a folder have not arrived yet, so that only those are sent. */
@Service
class Offers {
    private final OriginalRepository originals;
    private final OriginalFiles files;

    Offers(OriginalRepository originals, OriginalFiles files) {
        this.originals = originals;
        this.files = files;
    }

    /**
     * A file somebody is about to send.
     *
     * @param sha256 of its content, where it is known
     */
    record Offered(String path, long bytes, Optional<String> sha256) {}

    /**
     * What of an offer is to be sent.
     *
     * @param missing all paths to be sent
     * @param unsure those of them that may have arrived: a file of their path and length is here, and only a digest can tell
     *     whether it is the same
     */
    record Wanted(List<String> missing, List<String> unsure) {}

    /** Of the files offered, those that have not arrived yet, judged by their content. */
    Wanted wanted(UUID jobId, List<Offered> offered) {
        Map<String, Original> present = new HashMap<>();
        originals.findByJobId(jobId).forEach(original -> present.put(original.path(), original));
        List<String> missing = new ArrayList<>();
        List<String> unsure = new ArrayList<>();
        for (Offered file : offered) {
            List<Original> known = ofPath(present, OriginalPath.clean(file.path())).stream()
                    .filter(original -> original.fileBytes() == file.bytes())
                    // What was found broken is looked at again when somebody sends it again.
                    .filter(original -> original.state() != Original.State.BROKEN)
                    .filter(original -> files.isHere(original.place(), original.fileBytes(), original.addedAt()))
                    .toList();
            boolean isHere = file.sha256()
                    .map(String::toLowerCase)
                    .filter(digest -> known.stream()
                            .anyMatch(original -> original.digest().equals(digest)))
                    .isPresent();
            if (!isHere) {
                missing.add(file.path());
                if (file.sha256().isEmpty() && !known.isEmpty()) {
                    unsure.add(file.path());
                }
            }
        }
        return new Wanted(missing, unsure);
    }

    /** All that came under a path, one beside the other. */
    private static List<Original> ofPath(Map<String, Original> present, String path) {
        List<Original> all = new ArrayList<>();
        String next = path;
        for (int number = 2; present.containsKey(next); number++) {
            all.add(present.get(next));
            next = OriginalPath.numbered(path, number);
        }
        return all;
    }
}
