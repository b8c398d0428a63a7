package embrick.formats.picture;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.units.Resolution;
import embrick.formats.exif.ExifFacts;
import embrick.formats.icc.ProfileFacts;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.icc.UnusableProfileException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a picture's colours are known from: the profile in its file, else what its tags name; and what of these cannot be
 * so.
 */
public final class PictureColours {
    private final ProfileShelf profiles;

    public PictureColours(ProfileShelf profiles) {
        this.profiles = profiles;
    }

    /** What a file's tags name. */
    public static Optional<ShippedProfile> named(Optional<ExifFacts> exif, ColourModel model) {
        if (exif.isEmpty() || model != ColourModel.RGB) {
            return Optional.empty();
        }
        return switch (exif.get().space()) {
            case SRGB -> Optional.of(ShippedProfile.SRGB);
            case OP_RGB -> Optional.of(ShippedProfile.OP_RGB);
            case NOT_NAMED -> Optional.empty();
        };
    }

    /** What a file marks across and down; both or nothing. */
    public static Optional<MarkedPpi> ppi(Optional<Resolution> across, Optional<Resolution> down) {
        return across.isEmpty() || down.isEmpty()
                ? Optional.empty()
                : Optional.of(new MarkedPpi(across.get(), down.get()));
    }

    /** As below, of a file with nothing else to say. */
    public SourceColour of(
            ColourModel model, Alpha alpha, int bits, Optional<byte[]> icc, Optional<ShippedProfile> named) {
        return of(model, alpha, bits, icc, named, List.of());
    }

    /**
     * @param icc the profile's bytes as they came
     * @param named by tags beside it
     * @param found remarks that were made before
     */
    public SourceColour of(
            ColourModel model,
            Alpha alpha,
            int bits,
            Optional<byte[]> icc,
            Optional<ShippedProfile> named,
            List<ColourRemark> found) {
        List<ColourRemark> remarks = new ArrayList<>(found);
        Optional<SourceProfile> profile = icc.flatMap(bytes -> embedded(bytes, model, named, remarks));
        if (profile.isEmpty()) {
            profile = named.map(space ->
                    new SourceProfile(space.digest(), space.title() + " (named in the file)", ProfileOrigin.NAMED));
        }
        return new SourceColour(model, alpha, bits, profile, remarks);
    }

    /** Colours by a profile that was made of a file's own numbers. */
    public SourceColour described(
            ColourModel model, Alpha alpha, int bits, byte[] profile, String words, List<ColourRemark> remarks) {
        Optional<SourceProfile> kept =
                profiles.add(profile, model).map(made -> new SourceProfile(made.digest(), words, ProfileOrigin.NAMED));
        return new SourceColour(model, alpha, bits, kept, remarks);
    }

    private Optional<SourceProfile> embedded(
            byte[] bytes, ColourModel model, Optional<ShippedProfile> named, List<ColourRemark> remarks) {
        try {
            SourceProfile profile = profiles.takeFor(bytes, model);
            if (named.isPresent() && !isAlike(profile, named.get())) {
                remarks.add(new ColourRemark(
                        "profile-contradicted",
                        "its tags say " + named.get().title() + ", its profile is “" + profile.description()
                                + "”: the profile is used"));
            }
            return Optional.of(profile);
        } catch (UnusableProfileException unusable) {
            remarks.add(new ColourRemark(
                    "profile-unusable", "its own profile " + unusable.getMessage() + ": it is set aside"));
            return Optional.empty();
        }
    }

    private boolean isAlike(SourceProfile profile, ShippedProfile named) {
        ProfileFacts facts = profiles.facts(profile.digest());
        return facts.alike().equals(Optional.of(named.digest()));
    }
}
