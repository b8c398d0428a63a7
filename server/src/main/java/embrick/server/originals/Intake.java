package embrick.server.originals;

import embrick.core.names.FileNames;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Examination;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.Arrival;
import embrick.server.storage.PictureWork;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
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
    private final Clearance clearance;
    private final Storage storage;
    private final Pictures pictures;
    private final PictureWork work;
    private final Formats formats;
    private final SmallPictures smallPictures;
    private final PictureProfiles profiles;
    private final StoredJson json;
    private final TransactionTemplate transaction;
    private final Clock clock;

    @SuppressWarnings("TooManyParameters")
    Intake(
            OriginalRepository originals,
            Clearance clearance,
            Storage storage,
            Pictures pictures,
            PictureWork work,
            Formats formats,
            SmallPictures smallPictures,
            PictureProfiles profiles,
            StoredJson json,
            TransactionTemplate transaction,
            Clock clock) {
        this.originals = originals;
        this.clearance = clearance;
        this.storage = storage;
        this.pictures = pictures;
        this.work = work;
        this.formats = formats;
        this.smallPictures = smallPictures;
        this.profiles = profiles;
        this.json = json;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * A file somebody is about to send.
     *
     * @param sha256 of its content, where it is known
     */
    public record Offered(String path, long bytes, Optional<String> sha256) {}

    /**
     * What of an offer is to be sent.
     *
     * @param missing all paths to be sent
     * @param unsure those of them that may have arrived: a file of their path and length is here, and only a digest can tell
     *     whether it is the same
     */
    public record Wanted(List<String> missing, List<String> unsure) {}

    /** Of the files offered, those that have not arrived yet, judged by their content. */
    public Wanted wanted(UUID jobId, List<Offered> offered) {
        Map<String, Original> present = new HashMap<>();
        originals.findByJobIdOrderByPath(jobId).forEach(original -> present.put(original.path(), original));
        List<String> missing = new ArrayList<>();
        List<String> unsure = new ArrayList<>();
        for (Offered file : offered) {
            List<Original> known = ofPath(present, cleanPath(file.path())).stream()
                    .filter(original -> original.fileBytes() == file.bytes())
                    .filter(original -> pictures.isHere(original.digest(), original.fileBytes(), original.addedAt()))
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
            next = numbered(path, number);
        }
        return all;
    }

    /**
     * Takes one file. Sending it again changes nothing; an intact copy takes the place of a broken one.
     *
     * <p>The file becomes an original only together with the row that refers to it: until then it lies among what arrives,
     * where no job's deletion can take it away.
     */
    public Original take(UUID jobId, String path, Arrival arrival) throws IOException {
        String clean = cleanPath(path);
        Judgement judgement = work.patiently(() -> judge(jobId, arrival));
        UUID note = clearance.note(arrival.digest());
        List<UUID> letGo = new ArrayList<>(List.of(note));
        try {
            Original kept = transaction.execute(_ -> {
                Original now = keep(jobId, clean, arrival, judgement, letGo);
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
            free = numbered(path, number);
        }
        Original original = new Original(Ids.next(), jobId, free, clock.instant());
        original.replaceContent(arrival.digest(), arrival.fingerprint().bytes(), judgement);
        return originals.save(original);
    }

    /** {@code a/b.jpg} becomes {@code a/b (2).jpg}: another picture of the same name beside a sound one. */
    private static String numbered(String path, int number) {
        int dot = path.lastIndexOf('.');
        int stemEnd = dot > path.lastIndexOf('/') + 1 ? dot : path.length();
        return path.substring(0, stemEnd) + " (" + number + ")" + path.substring(stemEnd);
    }

    private Judgement judge(UUID jobId, Arrival arrival) throws IOException {
        try {
            SourceFacts facts = formats.inspect(arrival.file());
            SourceFacts known = profiles.known(facts, Optional.empty(), profiles.assumed(jobId));
            if (originals.existsByDigestAndState(arrival.digest(), State.SOUND)
                    && smallPictures.areMade(arrival.digest(), known)) {
                return Judgement.sound(json.write(facts));
            }
            // Decoding the small picture reads the file to its end, so damage is found now and not in the run.
            Optional<Damage> damage = smallPictures.make(arrival, known);
            if (damage.isEmpty()) {
                Examination examination = formats.examine(arrival.file());
                damage = examination.damage();
                if (examination.index().isPresent()) {
                    storage.keepIndex(arrival.digest(), examination.index().get());
                }
            }
            return damage.isEmpty() ? Judgement.sound(json.write(facts)) : damaged(facts, damage.get());
        } catch (UnusablePictureException problem) {
            State state = switch (problem.kind()) {
                case BROKEN -> State.BROKEN;
                case NOT_FOR_EMBRICK -> State.NOT_FOR_EMBRICK;
                case TOO_LARGE -> State.TOO_LARGE;
            };
            return Judgement.unusable(
                    state, new Problem(problem.code(), "picture", problem.getMessage(), problem.remedy()));
        }
    }

    /** It can be seen, and a person may say that it is printed all the same. */
    private Judgement damaged(SourceFacts facts, Damage damage) {
        UnusablePictureException refusal = damage.refusal();
        return new Judgement(
                State.BROKEN,
                Optional.of(json.write(facts)),
                Optional.of(new Problem(refusal.code(), "picture", refusal.getMessage(), refusal.remedy())),
                OptionalDouble.of(damage.begins()));
    }

    /** A relative path in NFC that stays below its folder. */
    static String cleanPath(String path) {
        String clean = FileNames.readable(path);
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
