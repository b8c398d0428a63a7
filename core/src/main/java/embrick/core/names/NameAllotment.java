package embrick.core.names;

import embrick.core.plan.Notice;
import embrick.core.problem.Problem;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.NamePattern.Brick;
import embrick.core.ticket.NamePattern.Replacement;
import embrick.core.ticket.NamePattern.Said;
import embrick.core.ticket.NamePattern.Subfolders;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Gives every piece of a run its name, before the run starts.
 *
 * <p>Names that would meet, compared as the least careful file system does (letter case ignored, NFC), are kept apart by
 * a number in the order of the pile. Words that would leave the folder are refused; signs that some systems cannot
 * store become hyphens.
 */
public final class NameAllotment {
    private NameAllotment() {}

    /**
     * What all names of a run share.
     *
     * @param bar depth of a wrap's bar in a word; empty without one
     */
    public record Setting(String jobName, String ticketName, String bar, LocalDate day) {
        public Setting {
            Objects.requireNonNull(jobName);
            Objects.requireNonNull(ticketName);
            Objects.requireNonNull(bar);
            Objects.requireNonNull(day);
        }
    }

    /**
     * One piece that wants a name.
     *
     * @param originalPath with its subfolders, parted by {@code /}
     * @param sizeText the sheet in a word, {@code 8x10in}
     * @param pixels of the file in a word, {@code 3000x2400}
     * @param taken day on which the picture was taken, where its file says it
     * @param copies that are printed of it
     * @param suffix without its dot
     */
    public record Wanted(
            String originalPath, String sizeText, String pixels, Optional<String> taken, int copies, String suffix) {}

    /** What allotting comes to. */
    public sealed interface Allotment {
        /** One name a piece, in the order asked, with its subfolders parted by {@code /} where they are kept. */
        record Allotted(List<String> names, List<Notice> notices) implements Allotment {
            public Allotted {
                names = List.copyOf(names);
                notices = List.copyOf(notices);
            }
        }

        record Refused(List<Problem> problems) implements Allotment {
            public Refused {
                problems = List.copyOf(problems);
            }
        }
    }

    public static Allotment allot(NamePattern pattern, Setting setting, List<Wanted> pieces) {
        List<Problem> problems = wordProblems(pattern);
        if (!problems.isEmpty()) {
            return new Allotment.Refused(problems);
        }
        List<String> names = new ArrayList<>();
        List<Notice> notices = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        Map<String, Integer> lastTail = new HashMap<>();
        if (pattern.subfolders() == Subfolders.KEPT) {
            pieces.forEach(piece -> takeFolders(FileNames.folders(piece.originalPath()), taken));
        }
        for (int i = 0; i < pieces.size(); i++) {
            Wanted piece = pieces.get(i);
            String stem = FileNames.clean(lay(pattern, setting, piece, i));
            String folder = folder(pattern, piece);
            String first = folder + FileNames.join(stem, "", piece.suffix());
            String name = first;
            while (!taken.add(FileNames.key(name))) {
                int tail = lastTail.merge(FileNames.key(first), 2, (last, _) -> last + 1);
                name = folder + FileNames.join(stem, "-" + tail, piece.suffix());
            }
            if (!name.equals(first)) {
                notices.add(new Notice(
                        "names-meet", piece.originalPath() + " would also be " + first + ": it becomes " + name));
            }
            names.add(name);
        }
        return new Allotment.Allotted(names, notices);
    }

    private static String folder(NamePattern pattern, Wanted piece) {
        String folders = FileNames.folders(piece.originalPath());
        return pattern.subfolders() == Subfolders.FLATTENED || folders.isEmpty() ? "" : folders + "/";
    }

    /** A folder and all above it: no piece may have the name of one. */
    private static void takeFolders(String folders, Set<String> taken) {
        for (String at = folders; !at.isEmpty(); at = at.contains("/") ? at.substring(0, at.lastIndexOf('/')) : "") {
            taken.add(FileNames.key(at));
        }
    }

    private static List<Problem> wordProblems(NamePattern pattern) {
        List<Problem> problems = new ArrayList<>();
        for (Brick brick : pattern.bricks()) {
            String words = switch (brick) {
                case Brick.Words own -> own.text();
                case Brick.OriginalName(Optional<Replacement> replaced) ->
                    replaced.map(Replacement::to).orElse("");
                default -> "";
            };
            if (FileNames.climbs(words)) {
                problems.add(Problem.of(
                        "name-leaves-folder",
                        "name",
                        "words without / \\ or control characters",
                        "“" + words + "”",
                        "Use a hyphen instead; the folder is chosen in its own phrase."));
            }
        }
        return problems;
    }

    private static String lay(NamePattern pattern, Setting setting, Wanted piece, int place) {
        Said said = new Said(
                FileNames.stem(piece.originalPath()),
                setting.jobName(),
                setting.ticketName(),
                piece.sizeText(),
                piece.pixels(),
                setting.bar(),
                piece.taken(),
                setting.day().toString(),
                place,
                piece.copies());
        StringBuilder name = new StringBuilder();
        Brick before = null;
        for (Brick brick : pattern.bricks()) {
            String words = brick.lay(said);
            if (words.isEmpty()) {
                continue;
            }
            // Two bricks that are no own words are parted, or 12 and 3 would read as 123.
            if (before != null && !(before instanceof Brick.Words) && !(brick instanceof Brick.Words)) {
                name.append('_');
            }
            name.append(words);
            before = brick;
        }
        return pattern.letters().of(name.toString());
    }
}
