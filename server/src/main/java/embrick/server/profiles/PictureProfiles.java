package embrick.server.profiles;

import embrick.core.colour.ProfileRef;
import embrick.core.pixels.ColourModel;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.OutputColour;
import embrick.formats.icc.ProfileFacts;
import embrick.formats.icc.ProfileFacts.Use;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.server.problems.ProblemException;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Where each picture's colours are known from: what somebody said, else the file's own profile, else what its tags name, else
 * the job's assumption.
 */
@Service
public class PictureProfiles {
    /** What Embrick assumes where a job says nothing. Inks without a profile are anybody's guess; this one is visible. */
    private static final Map<ColourModel, ShippedProfile> ASSUMED = Map.of(
            ColourModel.GREY, ShippedProfile.GREY_SRGB,
            ColourModel.RGB, ShippedProfile.SRGB,
            ColourModel.CMYK, ShippedProfile.LUSTRE_CMYK);

    private final AssumptionRepository assumptions;
    private final ProfileShelf shelf;

    PictureProfiles(AssumptionRepository assumptions, ProfileShelf shelf) {
        this.assumptions = assumptions;
        this.shelf = shelf;
    }

    /** The digests that a job assumes, by colour model. */
    public Map<ColourModel, String> assumed(UUID jobId) {
        Optional<AssumptionEntity> said = assumptions.findById(jobId);
        return Map.of(
                ColourModel.GREY, assumed(said, ColourModel.GREY),
                ColourModel.RGB, assumed(said, ColourModel.RGB),
                ColourModel.CMYK, assumed(said, ColourModel.CMYK));
    }

    private static String assumed(Optional<AssumptionEntity> said, ColourModel model) {
        return said.flatMap(assumption -> assumption.of(model))
                .orElse(ASSUMED.get(model).digest());
    }

    /**
     * Says what a job assumes.
     *
     * @param digest of a known profile; empty for Embrick's own assumption
     */
    @Transactional
    public void assume(UUID jobId, ColourModel model, Optional<String> digest) {
        digest.ifPresent(wanted -> require(wanted, model));
        AssumptionEntity assumption = assumptions.findById(jobId).orElseGet(() -> new AssumptionEntity(jobId));
        assumption.assume(model, digest.orElse(null));
        assumptions.save(assumption);
    }

    /**
     * A picture's facts with the profile its numbers are understood by.
     *
     * @param byHand the digest somebody said
     * @param assumed as {@link #assumed} gives it
     */
    public SourceFacts known(SourceFacts facts, Optional<String> byHand, Map<ColourModel, String> assumed) {
        if (byHand.isPresent()) {
            return facts.withProfile(named(byHand.get(), ProfileOrigin.BY_HAND));
        }
        return facts.colour().profile().isPresent()
                ? facts
                : facts.withProfile(named(assumed.get(facts.colour().model()), ProfileOrigin.ASSUMED));
    }

    private SourceProfile named(String digest, ProfileOrigin origin) {
        return new SourceProfile(digest, title(digest), origin);
    }

    /** What people call a profile: a shipped one's title, for one with the same numbers too; else its own name, or its digest once it was deleted. */
    public String title(String digest) {
        return ShippedProfile.of(digest)
                .map(ShippedProfile::title)
                .or(() -> known(digest).map(ProfileFacts::name))
                .orElse(digest);
    }

    /** @throws ProblemException if there is no such profile, or it is for pictures of another model */
    public void require(String digest, ColourModel model) {
        ProfileFacts facts = known(digest).orElseThrow(() -> ProblemException.notFound("profile"));
        if (facts.model() != model) {
            throw ProblemException.invalid(
                    "profile-for-others",
                    facts.name(),
                    facts.name() + " is for " + facts.model() + " pictures, and " + model + " was asked for.",
                    "Choose a profile for " + model + ".");
        }
    }

    /** What stands against a ticket's profile, whatever the picture. */
    public Optional<Problem> problem(OutputColour colour) {
        return switch (colour) {
            case OutputColour.Keep _ -> Optional.empty();
            case OutputColour.Assign(ProfileRef profile) -> problem(profile, false);
            case OutputColour.Convert convert -> problem(convert.profile(), true);
        };
    }

    private Optional<Problem> problem(ProfileRef profile, boolean isTarget) {
        if (!(profile instanceof ProfileRef.Icc(String digest, ColourModel model))) {
            return Optional.empty();
        }
        Optional<ProfileFacts> facts = known(digest);
        if (facts.isEmpty() || facts.get().model() != model) {
            return Optional.of(Problem.of(
                    "unknown-profile",
                    "colour",
                    "a profile that is here",
                    "one that is not",
                    "Choose another, or add it again."));
        }
        if (isTarget && facts.get().use() == Use.SOURCE_ONLY) {
            return Optional.of(Problem.of(
                    "source-only-profile",
                    "colour",
                    "a profile that colours can be sent to",
                    facts.get().name() + ", which only says what its device sees",
                    "Choose the profile of a printer, a paper or a standard space."));
        }
        return Optional.empty();
    }

    private Optional<ProfileFacts> known(String digest) {
        try {
            return Optional.of(shelf.facts(digest));
        } catch (IllegalArgumentException unknown) {
            return Optional.empty();
        }
    }
}
