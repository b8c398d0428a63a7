package embrick.server.originals;

import embrick.core.names.FileNames;
import embrick.server.problems.ProblemException;
import java.util.List;

/** Where an original lies below the folder that was dropped. */
final class OriginalPath {
    private static final int LONGEST = 1024;
    private static final int TOLD = 100;

    private OriginalPath() {}

    /** {@code a/b.jpg} becomes {@code a/b (2).jpg}: another picture of the same name beside a sound one. */
    static String numbered(String path, int number) {
        int dot = path.lastIndexOf('.');
        int stemEnd = dot > path.lastIndexOf('/') + 1 ? dot : path.length();
        return path.substring(0, stemEnd) + " (" + number + ")" + path.substring(stemEnd);
    }

    /** A relative path in NFC that stays below its folder. */
    static String clean(String path) {
        String clean = FileNames.readable(path);
        if (clean.chars().anyMatch(Character::isISOControl)) {
            throw ProblemException.invalid(
                    "path-control-character",
                    printable(clean),
                    "“" + printable(clean) + "” has a control character in its name, shown here as �.",
                    "Rename the file and drop it again.");
        }
        if (clean.length() > LONGEST) {
            throw ProblemException.invalid(
                    "path-too-long",
                    clean.substring(0, TOLD) + "…",
                    "A path of " + clean.length() + " characters is longer than the " + LONGEST + " that are kept.",
                    "Drop the picture from a folder nearer to it.");
        }
        boolean climbs = clean.startsWith("/")
                || clean.contains("\\")
                || List.of(clean.split("/", -1)).stream()
                        .anyMatch(part -> part.isEmpty() || part.equals(".") || part.equals(".."));
        if (climbs) {
            throw ProblemException.invalid(
                    "path-leaves-folder",
                    path,
                    "“" + path + "” is not a path below the folder that was dropped.",
                    "Rename the file and drop it again.");
        }
        return clean;
    }

    private static String printable(String path) {
        String shown = path.replaceAll("\\p{Cntrl}", "�");
        return shown.length() <= TOLD ? shown : shown.substring(0, TOLD) + "…";
    }
}
