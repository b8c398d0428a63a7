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
    private static final String FILE = "clean.filters";

    /** SHA-256 of the bytes. */
    private static final String DIGEST = "1ec6b63badf46420a3b5dbfeff2a558854f24febd1bb0b06dd95e748bc1b8d01";

    static final LearnedFilters CLEAN = load();

    private ShippedFilters() {}

    private static LearnedFilters load() {
        try (InputStream in = ShippedFilters.class.getResourceAsStream(FILE)) {
            if (in == null) {
                throw new IllegalStateException(FILE + " does not ship");
            }
            byte[] bytes = in.readAllBytes();
            String digest = HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
            if (!digest.equals(DIGEST)) {
                throw new IllegalStateException(FILE + ": expected digest " + DIGEST + ", got " + digest);
            }
            return read(new DataInputStream(new ByteArrayInputStream(bytes)));
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
    private static LearnedFilters read(DataInputStream in) throws IOException {
        List<Filters> layers = new ArrayList<>();
        for (int left = in.readInt(); left > 0; left--) {
            int inputs = in.readInt();
            int outputs = in.readInt();
            int side = in.readInt();
            float leak = in.readFloat();
            layers.add(
                    new Filters(inputs, side, floats(in, inputs * outputs * side * side), floats(in, outputs), leak));
        }
        return new LearnedFilters(layers);
    }

    private static float[] floats(DataInputStream in, int count) throws IOException {
        float[] all = new float[count];
        for (int i = 0; i < count; i++) {
            all[i] = in.readFloat();
        }
        return all;
    }
}
