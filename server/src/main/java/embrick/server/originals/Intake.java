package embrick.server.originals;

import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.UnusablePictureException;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.originals.Original.Trouble;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.InputStream;
import java.text.Normalizer;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes files in: to the disk, judged, with a small picture, into the job. A file that is no picture is kept in the list
 * with its reason; nothing about one file stops another.
 */
@Service
public class Intake {
    private static final int LONGEST_PATH = 1024;

    private final OriginalRepository originals;
    private final Storage storage;
    private final Formats formats;
    private final SmallPictures smallPictures;
    private final PictureProfiles profiles;
    private final StoredJson json;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Intake(
            OriginalRepository originals,
            Storage storage,
            Formats formats,
            SmallPictures smallPictures,
            PictureProfiles profiles,
            StoredJson json,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.storage = storage;
        this.formats = formats;
        this.smallPictures = smallPictures;
        this.profiles = profiles;
        this.json = json;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A file somebody is about to send. */
    public record Offered(String path, long bytes) {}

    /** Of the files offered, those that have not arrived yet: another content under a known path counts as not arrived. */
    public List<String> missing(UUID jobId, List<Offered> offered) {
        Map<String, Long> present = originals.findByJobIdOrderByPath(jobId).stream()
                .collect(Collectors.toMap(Original::path, Original::fileBytes));
        return offered.stream()
                .filter(file -> !Long.valueOf(file.bytes()).equals(present.get(cleanPath(file.path()))))
                .map(Offered::path)
                .toList();
    }

    /** Takes one file. Sending it again changes nothing; a whole copy takes the place of a broken one. */
    public Original take(UUID jobId, String path, InputStream content) throws IOException {
        String clean = cleanPath(path);
        Storage.Taken taken = storage.take(content);
        Judgement judgement = judge(jobId, taken.digest());
        return transaction.execute(_ -> keep(jobId, clean, taken, judgement));
    }

    private Original keep(UUID jobId, String path, Storage.Taken taken, Judgement judgement) {
        String free = path;
        for (int number = 2; ; number++) {
            Optional<Original> present = originals.findByJobIdAndPath(jobId, free);
            if (present.isEmpty()) {
                break;
            }
            Original known = present.get();
            if (known.digest().equals(taken.digest())) {
                return known;
            }
            if (known.state() != State.SOUND) {
                known.becomes(taken.digest(), taken.bytes(), judgement);
                return known;
            }
            free = numbered(path, number);
        }
        Original original = new Original(Ids.next(), jobId, free, clock.instant());
        original.becomes(taken.digest(), taken.bytes(), judgement);
        return originals.save(original);
    }

    /** {@code a/b.jpg} becomes {@code a/b (2).jpg}: another picture of the same name beside a sound one. */
    private static String numbered(String path, int number) {
        int dot = path.lastIndexOf('.');
        int stemEnd = dot > path.lastIndexOf('/') + 1 ? dot : path.length();
        return path.substring(0, stemEnd) + " (" + number + ")" + path.substring(stemEnd);
    }

    private Judgement judge(UUID jobId, String digest) throws IOException {
        try {
            SourceFacts facts = formats.inspect(storage.original(digest));
            // Decoding the small picture reads the file to its end, so damage is found now and not in the run.
            smallPictures.make(digest, profiles.known(facts, Optional.empty(), profiles.assumed(jobId)));
            return new Judgement(State.SOUND, Optional.of(json.write(facts)), Optional.empty());
        } catch (UnusablePictureException trouble) {
            State state = switch (trouble.kind()) {
                case BROKEN -> State.BROKEN;
                case NOT_FOR_EMBRICK -> State.NOT_FOR_EMBRICK;
                case TOO_LARGE -> State.TOO_LARGE;
            };
            return new Judgement(
                    state,
                    Optional.empty(),
                    Optional.of(new Trouble(trouble.code(), trouble.getMessage(), trouble.remedy())));
        }
    }

    /** A relative path in NFC that stays below its folder. */
    static String cleanPath(String path) {
        String clean = Normalizer.normalize(path, Normalizer.Form.NFC);
        boolean climbs = clean.startsWith("/")
                || clean.contains("\\")
                || clean.chars().anyMatch(c -> c < 0x20)
                || List.of(clean.split("/", -1)).stream()
                        .anyMatch(part -> part.isEmpty() || part.equals(".") || part.equals(".."));
        if (climbs || clean.length() > LONGEST_PATH) {
            throw ProblemException.invalid(
                    "path-leaves-folder",
                    path,
                    "“" + path + "” is not a path below the folder that was dropped.",
                    "Rename the file and drop it again.");
        }
        return clean;
    }
}
