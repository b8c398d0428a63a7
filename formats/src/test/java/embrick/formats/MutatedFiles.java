package embrick.formats;

import embrick.formats.icc.ProfileShelf;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;

/**
 * Opens one picture a thousand times, each time damaged another way, in a process of its own: a native death, a hang or an
 * overflow must not take the tests with it. Ends with 0 when every answer was a picture or a plain refusal.
 */
final class MutatedFiles {
    /** Small, so that an absurd header is refused and not allocated. */
    private static final DecodeLimits LIMITS = new DecodeLimits(4_000_000, 32 << 20);

    private MutatedFiles() {}

    public static void main(String[] arguments) throws IOException {
        byte[] sound = Files.readAllBytes(Path.of(arguments[0]));
        Path damaged = Path.of(arguments[1]);
        int times = Integer.parseInt(arguments[2]);
        Formats formats = new Formats(new ProfileShelf(), LIMITS);
        Random random = new Random(sound.length);
        int opened = 0;
        for (int i = 0; i < times; i++) {
            Files.write(damaged, mutated(sound, random));
            try (OpenedPicture picture = formats.open(damaged)) {
                opened += picture.raster().samples().byteSize() > 0 ? 1 : 0;
            } catch (UnusablePictureException refused) {
                if (refused.getMessage().isBlank()) {
                    throw new AssertionError("a refusal without a reason at " + i, refused);
                }
            } catch (IOException | RuntimeException | Error escaped) {
                throw new AssertionError("damage number " + i + " escaped as " + escaped, escaped);
            }
        }
        System.out.println(opened + " opened, " + (times - opened) + " refused");
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
