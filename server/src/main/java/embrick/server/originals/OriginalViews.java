package embrick.server.originals;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.server.documents.StoredJson;
import embrick.server.profiles.PictureProfiles;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What is shown of originals, with the profiles that the job or a person gives them. */
@Component
public class OriginalViews {
    private final PictureProfiles profiles;
    private final StoredJson json;

    OriginalViews(PictureProfiles profiles, StoredJson json) {
        this.profiles = profiles;
        this.json = json;
    }

    /** @param originals all of one job */
    List<OriginalView> of(UUID jobId, List<Original> originals) {
        Map<ColourModel, String> assumed = profiles.assumed(jobId);
        return originals.stream().map(original -> of(original, assumed)).toList();
    }

    /** Empty if it cannot be read as a picture. */
    public Optional<SourceFacts> facts(Original original) {
        return original.facts()
                .map(json::facts)
                .map(original::withStatedPpi)
                .map(found -> profiles.known(found, original.profileDigest(), profiles.assumed(original.jobId())));
    }

    public OriginalView of(Original original) {
        return of(original, profiles.assumed(original.jobId()));
    }

    private OriginalView of(Original original, Map<ColourModel, String> assumed) {
        return new OriginalView(
                original.id(),
                original.path(),
                original.digest(),
                original.fileBytes(),
                original.state(),
                OriginalView.PlaceView.of(original.place()),
                original.derivedFrom().orElse(null),
                original.isLeftOut(),
                original.isPrintedDamaged(),
                original.isForPieces(),
                original.statedPpi().orElse(null),
                damage(original),
                original.facts()
                        .map(json::facts)
                        .map(original::withStatedPpi)
                        .map(facts -> profiles.known(facts, original.profileDigest(), assumed))
                        .map(OriginalView.FactsView::of)
                        .orElse(null),
                original.said().title().orElse(null),
                original.said().creator().orElse(null),
                original.said().taken().orElse(null),
                original.said().isDamaged(),
                original.problem().orElse(null));
    }

    private OriginalView.DamageView damage(Original original) {
        return original.damageBegins().isEmpty()
                ? null
                : OriginalView.DamageView.of(
                        json.facts(original.facts().orElseThrow()).orientation(),
                        original.damageBegins().getAsDouble());
    }
}
