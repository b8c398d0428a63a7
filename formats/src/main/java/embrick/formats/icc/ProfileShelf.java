package embrick.formats.icc;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.Intent;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.ToneCurve;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.colour.chain.Chain;
import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts.SourceProfile;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.Random;

/**
 * The profiles that are known, by the SHA-256 of their bytes, and the conversions between them.
 *
 * <p>Conversions between profiles of curves and colourants are {@link MatrixShaper}'s, those with tables are read out of the
 * profiles as chains of steps ({@link ChainBuilder}) and tried against Little CMS before they are used; what is built in
 * other ways runs through Little CMS itself. Each is kept as long as there is room for it and made again when it is asked for
 * afterwards, and is safe for several threads.
 */
public final class ProfileShelf implements Transforms {
    /** Colours of no order by which a chain is tried, beside all corners and this many neutral ones. */
    private static final int SCATTERED = 256;

    private static final int NEUTRAL = 33;
    /** How far a chain may be from Little CMS, of 1: half a count of 8 bits. Both are exact; roundings are a tenth of it. */
    private static final float APART = 0.5f / 255;

    /** The same in L*a*b*, along each axis. */
    private static final float LAB_APART = 0.25f;

    private static final long MOST_PROFILE_BYTES = 24L << 20;
    private static final long MOST_FACTS = 1000;
    /** A chain with tables takes up to 1.5 MB. */
    private static final long MOST_TRANSFORMS = 32;

    private final ProfileStore store;
    /** What may be forgotten, since the store has it or it can be worked out again. */
    private final Cache<String, byte[]> profiles = Caffeine.newBuilder()
            .maximumWeight(MOST_PROFILE_BYTES)
            .weigher((String _, byte[] bytes) -> bytes.length)
            .build();

    private final Cache<String, ProfileFacts> judged =
            Caffeine.newBuilder().maximumSize(MOST_FACTS).build();
    private final Cache<ColourPath, Transform> transforms =
            Caffeine.newBuilder().maximumSize(MOST_TRANSFORMS).build();
    private final Cache<ProfileRef, Transform> toLab =
            Caffeine.newBuilder().maximumSize(MOST_TRANSFORMS).build();
    private final Cache<ProfileRef, Encoding> encodings =
            Caffeine.newBuilder().maximumSize(MOST_TRANSFORMS).build();

    /** @param store where profiles are looked for that have not been added here */
    public ProfileShelf(ProfileStore store) {
        this.store = store;
    }

    /** A shelf that keeps all it is given in memory. */
    public ProfileShelf() {
        this(ProfileStore.inMemory());
    }

    /**
     * Takes a profile in for good.
     *
     * @throws UnusableProfileException if it cannot be used; nothing is kept of it then
     */
    public ProfileFacts take(byte[] bytes) throws UnusableProfileException {
        String digest = digestOf(bytes);
        ProfileFacts known = judged.getIfPresent(digest);
        if (known == null) {
            known = ProfileValidation.judge(bytes, digest);
            profiles.put(digest, bytes.clone());
            if (ShippedProfile.of(digest).isEmpty()) {
                store.keep(digest, bytes);
            }
            judged.put(digest, known);
        }
        return known;
    }

    /**
     * Takes the profile of a picture in.
     *
     * @throws UnusableProfileException if it cannot be used, or is for pictures of another model
     */
    public SourceProfile takeFor(byte[] bytes, ColourModel model) throws UnusableProfileException {
        ProfileFacts facts = take(bytes);
        if (facts.model() != model) {
            throw new UnusableProfileException(
                    "other-space",
                    "is for " + facts.model() + " pictures, and this one is " + model,
                    "Set the picture’s profile on the pile.");
        }
        return new SourceProfile(facts.digest(), facts.name());
    }

    /** As {@link #takeFor}; empty if it cannot be used. */
    public Optional<SourceProfile> add(byte[] bytes, ColourModel model) {
        try {
            return Optional.of(takeFor(bytes, model));
        } catch (UnusableProfileException unusable) {
            return Optional.empty();
        }
    }

    /**
     * What was read off a profile.
     *
     * @throws IllegalArgumentException if it is not known
     */
    public ProfileFacts facts(String digest) {
        // Asked with every plan: what is judged is not hashed again.
        ProfileFacts known = judged.getIfPresent(digest);
        if (known != null) {
            return known;
        }
        try {
            return take(bytesOf(digest));
        } catch (UnusableProfileException unusable) {
            throw new IllegalArgumentException("profile: " + digest + " " + unusable.getMessage(), unusable);
        }
    }

    /** The bytes to embed for a profile. */
    public byte[] bytes(ProfileRef profile) {
        return bytesOf(digest(profile)).clone();
    }

    public String digest(ProfileRef profile) {
        return switch (profile) {
            case ProfileRef.Srgb _ -> ShippedProfile.SRGB.digest();
            case ProfileRef.AssumedGrey _ -> ShippedProfile.GREY_SRGB.digest();
            case ProfileRef.Icc icc -> icc.digest();
        };
    }

    private byte[] bytesOf(String digest) {
        return profiles.get(
                digest,
                missing -> ShippedProfile.of(missing)
                        .map(ShippedProfile::bytes)
                        .or(() -> store.read(missing))
                        .orElseThrow(() ->
                                new IllegalArgumentException("profile: expected one that was added, got " + missing)));
    }

    private IccProfile opened(ProfileRef profile) throws UnusableProfileException {
        return IccProfile.parse(bytesOf(digest(profile)));
    }

    @Override
    public Transform along(ColourPath path) {
        return transforms.get(path, this::create);
    }

    private Transform create(ColourPath path) {
        byte[] source = bytesOf(digest(path.from()));
        byte[] target = bytesOf(digest(path.to()));
        if (MessageDigest.isEqual(source, target)) {
            int channels = path.from().model().channels();
            return (in, from, out, at, pixels) -> System.arraycopy(in, from, out, at, pixels * channels);
        }
        // Absolute intent keeps the tint of white, which light alone does not know.
        if (path.rendering().intent() != Intent.ABSOLUTE) {
            Optional<MatrixShaper> from = MatrixShaper.of(source);
            Optional<MatrixShaper> to = MatrixShaper.of(target);
            if (from.isPresent() && to.isPresent()) {
                return from.get().to(to.get());
            }
        }
        try {
            IccProfile from = IccProfile.parse(source);
            IccProfile to = IccProfile.parse(target);
            return tried(
                    ChainBuilder.between(from, to, path.rendering()),
                    EngineTransform.between(from, to, path.rendering()),
                    APART,
                    1);
        } catch (UnusableProfileException unusable) {
            throw new IllegalArgumentException("profile: " + unusable.getMessage(), unusable);
        }
    }

    /** A chain, if it gives what Little CMS gives; else Little CMS. */
    private static Transform tried(Optional<Chain> chain, EngineTransform engine, float apart, float most) {
        if (chain.isEmpty() || !agrees(chain.get(), engine, apart, most)) {
            return engine;
        }
        engine.close();
        return chain.get();
    }

    /**
     * Whether a chain gives the colours that Little CMS gives: at the corners, where clipping shows; along the neutral ones, where
     * an eye sees most; and for some of no order.
     *
     * @param most that a number is clipped to before it is compared; infinite where it is not
     */
    private static boolean agrees(Chain chain, Transform engine, float apart, float most) {
        float[] in = tried(chain.channelsIn());
        int colours = in.length / chain.channelsIn();
        float[] ours = new float[colours * chain.channelsOut()];
        float[] theirs = new float[ours.length];
        chain.apply(in, 0, ours, 0, colours);
        engine.apply(in, 0, theirs, 0, colours);
        for (int i = 0; i < ours.length; i++) {
            float least = most == 1 ? 0 : -most;
            if (!(Math.abs(Math.clamp(ours[i], least, most) - Math.clamp(theirs[i], least, most)) < apart)) {
                return false;
            }
        }
        return true;
    }

    private static float[] tried(int channels) {
        int corners = 1 << channels;
        float[] colours = new float[(corners + NEUTRAL + SCATTERED) * channels];
        Random random = new Random(1);
        for (int i = 0; i < colours.length; i++) {
            int colour = i / channels;
            if (colour < corners) {
                colours[i] = colour >> i % channels & 1;
            } else if (colour < corners + NEUTRAL) {
                colours[i] = (colour - corners) / (NEUTRAL - 1f);
            } else {
                colours[i] = random.nextFloat();
            }
        }
        return colours;
    }

    @Override
    public Transform toLab(ProfileRef profile) {
        return toLab.get(profile, this::createToLab);
    }

    private Transform createToLab(ProfileRef ref) {
        try {
            IccProfile profile = opened(ref);
            return tried(
                    ChainBuilder.toLab(profile, Intent.RELATIVE),
                    EngineTransform.toLab(profile, Rendering.RELATIVE_PLAIN),
                    LAB_APART,
                    Float.MAX_VALUE);
        } catch (UnusableProfileException unusable) {
            throw new IllegalArgumentException("profile: " + unusable.getMessage(), unusable);
        }
    }

    /** Which colours a profile has, to be drawn. Worked out each time: a tenth of a second. */
    public ProfileGamut gamut(String digest) {
        ProfileRef profile = new ProfileRef.Icc(digest, facts(digest).model());
        return ProfileGamut.of(profile, toLab(profile));
    }

    @Override
    public Encoding encoding(ProfileRef profile) {
        return encodings.get(profile, this::readEncoding);
    }

    /** Profiles made of tables, and curves that are none, count as sRGB here: it only steers mixing and sharpening. */
    private Encoding readEncoding(ProfileRef ref) {
        Encoding srgb = Encoding.srgb();
        if (ref instanceof ProfileRef.Srgb) {
            return srgb;
        }
        try (LittleCms.Profile profile = new LittleCms.Profile(bytesOf(digest(ref)))) {
            ToneCurve tone = profile.toneCurve().map(ToneCurve::through).orElse(srgb.tone());
            return profile.colourants()
                    .map(xyz -> xyz[1])
                    .map(y -> new Encoding(
                            tone, (float) (y[0] / (y[0] + y[1] + y[2])), (float) (y[1] / (y[0] + y[1] + y[2]))))
                    .orElse(new Encoding(tone, srgb.redLight(), srgb.greenLight()));
        } catch (IllegalArgumentException unusual) {
            return srgb;
        }
    }

    public static String digestOf(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException impossible) {
            throw new AssertionError("every JDK has SHA-256", impossible);
        }
    }
}
