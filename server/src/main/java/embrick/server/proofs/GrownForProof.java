package embrick.server.proofs;

import embrick.core.grown.GrownLayer;
import embrick.core.grown.ReducedGrown;
import embrick.core.plan.Plan;
import embrick.server.backgrounds.Backgrounds;
import embrick.server.framings.Plans;
import embrick.server.problems.ProblemException;
import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The background that a proof shows: the file's own, as it is kept. */
@Component
class GrownForProof {
    private final Backgrounds backgrounds;

    GrownForProof(Backgrounds backgrounds) {
        this.backgrounds = backgrounds;
    }

    /**
     * @param whole the plan of the file
     * @param shown the same, perhaps reduced
     * @return empty where the plan grows none
     * @throws ProblemException if it has not been grown yet
     */
    Optional<GrownLayer> layer(Plans.Planned planned, Plan whole, Plan shown) throws IOException {
        if (whole.growing().isEmpty()) {
            return Optional.empty();
        }
        GrownLayer layer = backgrounds
                .ready(new Backgrounds.Wanted(planned.original().place(), planned.facts(), whole))
                .orElseThrow(() -> new ProblemException(
                        HttpStatus.CONFLICT,
                        "background-not-grown",
                        planned.original().path(),
                        "The background of " + planned.original().path() + " has not been grown yet.",
                        "Ask for it first, and wait until it is there."));
        int channels = whole.colour().to().model().channels();
        return Optional.of(
                shown.equals(whole)
                        ? layer
                        : new ReducedGrown(
                                layer,
                                whole.bareArea().orElseThrow(),
                                shown.bareArea().orElseThrow(),
                                channels));
    }
}
