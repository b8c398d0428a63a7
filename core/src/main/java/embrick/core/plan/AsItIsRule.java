package embrick.core.plan;

import embrick.core.metadata.MetadataChoice;
import embrick.core.problem.Problem;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.List;

/** What a ticket may not ask of a file that stays as it is. */
final class AsItIsRule {
    private AsItIsRule() {}

    static List<Problem> problems(Ticket ticket) {
        List<Problem> problems = new ArrayList<>();
        if (!(ticket.file() instanceof FileFormat.AsItIs)) {
            return problems;
        }
        if (!(ticket.size() instanceof Size.OwnShape)) {
            problems.add(problem("size", "the picture's own shape and pixels", "another size"));
        }
        if (!(ticket.edges() instanceof Edges.None)) {
            problems.add(problem("edges", "no edges", "edges"));
        }
        if (!(ticket.sharpening() instanceof Sharpening.None)) {
            problems.add(problem("sharpening", "no sharpening", "sharpening"));
        }
        if (ticket.mark().isPresent()) {
            problems.add(problem("mark", "no mark", "one"));
        }
        if (!(ticket.colour() instanceof OutputColour.Keep)) {
            problems.add(problem("colour", "colours kept", "another profile"));
        }
        if (!ticket.metadata().equals(MetadataChoice.EVERYTHING)) {
            problems.add(Problem.of(
                    "file-stays-as-it-is",
                    "metadata",
                    "all metadata kept and none of its own words, since the original's own file is only renamed",
                    "something left out or changed",
                    "Keep all metadata, with place and serial numbers, or choose a file type that is made anew."));
        }
        return problems;
    }

    private static Problem problem(String phrase, String expected, String actual) {
        return Problem.of(
                "file-stays-as-it-is",
                phrase,
                expected + ", since the original's own file is only renamed",
                actual,
                "Change it, or choose a file that is made anew.");
    }
}
