package embrick.formats.icc;

import embrick.core.colour.Xyz;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Lays out an ICC profile of version 2.4 (ICC.1:2001-04), which every lab's software reads.
 *
 * <p>The date in the header is a constant, so the bytes are the same at every start and a digest names them. Tags with the
 * same bytes share them.
 */
public final class IccFile {
    static final int HEADER_BYTES = 128;

    private static final int VERSION = 0x0240_0000;

    private final String profileClass;
    private final String space;
    private final String connection;
    private final Map<String, byte[]> tags = new LinkedHashMap<>();

    /** @param connection the profile connection space's signature, with its blanks, as all of them */
    public IccFile(String profileClass, String space, String connection, String description, Xyz white) {
        this.profileClass = profileClass;
        this.space = space;
        this.connection = connection;
        tag("desc", description(description));
        tag("cprt", text("No copyright, use freely"));
        tag("wtpt", xyz(white));
    }

    public IccFile tag(String signature, byte[] element) {
        tags.put(signature, element);
        return this;
    }

    public byte[] bytes() {
        ByteArrayOutputStream data = new ByteArrayOutputStream();
        ByteBuffer table = ByteBuffer.allocate(4 + tags.size() * 12).putInt(tags.size());
        Map<String, Integer> placed = new LinkedHashMap<>();
        int start = HEADER_BYTES + table.capacity();
        tags.forEach((name, value) -> {
            String key = new String(value, StandardCharsets.ISO_8859_1);
            int offset = placed.computeIfAbsent(key, _ -> {
                int at = start + data.size();
                data.writeBytes(value);
                data.writeBytes(new byte[(4 - value.length % 4) % 4]);
                return at;
            });
            table.put(ascii(name)).putInt(offset).putInt(value.length);
        });
        int size = start + data.size();
        return ByteBuffer.allocate(size)
                .put(header(size))
                .put(table.array())
                .put(data.toByteArray())
                .array();
    }

    private byte[] header(int size) {
        ByteBuffer header = ByteBuffer.allocate(HEADER_BYTES);
        header.putInt(size)
                .putInt(0)
                .putInt(VERSION)
                .put(ascii(profileClass))
                .put(ascii(space))
                .put(ascii(connection));
        for (int part : new int[] {2026, 1, 1, 0, 0, 0}) {
            header.putShort((short) part);
        }
        header.put(ascii("acsp")).position(64);
        header.putInt(1).putInt(fixed(Xyz.D50.x())).putInt(fixed(Xyz.D50.y())).putInt(fixed(Xyz.D50.z()));
        return header.array();
    }

    /** curveType with a table of so many entries. */
    static byte[] table(int entries, DoubleUnaryOperator curve) {
        ByteBuffer tag = ByteBuffer.allocate(12 + entries * 2);
        tag.put(ascii("curv")).putInt(0).putInt(entries);
        for (int i = 0; i < entries; i++) {
            tag.putShort((short) Math.round(curve.applyAsDouble(i / (entries - 1.0)) * 65535));
        }
        return tag.array();
    }

    /** curveType of one u8Fixed8 number: gamma × 256. */
    static byte[] gamma(int times256) {
        return ByteBuffer.allocate(14)
                .put(ascii("curv"))
                .putInt(0)
                .putInt(1)
                .putShort((short) times256)
                .array();
    }

    static byte[] xyz(Xyz xyz) {
        return ByteBuffer.allocate(20)
                .put(ascii("XYZ "))
                .putInt(0)
                .putInt(fixed(xyz.x()))
                .putInt(fixed(xyz.y()))
                .putInt(fixed(xyz.z()))
                .array();
    }

    /** s15Fixed16Number. */
    public static int fixed(double value) {
        return (int) Math.round(value * 65536);
    }

    private static byte[] text(String value) {
        return ByteBuffer.allocate(9 + value.length())
                .put(ascii("text"))
                .putInt(0)
                .put(ascii(value))
                .array();
    }

    /** textDescriptionType: the ASCII name, then an empty Unicode and an empty script name (67 bytes). */
    private static byte[] description(String value) {
        return ByteBuffer.allocate(12 + value.length() + 1 + 8 + 3 + 67)
                .put(ascii("desc"))
                .putInt(0)
                .putInt(value.length() + 1)
                .put(ascii(value))
                .array();
    }

    public static byte[] ascii(String value) {
        return value.getBytes(StandardCharsets.US_ASCII);
    }
}
