package embrick.formats;

import embrick.core.pixels.Raster;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Random;

/**
 * Opens one picture a thousand times, each time damaged another way, in a process of its own: a native death, a hang or an
 * overflow must not take the tests with it. Ends with 0 when every answer was a picture or a plain refusal.
 */
final class MutatedFiles {
    /** Small, so that an absurd header is refused and not allocated. */
    private static final DecodeLimits LIMITS = new DecodeLimits(4_000_000, 32 << 20);

    private static final Formats FORMATS = new Formats(new ProfileShelf(), LIMITS);

    private MutatedFiles() {}

    /** What became of a damaged file. */
    private enum Fate {
        REFUSED,
        /** Shown, and called damaged. */
        DAMAGED,
        /** Taken, with a remark on what in the file is odd. */
        REMARKED,
        /** The sound picture's pixels, or so near that nobody sees it. */
        SAME,
        /** Another picture, without a word. */
        UNSEEN
    }

    /** A mean over the samples that nobody sees, of 255. */
    private static final double UNSEEN_MEAN = 0.5;

    /**
     * Damages each file a number of times and prints the outcomes, one line a file. Keeps each damaged file that passes for another
     * picture as {@code unseen-NUMBER-NAME}.
     *
     * @param arguments the folder, how many times, the files' names
     */
    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int times = Integer.parseInt(arguments[1]);
        for (String name : Arrays.asList(arguments).subList(2, arguments.length)) {
            System.out.println(name + " fates of " + times + ": " + fates(folder, name, times));
        }
    }

    private static Map<Fate, Integer> fates(Path folder, String name, int times) throws IOException {
        byte[] sound = Files.readAllBytes(folder.resolve(name));
        Path damaged = folder.resolve("damaged-" + name);
        Random random = new Random(sound.length);
        Map<Fate, Integer> fates = new EnumMap<>(Fate.class);
        try (OpenedPicture whole = FORMATS.open(folder.resolve(name))) {
            for (int i = 0; i < times; i++) {
                Files.write(damaged, mutated(sound, random));
                Fate fate = fate(damaged, whole, name + " " + i);
                fates.merge(fate, 1, Integer::sum);
                if (fate == Fate.UNSEEN) {
                    Files.copy(damaged, folder.resolve("unseen-" + i + "-" + name));
                }
            }
        }
        return fates;
    }

    private static Fate fate(Path damaged, OpenedPicture whole, String which) {
        try (OpenedPicture picture = FORMATS.openAsItIs(damaged, Integer.MAX_VALUE)) {
            return FORMATS.examine(damaged).damage().isPresent()
                    ? Fate.DAMAGED
                    : fate(picture, whole, distance(whole.raster(), picture.raster()));
        } catch (UnusablePictureException refused) {
            if (refused.getMessage().isBlank()) {
                throw new AssertionError("a refusal without a reason: " + which, refused);
            }
            return Fate.REFUSED;
        } catch (IOException | RuntimeException | Error escaped) {
            throw new AssertionError(which + " escaped as " + escaped, escaped);
        }
    }

    private static Fate fate(OpenedPicture picture, OpenedPicture whole, double distance) {
        if (picture.damage().isPresent()) {
            return Fate.DAMAGED;
        }
        if (distance <= UNSEEN_MEAN) {
            return Fate.SAME;
        }
        boolean hasRemark = !picture.facts()
                .colour()
                .remarks()
                .equals(whole.facts().colour().remarks());
        return hasRemark ? Fate.REMARKED : Fate.UNSEEN;
    }

    /** Mean difference of samples, of 255; infinite where size or channels are others. */
    private static double distance(Raster one, Raster other) {
        if (!one.stored().equals(other.stored())
                || one.channels() != other.channels()
                || one.bytesPerSample() != other.bytesPerSample()) {
            return Double.POSITIVE_INFINITY;
        }
        long sum = 0;
        long all = one.samples().byteSize();
        for (long i = 0; i < all; i++) {
            sum += Math.abs((one.samples().get(ValueLayout.JAVA_BYTE, i) & 0xff)
                    - (other.samples().get(ValueLayout.JAVA_BYTE, i) & 0xff));
        }
        return (double) sum / all;
    }

    private static byte[] mutated(byte[] sound, Random random) {
        byte[] bytes = sound.clone();
        if (random.nextInt(5) == 0) {
            return Arrays.copyOf(bytes, random.nextInt(bytes.length));
        }
        // Half of the damage goes to the header, where sizes and offsets are.
        int reach = random.nextBoolean() ? Math.min(bytes.length, 400) : bytes.length;
        for (int n = 1 + random.nextInt(8); n > 0; n--) {
            int at = random.nextInt(reach);
            switch (random.nextInt(4)) {
                case 0 -> bytes[at] ^= (byte) (1 << random.nextInt(8));
                case 1 -> bytes[at] = (byte) random.nextInt(256);
                case 2 -> bytes[at] = (byte) 0xFF;
                default -> Arrays.fill(bytes, at, Math.min(bytes.length, at + 4), (byte) random.nextInt(256));
            }
        }
        return bytes;
    }
}
