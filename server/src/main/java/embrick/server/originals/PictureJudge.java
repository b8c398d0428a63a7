package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Examination;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.previews.SmallPictures;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.Arrival;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Looks at a file that has arrived: what picture it is, whether all of it can be read, and its small pictures. */
@Component
class PictureJudge {
    private final OriginalRepository originals;
    private final Storage storage;
    private final Formats formats;
    private final SmallPictures smallPictures;
    private final PictureProfiles profiles;
    private final StoredJson json;

    PictureJudge(
            OriginalRepository originals,
            Storage storage,
            Formats formats,
            SmallPictures smallPictures,
            PictureProfiles profiles,
            StoredJson json) {
        this.originals = originals;
        this.storage = storage;
        this.formats = formats;
        this.smallPictures = smallPictures;
        this.profiles = profiles;
        this.json = json;
    }

    /** Reads the whole file. A file that is no picture, or a damaged one, is told in the judgement. */
    Judgement judge(UUID jobId, Arrival arrival) throws IOException {
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
}
