package embrick.formats.icc;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Takes damaged copies of a profile in, and converts with those that pass; ends with 1 at the first surprise. */
public final class MutatedProfiles {
    private static final int COLOURS = 8;

    private MutatedProfiles() {}

    /** @param args a shipped profile's name, how many copies */
    public static void main(String[] args) {
        ShippedProfile profile = ShippedProfile.valueOf(args[0]);
        int times = Integer.parseInt(args[1]);
        Random random = new Random(2026);
        Map<String, Integer> refusals = new TreeMap<>();
        ProfileShelf shelf = new ProfileShelf();
        int used = 0;
        for (int time = 0; time < times; time++) {
            byte[] damaged = damaged(profile.bytes(), random);
            try {
                ProfileFacts facts = shelf.take(damaged);
                convert(shelf, facts);
                used++;
            } catch (UnusableProfileException refused) {
                refusals.merge(refused.code(), 1, Integer::sum);
            } catch (RuntimeException | Error surprise) {
                System.out.println("copy " + time + " of " + profile);
                surprise.printStackTrace(System.out);
                System.exit(1);
            }
        }
        int refused = refusals.values().stream().mapToInt(Integer::intValue).sum();
        System.out.println(used + " used, " + refused + " refused: " + refusals);
    }

    private static void convert(ProfileShelf shelf, ProfileFacts facts) {
        ProfileRef damaged = new ProfileRef.Icc(facts.digest(), facts.model());
        ProfileRef screen = new ProfileRef.Srgb();
        float[] device = new float[COLOURS * facts.model().channels()];
        Arrays.fill(device, 0.4f);
        shelf.along(new ColourPath(damaged, screen)).apply(device, 0, new float[COLOURS * 3], 0, COLOURS);
        if (facts.use() == ProfileFacts.Use.SOURCE_AND_TARGET) {
            float[] srgb = new float[COLOURS * 3];
            Arrays.fill(srgb, 0.6f);
            shelf.along(new ColourPath(screen, damaged, Rendering.RELATIVE_PLAIN))
                    .apply(srgb, 0, device, 0, COLOURS);
        }
        shelf.encoding(damaged);
    }

    /** Bytes changed, mostly in the head and the tags where they do most, or the end cut off. */
    private static byte[] damaged(byte[] whole, Random random) {
        if (random.nextInt(10) == 0) {
            return Arrays.copyOf(whole, random.nextInt(whole.length));
        }
        byte[] damaged = whole.clone();
        int changes = 1 + random.nextInt(6);
        for (int change = 0; change < changes; change++) {
            int reach = random.nextInt(4) == 0 ? whole.length : Math.min(whole.length, 700);
            damaged[random.nextInt(reach)] = (byte) random.nextInt(256);
        }
        return damaged;
    }
}
