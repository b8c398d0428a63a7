package embrick.core.names;

import embrick.core.plan.Notice;
import embrick.core.problem.Problem;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.NamePattern.Brick;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
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

    /** What all names of a run share. */
    public record Setting(String jobName, String ticketName, LocalDate day) {
        public Setting {
            Objects.requireNonNull(jobName);
            Objects.requireNonNull(ticketName);
            Objects.requireNonNull(day);
        }
    }

    /**
     * One piece that wants a name.
     *
     * @param originalPath with its subfolders, parted by {@code /}
     * @param sizeText the sheet in a word, {@code 8x10in}
     * @param suffix without its dot
     */
    public record Wanted(String originalPath, String sizeText, String suffix) {}

    /** What allotting comes to. */
    public sealed interface Allotment {
        /** One name a piece, in the order asked. */
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
        for (int i = 0; i < pieces.size(); i++) {
            Wanted piece = pieces.get(i);
            String stem = FileNames.clean(lay(pattern, setting, piece, i + 1));
            String first = FileNames.join(stem, "", piece.suffix());
            String name = first;
            while (!taken.add(FileNames.key(name))) {
                int tail = lastTail.merge(FileNames.key(first), 2, (last, _) -> last + 1);
                name = FileNames.join(stem, "-" + tail, piece.suffix());
            }
            if (!name.equals(first)) {
                notices.add(new Notice(
                        "names-meet", piece.originalPath() + " would also be " + first + ": it becomes " + name));
            }
            names.add(name);
        }
        return new Allotment.Allotted(names, notices);
    }

    private static List<Problem> wordProblems(NamePattern pattern) {
        List<Problem> problems = new ArrayList<>();
        for (Brick brick : pattern.bricks()) {
            if (brick instanceof Brick.Words words && FileNames.climbs(words.text())) {
                problems.add(Problem.of(
                        "name-leaves-folder",
                        "name",
                        "words without / \\ or control characters",
                        "“" + words.text() + "”",
                        "Use a hyphen instead; the folder is chosen in its own phrase."));
            }
        }
        return problems;
    }

    private static String lay(NamePattern pattern, Setting setting, Wanted piece, int number) {
        StringBuilder name = new StringBuilder();
        Brick before = null;
        for (Brick brick : pattern.bricks()) {
            // Two bricks that are no own words are parted, or 12 and 3 would read as 123.
            if (before != null && !(before instanceof Brick.Words) && !(brick instanceof Brick.Words)) {
                name.append('_');
            }
            name.append(
                    switch (brick) {
                        case Brick.OriginalName _ -> FileNames.stem(piece.originalPath());
                        case Brick.JobName _ -> setting.jobName();
                        case Brick.TicketName _ -> setting.ticketName();
                        case Brick.SizeText _ -> piece.sizeText();
                        case Brick.RunningNumber digits ->
                            String.format(Locale.ROOT, "%0" + digits.digits() + "d", number);
                        case Brick.Date _ -> setting.day().toString();
                        case Brick.Words words -> words.text();
                    });
            before = brick;
        }
        return name.toString();
    }
}
