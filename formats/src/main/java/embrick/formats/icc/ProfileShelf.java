package embrick.formats.icc;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.ToneCurve;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.lanes.Lanes;
import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts.EmbeddedProfile;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The profiles that are known, by the SHA-256 of their bytes, and the conversions between them.
 *
 * <p>Conversions between profiles of curves and colourants are {@link MatrixShaper}'s; all others run in 16 bit through
 * Little CMS. Each is made once a pair and kept, and is safe for several threads.
 */
public final class ProfileShelf implements Transforms {
    private static final byte[] SRGB = MatrixProfile.srgb();
    private static final byte[] GREY = MatrixProfile.greyOfSrgbCurve();

    /** SHA-256 of the sRGB profile that Embrick embeds. */
    public static final String SRGB_DIGEST = digestOf(SRGB);

    /** Pixels converted in one call: small enough for the buffers to stay in the cache. */
    private static final int CHUNK = 4096;

    private final Map<String, byte[]> profiles = new ConcurrentHashMap<>();
    private final Map<ColourPath, Transform> transforms = new ConcurrentHashMap<>();
    private final Map<ProfileRef, Encoding> encodings = new ConcurrentHashMap<>();

    public ProfileShelf() {
        profiles.put(SRGB_DIGEST, SRGB);
    }

    /** sRGB as if it had come in a file: for pictures that name it without carrying it. */
    public static EmbeddedProfile namedSrgb() {
        return new EmbeddedProfile(SRGB_DIGEST, "sRGB, by name");
    }

    /**
     * Takes a profile in.
     *
     * @return empty if it is damaged, or not for pictures of this model
     */
    public Optional<EmbeddedProfile> add(byte[] bytes, ColourModel model) {
        try (LittleCms.Profile profile = new LittleCms.Profile(bytes)) {
            if (!profile.model().equals(Optional.of(model))) {
                return Optional.empty();
            }
            String digest = digestOf(bytes);
            profiles.putIfAbsent(digest, bytes.clone());
            along(new ColourPath(new ProfileRef.Embedded(digest, model), new ProfileRef.Srgb()));
            String description = profile.description();
            return Optional.of(
                    new EmbeddedProfile(digest, description.isEmpty() ? "profile without a name" : description));
        } catch (IllegalArgumentException damaged) {
            return Optional.empty();
        }
    }

    /** The bytes to embed for a profile. */
    public byte[] bytes(ProfileRef profile) {
        return switch (profile) {
            case ProfileRef.Srgb _ -> SRGB.clone();
            case ProfileRef.AssumedGrey _ -> GREY.clone();
            case ProfileRef.Embedded embedded -> {
                byte[] bytes = profiles.get(embedded.digest());
                if (bytes == null) {
                    throw new IllegalArgumentException(
                            "profile: expected one that was added, got " + embedded.digest());
                }
                yield bytes.clone();
            }
        };
    }

    public String digest(ProfileRef profile) {
        return digestOf(bytes(profile));
    }

    @Override
    public Transform along(ColourPath path) {
        return transforms.computeIfAbsent(path, this::create);
    }

    private Transform create(ColourPath path) {
        byte[] source = bytes(path.from());
        byte[] target = bytes(path.to());
        if (MessageDigest.isEqual(source, target)) {
            int channels = path.from().model().channels();
            return (in, from, out, at, pixels) -> System.arraycopy(in, from, out, at, pixels * channels);
        }
        Optional<MatrixShaper> from = MatrixShaper.of(source);
        Optional<MatrixShaper> to = MatrixShaper.of(target);
        return from.isPresent() && to.isPresent()
                ? from.get().to(to.get())
                : new LittleCmsTransform(path, source, target);
    }

    @Override
    public Encoding encoding(ProfileRef profile) {
        return encodings.computeIfAbsent(profile, this::readEncoding);
    }

    /** Profiles made of tables, and curves that are none, count as sRGB here: it only steers mixing and lift. */
    private Encoding readEncoding(ProfileRef ref) {
        Encoding srgb = Encoding.srgb();
        if (ref instanceof ProfileRef.Srgb) {
            return srgb;
        }
        try (LittleCms.Profile profile = new LittleCms.Profile(bytes(ref))) {
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

    private static final class LittleCmsTransform implements Transform {
        private final LittleCms.Conversion conversion;
        private final int channelsIn;
        private final int channelsOut;

        LittleCmsTransform(ColourPath path, byte[] from, byte[] to) {
            this.channelsIn = path.from().model().channels();
            this.channelsOut = path.to().model().channels();
            this.conversion = new LittleCms.Conversion(
                    from, path.from().model(), to, path.to().model());
        }

        @Override
        public void apply(float[] in, int from, float[] out, int at, int pixels) {
            if (in.length - from < pixels * channelsIn || out.length - at < pixels * channelsOut) {
                throw new IllegalArgumentException(
                        "arrays: expected " + pixels + " pixels, got " + in.length + " and " + out.length + " samples");
            }
            Lanes lanes = Lanes.best();
            int chunk = Math.min(CHUNK, pixels);
            short[] source = new short[chunk * channelsIn];
            short[] target = new short[chunk * channelsOut];
            for (int done = 0; done < pixels; done += chunk) {
                int count = Math.min(chunk, pixels - done);
                lanes.toShorts(in, from + done * channelsIn, source, 0, count * channelsIn);
                conversion.apply(source, target, count);
                lanes.toFloats(target, 0, out, at + done * channelsOut, count * channelsOut);
            }
        }
    }
}
