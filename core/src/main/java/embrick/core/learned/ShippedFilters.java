package embrick.core.learned;

import embrick.core.lanes.PlaneLanes.Filters;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/** The filters that ship with Embrick, as fixed bytes beside this class. */
final class ShippedFilters {
    private ShippedFilters() {}

    /** Read by itself, when it is first asked for. */
    static final class Clean {
        static final LearnedFilters FILTERS =
                load("clean.filters", "3a95856433bae1af85fb4ab6c4661bf32ae1fa888a6a4435fe85a693a300f8fb", false);

        private Clean() {}
    }

    /** Likewise. */
    static final class Softening {
        static final LearnedFilters FILTERS =
                load("softening.filters", "6668e47f49786d1b2ae9d510e84fce63b12a9a7bb731fc4a0cfcd65f3a09b84f", true);

        private Softening() {}
    }

    /** @param wanted SHA-256 of the bytes */
    private static LearnedFilters load(String file, String wanted, boolean softens) {
        try (InputStream in = ShippedFilters.class.getResourceAsStream(file)) {
            if (in == null) {
                throw new IllegalStateException(file + " does not ship");
            }
            byte[] bytes = in.readAllBytes();
            String digest = HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
            if (!digest.equals(wanted)) {
                throw new IllegalStateException(file + ": expected digest " + wanted + ", got " + digest);
            }
            return new LearnedFilters(read(new DataInputStream(new ByteArrayInputStream(bytes))), digest, softens);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException(missing);
        }
    }

    /**
     * The number of layers, then of each its inputs, outputs, side, leak, weights and biases; big-endian, 32-bit integers and
     * IEEE 754 floats.
     */
    private static List<Filters> read(DataInputStream in) throws IOException {
        List<Filters> layers = new ArrayList<>();
        for (int left = in.readInt(); left > 0; left--) {
            int inputs = in.readInt();
            int outputs = in.readInt();
            int side = in.readInt();
            float leak = in.readFloat();
            layers.add(
                    new Filters(inputs, side, floats(in, inputs * outputs * side * side), floats(in, outputs), leak));
        }
        return layers;
    }

    private static float[] floats(DataInputStream in, int count) throws IOException {
        float[] all = new float[count];
        for (int i = 0; i < count; i++) {
            all[i] = in.readFloat();
        }
        return all;
    }
}
