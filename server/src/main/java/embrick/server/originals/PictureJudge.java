package embrick.server.originals;

import embrick.core.found.detail.DetailMeasure;
import embrick.core.problem.Problem;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.units.PixelSize;
import embrick.formats.Formats;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Examination;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original.Judgement;
import embrick.server.originals.Original.State;
import embrick.server.originals.OriginalFiling.Framings;
import embrick.server.previews.SmallPictures;
import embrick.server.profiles.PictureProfiles;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Looks at a file that has arrived: what picture it is, whether all of it can be read, and its small pictures. */
@Component
class PictureJudge {
    /** Sides that are rounded to whole pixels differ by this share at most in the smallest pictures. */
    private static final double SAME_SHAPE = 0.005;

    private final OriginalRepository originals;
    private final Storage storage;
    private final OriginalFiles files;
    private final Formats formats;
    private final SmallPictures smallPictures;
    private final Pictures pictures;
    private final PictureProfiles profiles;
    private final StoredJson json;

    PictureJudge(
            OriginalRepository originals,
            Storage storage,
            OriginalFiles files,
            Formats formats,
            SmallPictures smallPictures,
            Pictures pictures,
            PictureProfiles profiles,
            StoredJson json) {
        this.originals = originals;
        this.storage = storage;
        this.files = files;
        this.formats = formats;
        this.smallPictures = smallPictures;
        this.pictures = pictures;
        this.profiles = profiles;
        this.json = json;
    }

    /**
     * Reads the whole file. A file that is no picture, or a damaged one, is told in the judgement.
     *
     * @throws NotExaminedException if the machine is to blame: nothing is known of the file
     */
    Judgement judge(UUID jobId, Arrival arrival) throws IOException {
        try {
            Judgement judgement = judgeOnce(jobId, arrival);
            if (judgement.state() == State.BROKEN) {
                files.requireReadable(arrival);
            }
            return judgement;
        } catch (FileSystemException known) {
            throw known;
        } catch (IOException failed) {
            throw NotExaminedException.reading(failed);
        }
    }

    /** @throws UnusablePictureException if a file is larger than any picture of its kind; nothing but its first bytes is read */
    void requireSensibleLength(Path file) throws IOException {
        formats.requireSensibleLength(file);
    }

    private Judgement judgeOnce(UUID jobId, Arrival arrival) throws IOException {
        try {
            SourceFacts facts = formats.inspect(arrival.file());
            PictureSaid said = PictureSaid.of(formats.metadata(arrival.file()));
            SourceFacts known = profiles.known(facts, Optional.empty(), profiles.assumed(jobId));
            Optional<SourceDetail> measured = measuredBefore(arrival.digest());
            if (measured.isPresent() && smallPictures.isMade(arrival.digest(), known)) {
                return sound(facts, measured.get(), said);
            }
            // Decoding the small picture reads the file to its end, so damage is found now and not in the run.
            SmallPictures.Made made = smallPictures.make(arrival, known);
            Optional<Damage> damage = made.damage();
            if (damage.isEmpty()) {
                Examination examination = formats.examine(arrival.file());
                damage = examination.damage();
                if (examination.index().isPresent()) {
                    storage.keepIndex(arrival.digest(), examination.index().get());
                }
            }
            if (damage.isPresent()) {
                return damaged(facts, damage.get(), said);
            }
            SourceDetail detail = made.detail().isPresent()
                    ? made.detail().get()
                    : pictures.whole(arrival, known, opened -> DetailMeasure.of(opened.raster()));
            return sound(facts, detail, said);
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

    /** The same bytes hold the same detail. */
    private Optional<SourceDetail> measuredBefore(String digest) {
        return originals
                .findFirstByDigestAndState(digest, State.SOUND)
                .flatMap(Original::facts)
                .map(facts -> json.facts(facts).detail())
                .filter(SourceDetail::isMeasured);
    }

    private Judgement sound(SourceFacts facts, SourceDetail measured, PictureSaid said) {
        SourceDetail detail = measured.withJpegQuality(facts.detail().jpegQuality());
        return Judgement.sound(json.write(facts.withDetail(detail)), said);
    }

    /** Framings are shares of the picture that is seen: they fit another one of the same shape, whatever its pixels. */
    Framings framings(Original before, Judgement after) {
        double was = before.facts().map(this::seenRatio).orElse(0.0);
        double is = after.factsJson().map(this::seenRatio).orElse(0.0);
        return Math.abs(was - is) <= SAME_SHAPE * is ? Framings.KEPT : Framings.FORGOTTEN;
    }

    private double seenRatio(String facts) {
        SourceFacts read = json.facts(facts);
        PixelSize seen = read.orientation().seenSize(read.stored());
        return (double) seen.width() / seen.height();
    }

    /** It can be seen, and a person may say that it is printed all the same. */
    private Judgement damaged(SourceFacts facts, Damage damage, PictureSaid said) {
        UnusablePictureException refusal = damage.refusal();
        return new Judgement(
                State.BROKEN,
                Optional.of(json.write(facts)),
                Optional.of(new Problem(refusal.code(), "picture", refusal.getMessage(), refusal.remedy())),
                OptionalDouble.of(damage.begins()),
                said);
    }
}
