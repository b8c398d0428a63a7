package embrick.server.originals;

import embrick.core.names.FileNames;
import embrick.server.problems.ProblemException;
import java.util.List;

/** Where an original lies below the folder that was dropped. */
final class OriginalPath {
    private static final int LONGEST = 1024;

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
        boolean climbs = clean.startsWith("/")
                || clean.contains("\\")
                || clean.chars().anyMatch(c -> c < 0x20)
                || List.of(clean.split("/", -1)).stream()
                        .anyMatch(part -> part.isEmpty() || part.equals(".") || part.equals(".."));
        if (climbs || clean.length() > LONGEST) {
            throw ProblemException.invalid(
                    "path-leaves-folder",
                    path,
                    "“" + path + "” is not a path below the folder that was dropped.",
                    "Rename the file and drop it again.");
        }
        return clean;
    }
}
