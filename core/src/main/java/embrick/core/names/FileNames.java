package embrick.core.names;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;

/** Names that every common file system can store. */
public final class FileNames {
    /** Bytes of a name in UTF-8 that ext4, XFS, APFS and NTFS can all hold. */
    private static final int MOST_BYTES = 255;

    /** Device names that Windows keeps for itself, whatever suffix follows. */
    private static final Set<String> RESERVED = Set.of(
            "con", "prn", "aux", "nul", "com1", "com2", "com3", "com4", "com5", "com6", "com7", "com8", "com9", "lpt1",
            "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9");

    private FileNames() {}

    /** The last part of a path, without its suffix. */
    public static String stem(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** Whether words hold anything by which a name could leave its folder. */
    public static boolean climbs(String words) {
        return words.chars().anyMatch(c -> c == '/' || c == '\\' || c < 0x20 || c == 0x7f);
    }

    /** The nearest stem that can be stored everywhere; never empty. */
    public static String clean(String stem) {
        String name = Normalizer.normalize(stem, Normalizer.Form.NFC)
                .replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}]", "-")
                .replaceAll("^[.\\s]+", "")
                .replaceAll("[.\\s]+$", "");
        if (name.isEmpty()) {
            return "picture";
        }
        int dot = name.indexOf('.');
        String device = dot < 0 ? name : name.substring(0, dot);
        return RESERVED.contains(device.toLowerCase(Locale.ROOT)) ? "_" + name : name;
    }

    /** Stem, tail and suffix as one name, the stem shortened at a whole character where it would be too long. */
    static String join(String stem, String tail, String suffix) {
        String end = tail + "." + suffix;
        int room = MOST_BYTES - end.getBytes(StandardCharsets.UTF_8).length;
        String kept = stem;
        while (kept.getBytes(StandardCharsets.UTF_8).length > room) {
            kept = kept.substring(0, kept.offsetByCodePoints(kept.length(), -1));
        }
        return kept + end;
    }

    /** Equal for names that some file system takes for one. */
    public static String key(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFC)
                .toUpperCase(Locale.ROOT)
                .toLowerCase(Locale.ROOT);
    }
}
