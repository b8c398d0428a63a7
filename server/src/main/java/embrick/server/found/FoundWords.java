package embrick.server.found;

import embrick.core.found.Confidence;
import embrick.core.found.blur.EdgeSpread;
import embrick.core.found.level.LevelFinder.Level;
import embrick.core.found.scan.FoundPrint;
import embrick.core.found.scan.FoundPrint.Doubt;
import embrick.core.found.scan.FoundPrint.Side;
import embrick.core.found.scan.LeftOver;
import embrick.core.found.scan.ScanBorder.Scan;
import embrick.core.found.scan.ScanBorder.Why;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Findings in words, as they stand on the page. */
final class FoundWords {
    /** Less is written as 0.0. */
    private static final double LEAST_DEGREES = 0.05;

    private FoundWords() {}

    static String of(Scan scan) {
        return switch (scan) {
            case Scan.Nothing(Why why) -> of(why);
            case Scan.Prints(List<FoundPrint> prints) -> prints.size() == 1 ? of(prints.getFirst()) : ofSeveral(prints);
        };
    }

    private static String ofSeveral(List<FoundPrint> prints) {
        long seen = prints.stream()
                .filter(print -> print.confidence() != Confidence.NOT_SURE)
                .count();
        return prints.size() + " prints lie on the bed"
                + (seen == prints.size() ? "." : ", " + seen + " of them with all sides seen.");
    }

    private static String of(Why why) {
        return switch (why) {
            case NO_BED -> "No scan border: the rim of the picture is not of one colour.";
            case EMPTY -> "Nothing lies on the bed of the scan.";
            case NO_RECTANGLE -> "Not sure: what lies on the bed has no four straight sides.";
            case LAID_OUT -> "The pictures are laid out square to one another, as on a page: they are left alone.";
        };
    }

    static String of(EdgeSpread.Found edge) {
        return edge.isSharp()
                ? "This edge is sharp: there is no blur to undo."
                : String.format(
                        Locale.ROOT,
                        "%s: this edge is spread by %.1f px more than one in focus; the grain round it is %.1f %%.",
                        of(edge.confidence()),
                        edge.radius(),
                        100 * edge.grain());
    }

    static String of(FoundPrint print) {
        String doubts = print.doubts().stream().map(FoundWords::of).collect(Collectors.joining("; "));
        return of(print.confidence()) + ": "
                + (doubts.isEmpty() ? "all four sides are seen" : doubts)
                + ". Tilted " + tilt(print.outline().degrees()) + ".";
    }

    private static String of(Doubt doubt) {
        String side = "the " + of(doubt.side());
        return switch (doubt.kind()) {
            case UNSEEN -> side + " cannot be told from the bed";
            case GOES_ON -> "the picture seems to go on beyond " + side;
            case ASKEW -> side + " is not square to the others";
            case RAGGED -> side + " is torn or worn, and is cut inside";
            case BEYOND_SCAN -> side + " lies outside the scan";
        };
    }

    private static String of(Side side) {
        return switch (side) {
            case TOP -> "top";
            case RIGHT -> "right side";
            case BOTTOM -> "bottom";
            case LEFT -> "left side";
        };
    }

    static String of(Confidence confidence) {
        return switch (confidence) {
            case SURE -> "Sure";
            case LIKELY -> "Likely";
            case NOT_SURE -> "Not sure";
        };
    }

    static String of(Level level) {
        if (Math.abs(level.leans()) < LEAST_DEGREES) {
            return of(level.confidence()) + ": the picture is level.";
        }
        return String.format(
                Locale.ROOT,
                "%s: %s lines lean %s by %.1f°.",
                of(level.confidence()),
                level.line().isUpright() ? "upright" : "level",
                level.leans() < 0 ? "left" : "right",
                Math.abs(level.leans()));
    }

    private static String tilt(double degrees) {
        return String.format(
                Locale.ROOT, "%.1f° %s", Math.abs(degrees), degrees < 0 ? "counterclockwise" : "clockwise");
    }

    /** Where a line of the bed is left along a cut; empty where none is. */
    static Optional<String> ofLeft(List<LeftOver.Line> lines) {
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(lines.stream()
                        .map(line -> String.format(
                                Locale.ROOT,
                                "the %s from %.0f to %.0f %%",
                                of(line.side()),
                                100 * line.from(),
                                100 * line.to()))
                        .collect(Collectors.joining(
                                ", ", "A line of the bed may be left along ", " of its length. Cut further inside.")));
    }
}
