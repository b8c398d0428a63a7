package embrick.server.originals;

import embrick.server.documents.StoredJson;
import embrick.server.problems.ProblemException;
import embrick.server.profiles.PictureProfiles;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is said of originals after they were taken in: whether they are printed, and which profile they have. */
@Service
@Transactional
public class Originals {
    private final OriginalRepository originals;
    private final PictureProfiles profiles;
    private final StoredJson json;

    Originals(OriginalRepository originals, PictureProfiles profiles, StoredJson json) {
        this.originals = originals;
        this.profiles = profiles;
        this.json = json;
    }

    /** @throws ProblemException if there is none of this id */
    @Transactional(readOnly = true)
    public Original get(UUID id) {
        return originals.findById(id).orElseThrow(() -> ProblemException.notFound("original"));
    }

    @Transactional(readOnly = true)
    public List<Original> of(UUID jobId) {
        return originals.inOrder(jobId);
    }

    public Original leaveOut(UUID id, boolean left) {
        Original original = get(id);
        original.leaveOut(left);
        return original;
    }

    /** Keeps the link of a picture to the one that it was cut out of. */
    @Transactional
    public Original deriveFrom(UUID id, UUID sourceId) {
        Original original = get(id);
        original.deriveFrom(sourceId);
        return original;
    }

    /** @throws ProblemException if it is printed anyway, or never can be */
    Original printDamaged(UUID id, boolean printed) {
        Original original = get(id);
        if (printed && original.damageBegins().isEmpty()) {
            throw ProblemException.invalid(
                    "not-damaged",
                    original.path(),
                    original.path()
                            + (original.state() == Original.State.SOUND
                                    ? " is not damaged: it is printed anyway."
                                    : " cannot be printed: nothing of it can be seen."),
                    "See its state in the pile.");
        }
        original.printDamaged(printed);
        return original;
    }

    /**
     * @param ids all of one job
     * @param digest empty for what their files say
     * @throws ProblemException if a picture is not of the job, or a profile is for other pictures
     */
    List<Original> assignProfile(UUID jobId, List<UUID> ids, Optional<String> digest) {
        List<Original> wanted = originals.requireOf(jobId, ids);
        for (Original picture : wanted) {
            if (digest.isPresent() && picture.facts().isPresent()) {
                profiles.require(
                        digest.get(), json.facts(picture.facts().get()).colour().model());
            }
            picture.assignProfile(digest.filter(_ -> picture.facts().isPresent()));
        }
        return wanted;
    }

    /** @param ppi that gives the picture its true size; empty for what its file says */
    @Transactional
    Original stateSize(UUID id, Optional<BigDecimal> ppi) {
        Original picture = get(id);
        picture.statePpi(ppi);
        return picture;
    }
}
