package embrick.core.names;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Names that every common file system can store. */
public final class FileNames {
    /** Bytes of a name in UTF-8 that ext4, XFS, APFS and NTFS can all hold. */
    private static final int MOST_BYTES = 255;

    /** Room for the number that a folder of a name already taken gets. */
    private static final int NUMBER_BYTES = 6;

    /**
     * Device names that Windows keeps for itself, whatever suffix follows. Its digits also come raised: ISO 8859-1's ¹, ² and
     * ³ name the same ports (Microsoft, "Naming Files, Paths, and Namespaces").
     */
    private static final Pattern RESERVED =
            Pattern.compile("con|prn|aux|nul|conin\\$|conout\\$|(com|lpt)[0-9\u00b9\u00b2\u00b3]");

    /**
     * Marks that are not seen and turn the letters after them round, so that a name reads as another one (Unicode Standard
     * Annex 9, section 2: embeddings, overrides, isolates and the implicit marks); the byte order mark; lines' and
     * paragraphs' ends.
     */
    private static final Pattern UNSEEN = Pattern.compile(
            "[\\x{202A}-\\x{202E}\\x{2066}-\\x{2069}\\x{200E}\\x{200F}\\x{61C}\\x{FEFF}\\p{Zl}\\p{Zp}]");

    /** Halves of characters, which no encoding of a file system can store. */
    private static final Pattern HALVES = Pattern.compile("\\p{Cs}");

    private FileNames() {}

    /** The last part of a path, without its suffix. */
    public static String stem(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** The folders of a path, each as it can be stored everywhere, parted by {@code /}; empty without any. */
    public static String folders(String path) {
        int last = path.lastIndexOf('/');
        return last < 0
                ? ""
                : Arrays.stream(path.substring(0, last).split("/"))
                        .filter(part -> !part.isEmpty())
                        .map(FileNames::folder)
                        .collect(Collectors.joining("/"));
    }

    /** Whether words hold anything by which a name could leave its folder. */
    public static boolean climbs(String words) {
        return words.chars().anyMatch(c -> c == '/' || c == '\\' || c < 0x20 || c == 0x7f);
    }

    /** In NFC, without marks that are not seen; half a character becomes {@code -}. */
    public static String readable(String words) {
        String seen = UNSEEN.matcher(words).replaceAll("");
        return Normalizer.normalize(HALVES.matcher(seen).replaceAll("-"), Normalizer.Form.NFC);
    }

    /** The nearest name of a folder that can be stored everywhere, with room for a number behind it. */
    public static String folder(String wanted) {
        String name = shortened(clean(wanted), MOST_BYTES - NUMBER_BYTES).replaceAll("[.\\s]+$", "");
        return name.isEmpty() ? "pictures" : name;
    }

    /** The nearest stem that can be stored everywhere; never empty. */
    public static String clean(String stem) {
        String name = readable(stem)
                .replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}]", "-")
                .replaceAll("^[.\\s]+", "")
                .replaceAll("[.\\s]+$", "");
        if (name.isEmpty()) {
            return "picture";
        }
        int dot = name.indexOf('.');
        String device = (dot < 0 ? name : name.substring(0, dot)).stripTrailing();
        return RESERVED.matcher(device.toLowerCase(Locale.ROOT)).matches() ? "_" + name : name;
    }

    /** Stem, tail and suffix as one name, the stem shortened at a whole character where it would be too long. */
    static String join(String stem, String tail, String suffix) {
        String end = tail + "." + suffix;
        return shortened(stem, MOST_BYTES - end.getBytes(StandardCharsets.UTF_8).length) + end;
    }

    private static String shortened(String name, int mostBytes) {
        String kept = name;
        while (kept.getBytes(StandardCharsets.UTF_8).length > mostBytes) {
            kept = kept.substring(0, kept.offsetByCodePoints(kept.length(), -1));
        }
        return kept;
    }

    /** Equal for names that some file system takes for one. */
    public static String key(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFC)
                .toUpperCase(Locale.ROOT)
                .toLowerCase(Locale.ROOT);
    }
}
