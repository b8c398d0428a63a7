package embrick.formats.icc;

import embrick.core.colour.Xyz;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.ProfileFacts.Purpose;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The frame of an ICC profile, version 2 or 4 (ICC.1:2001-04, ICC.1:2022, clause 7): its header and where its tags lie.
 *
 * <p>All that any later reader believes is looked at here first: sizes, places, kinds. What the tags hold is not.
 */
final class IccProfile {
    private static final int TAG_BYTES = 12;
    private static final int SIGNATURE_AT = 36;
    /** More than any profile has; each costs a look. */
    private static final int MOST_TAGS = 100;

    private static final int MOST_BYTES = 32 << 20;
    /** A name of a few words, in some languages. */
    private static final int MOST_DESCRIPTION = 64 << 10;

    private static final String GET_AGAIN = "Get the profile again from where it was made.";

    private final byte[] bytes;
    private final Map<String, Element> elements = new LinkedHashMap<>();
    private final ColourModel model;
    private final Purpose purpose;
    private final Connection connection;

    /** The profile connection space. */
    enum Connection {
        XYZ,
        LAB
    }

    private record Element(int offset, int size) {}

    private IccProfile(byte[] bytes) throws UnusableProfileException {
        this.bytes = bytes;
        requireFrame();
        this.purpose = purpose(letters(12));
        this.model = model(letters(16));
        this.connection = switch (letters(20)) {
            case "XYZ " -> Connection.XYZ;
            case "Lab " -> Connection.LAB;
            default ->
                throw new UnusableProfileException(
                        "unsupported-connection",
                        "is connected through “" + letters(20).strip() + "”, where XYZ or Lab is known",
                        GET_AGAIN);
        };
        readTags();
    }

    /** @throws UnusableProfileException if it is damaged, or of a kind that is not for pictures */
    static IccProfile parse(byte[] bytes) throws UnusableProfileException {
        return new IccProfile(bytes);
    }

    private void requireFrame() throws UnusableProfileException {
        if (bytes.length < IccFile.HEADER_BYTES + 4 || !letters(SIGNATURE_AT).equals("acsp")) {
            throw new UnusableProfileException(
                    "not-a-profile", "is no ICC profile", "Choose a file that ends in .icc or .icm.");
        }
        long said = Integer.toUnsignedLong(number(0));
        if (said > bytes.length) {
            throw new UnusableProfileException(
                    "cut-short", "is cut short: " + bytes.length + " of " + said + " bytes are there", GET_AGAIN);
        }
        if (bytes.length > MOST_BYTES) {
            throw new UnusableProfileException(
                    "too-large",
                    "has " + bytes.length / (1 << 20) + " MB, where at most " + MOST_BYTES / (1 << 20) + " are taken",
                    "Ask its maker for a smaller one: two megabytes are plenty.");
        }
        int version = bytes[8];
        if (version != 2 && version != 4) {
            throw new UnusableProfileException(
                    "unsupported-version",
                    "is of ICC version " + version + ", where 2 and 4 are known",
                    "Ask its maker for one of version 4 or 2.");
        }
    }

    private static Purpose purpose(String letters) throws UnusableProfileException {
        return switch (letters) {
            case "scnr" -> Purpose.INPUT;
            case "mntr" -> Purpose.DISPLAY;
            case "prtr" -> Purpose.OUTPUT;
            case "spac" -> Purpose.SPACE;
            case "link" ->
                throw wrongClass("joins two devices (device link) and names no colours of its own", "either device");
            case "abst" ->
                throw wrongClass("changes colours (abstract) and describes no device", "a device or a paper");
            case "nmcl" -> throw wrongClass("is a list of named colours", "a device or a paper");
            default -> throw wrongClass("is of the unknown class “" + letters.strip() + "”", "a device or a paper");
        };
    }

    private static UnusableProfileException wrongClass(String text, String instead) {
        return new UnusableProfileException("wrong-class", text, "Choose the profile of " + instead + ".");
    }

    private static ColourModel model(String letters) throws UnusableProfileException {
        return switch (letters) {
            case "RGB " -> ColourModel.RGB;
            case "CMYK" -> ColourModel.CMYK;
            case "GRAY" -> ColourModel.GREY;
            default ->
                throw new UnusableProfileException(
                        "unsupported-space",
                        "is for “" + letters.strip() + "”, where RGB, CMYK and grey can be used",
                        "Choose an RGB, CMYK or grey profile of the device.");
        };
    }

    private void readTags() throws UnusableProfileException {
        int count = number(IccFile.HEADER_BYTES);
        if (count < 1 || count > MOST_TAGS || IccFile.HEADER_BYTES + 4 + count * TAG_BYTES > bytes.length) {
            throw damaged("says it has " + Integer.toUnsignedString(count) + " tags");
        }
        for (int i = 0; i < count; i++) {
            int at = IccFile.HEADER_BYTES + 4 + i * TAG_BYTES;
            long offset = Integer.toUnsignedLong(number(at + 4));
            long size = Integer.toUnsignedLong(number(at + 8));
            if (offset + size > bytes.length || size < 8) {
                throw damaged("has a tag " + i + " that lies outside of it");
            }
            elements.put(letters(at), new Element((int) offset, (int) size));
        }
        Element description = elements.get("desc");
        if (description != null && description.size() > MOST_DESCRIPTION) {
            throw new UnusableProfileException(
                    "description-too-long",
                    "has a description of " + description.size() / 1024 + " KB, where a name is expected",
                    GET_AGAIN);
        }
    }

    static UnusableProfileException damaged(String text) {
        return new UnusableProfileException("damaged", "is damaged: it " + text, GET_AGAIN);
    }

    byte[] bytes() {
        return bytes;
    }

    ColourModel model() {
        return model;
    }

    Purpose purpose() {
        return purpose;
    }

    Connection connection() {
        return connection;
    }

    int majorVersion() {
        return bytes[8];
    }

    /** As people write it: {@code 2.4}. */
    String version() {
        return bytes[8] + "." + (bytes[9] >> 4 & 15);
    }

    boolean has(String tag) {
        return elements.containsKey(tag);
    }

    /** A tag's element, its type signature included, read-only, big-endian. */
    Optional<ByteBuffer> element(String tag) {
        return Optional.ofNullable(elements.get(tag))
                .map(element -> ByteBuffer.wrap(bytes, element.offset(), element.size())
                        .slice()
                        .asReadOnlyBuffer());
    }

    /** The first of an XYZ element; empty where the tag is missing or something else. */
    Optional<Xyz> xyz(String tag) {
        return element(tag)
                .filter(element -> element.remaining() >= 20)
                .filter(element -> type(element).equals("XYZ "))
                .map(element -> new Xyz(fixed(element, 8), fixed(element, 12), fixed(element, 16)));
    }

    /** The medium's white, relative to D50; displays of version 2 are taken to have D50 itself, as Little CMS takes them. */
    Xyz white() {
        return majorVersion() == 2 && purpose == Purpose.DISPLAY
                ? Xyz.D50
                : xyz("wtpt").orElse(Xyz.D50);
    }

    static String type(ByteBuffer element) {
        return letters(element, 0);
    }

    static String letters(ByteBuffer element, int at) {
        byte[] four = new byte[4];
        element.get(at, four);
        return new String(four, StandardCharsets.ISO_8859_1);
    }

    /** s15Fixed16Number. */
    static double fixed(ByteBuffer element, int at) {
        return element.getInt(at) / 65536.0;
    }

    private String letters(int at) {
        return new String(bytes, at, 4, StandardCharsets.ISO_8859_1);
    }

    private int number(int at) {
        return ByteBuffer.wrap(bytes).getInt(at);
    }

    /** Reading an element that may end too early, or hold what no profile holds. */
    interface Reading<T> {
        T read() throws UnusableProfileException;
    }

    /** Turns running over an element's end into what it is: a damaged profile. */
    static <T> T within(String tag, Reading<T> reading) throws UnusableProfileException {
        try {
            return reading.read();
        } catch (BufferUnderflowException | IndexOutOfBoundsException over) {
            throw damaged("has a tag “" + tag + "” that ends too early");
        } catch (IllegalArgumentException | ArithmeticException | NegativeArraySizeException odd) {
            throw damaged("has a tag “" + tag + "” that cannot be read: " + odd.getMessage());
        }
    }
}
