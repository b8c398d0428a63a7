package embrick.formats.icc;

import embrick.core.colour.Intent;
import embrick.core.colour.Lab;
import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.colour.chain.Chain;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.Conversion.Link;
import embrick.formats.icc.Conversion.Samples;
import embrick.formats.icc.Conversion.Working;
import embrick.formats.icc.ProfileFacts.Use;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Looks a profile through before anything is made with it: its frame, what its tables and curves hold, and whether colours
 * really come out of it and go into it.
 */
final class ProfileValidation {
    /** Colours along each channel by which profiles are held against each other. */
    private static final int TRIED_STEPS = 5;
    /** ΔE*ab that the roundings of two makers come to, at most; the next nearest profiles are ten times as far apart. */
    private static final double ALIKE = 0.35;

    private static final Map<ShippedProfile, Lab[]> SHIPPED = new ConcurrentHashMap<>();

    private final IccProfile profile;

    private ProfileValidation(IccProfile profile) {
        this.profile = profile;
    }

    /** @throws UnusableProfileException if it cannot be used, with what to do */
    static ProfileFacts judge(byte[] bytes, String digest) throws UnusableProfileException {
        return new ProfileValidation(IccProfile.parse(bytes)).facts(digest);
    }

    private ProfileFacts facts(String digest) throws UnusableProfileException {
        requireColours();
        requireReadable();
        try (LittleCms.Profile opened = new LittleCms.Profile(profile.bytes())) {
            Lab[] tried = tried(profile);
            Use use = use();
            return new ProfileFacts(
                    digest,
                    name(opened),
                    profile.version(),
                    profile.purpose(),
                    profile.model(),
                    use,
                    tables(),
                    Lab.of(profile.white()),
                    darkest(opened, use),
                    alike(tried),
                    profile.bytes().length);
        } catch (IllegalArgumentException unopened) {
            throw IccProfile.damaged("cannot be opened");
        }
    }

    /** Without a table it needs its curves and colourants. */
    private void requireColours() throws UnusableProfileException {
        boolean has = profile.has("A2B0")
                || switch (profile.model()) {
                    case GREY -> profile.has("kTRC");
                    case RGB -> profile.has("rXYZ") && profile.has("rTRC");
                    case CMYK -> false;
                };
        if (!has) {
            throw IccProfile.damaged("says nothing of what its numbers look like");
        }
    }

    /** Reads every table and curve once, here and in Little CMS: what is damaged shows now and not in a run. */
    private void requireReadable() throws UnusableProfileException {
        Link device = new Link.Icc(profile.bytes());
        for (Intent intent : Intent.values()) {
            ProfileSteps.toColour(profile, intent);
            requireEngine(List.of(device, new Link.Pcs()), intent);
            if (use() == Use.SOURCE_AND_TARGET) {
                ProfileSteps.toDevice(profile, intent);
                requireEngine(List.of(new Link.Pcs(), device), intent);
            }
        }
    }

    private static void requireEngine(List<Link> links, Intent intent) throws UnusableProfileException {
        Rendering rendering = new Rendering(intent, Rendering.BlackPoint.PLAIN);
        try {
            new Conversion(links, List.of(rendering), Samples.DOUBLES, Working.EXACT).close();
        } catch (IllegalArgumentException none) {
            throw new UnusableProfileException(
                    "unsupported-parts",
                    "is built of parts that are not known here",
                    "Ask its maker for one of version 2, or of version 4 without multi-process elements.");
        }
    }

    private Use use() {
        return ProfileSteps.canBeTarget(profile) ? Use.SOURCE_AND_TARGET : Use.SOURCE_ONLY;
    }

    private static String name(LittleCms.Profile opened) {
        String name = opened.description().replaceAll("\\p{Cntrl}", " ").strip();
        return name.isEmpty() ? "profile without a name" : name;
    }

    private Set<Intent> tables() {
        Set<Intent> tables = EnumSet.noneOf(Intent.class);
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
            if (profile.has("A2B" + intent.number()) || profile.has("B2A" + intent.number())) {
                tables.add(intent);
            }
        }
        return tables;
    }

    private static Lab darkest(LittleCms.Profile opened, Use use) {
        return Lab.of(
                use == Use.SOURCE_AND_TARGET
                        ? opened.targetBlackPoint(Intent.RELATIVE)
                        : opened.blackPoint(Intent.RELATIVE));
    }

    private Optional<String> alike(Lab[] tried) throws UnusableProfileException {
        for (ShippedProfile shipped : ShippedProfile.values()) {
            if (shipped.model() == profile.model()) {
                Lab[] other = ofShipped(shipped);
                double most = 0;
                for (int i = 0; i < tried.length; i++) {
                    most = Math.max(most, tried[i].distance(other[i]));
                }
                if (most < ALIKE) {
                    return Optional.of(shipped.digest());
                }
            }
        }
        return Optional.empty();
    }

    private static Lab[] ofShipped(ShippedProfile shipped) {
        return SHIPPED.computeIfAbsent(shipped, _ -> {
            try {
                return tried(IccProfile.parse(shipped.bytes()));
            } catch (UnusableProfileException impossible) {
                throw new IllegalStateException(shipped + " " + impossible.getMessage(), impossible);
            }
        });
    }

    private static Transform toLab(IccProfile profile) throws UnusableProfileException {
        Optional<Chain> chain = ChainBuilder.toLab(profile, Intent.RELATIVE);
        return chain.isPresent() ? chain.get() : EngineTransform.toLab(profile, Rendering.RELATIVE_PLAIN);
    }

    /** What its numbers look like, over an even grid of them. */
    private static Lab[] tried(IccProfile profile) throws UnusableProfileException {
        ColourModel model = profile.model();
        int colours = (int) Math.pow(TRIED_STEPS, model.channels());
        float[] device = new float[colours * model.channels()];
        for (int i = 0; i < device.length; i++) {
            int steps = (int) Math.pow(TRIED_STEPS, i % model.channels());
            device[i] = i / model.channels() / steps % TRIED_STEPS / (TRIED_STEPS - 1f);
        }
        float[] lab = new float[colours * 3];
        toLab(profile).apply(device, 0, lab, 0, colours);
        Lab[] labs = new Lab[colours];
        for (int i = 0; i < colours; i++) {
            labs[i] = new Lab(lab[3 * i], lab[3 * i + 1], lab[3 * i + 2]);
        }
        return labs;
    }
}
