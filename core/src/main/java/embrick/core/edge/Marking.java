package embrick.core.edge;

import java.util.List;

/**
 * A mark's words over finished pixels, each light or dark by what lies under it.
 *
 * @param lines in pixels of the total; their own colour is not used
 * @param degrees by which each is turned about its middle, anticlockwise
 * @param strength share of the picture that the letters cover, 0 to 1
 */
public record Marking(List<CaptionLine> lines, double degrees, double strength) {
    public Marking {
        lines = List.copyOf(lines);
        if (!(strength > 0 && strength <= 1)) {
            throw new IllegalArgumentException("strength: expected above 0 and at most 1, got " + strength);
        }
    }

    /** The same on a total that is so many times smaller. */
    public Marking reduced(double times) {
        return new Marking(
                lines.stream()
                        .map(line -> new CaptionLine(
                                line.text(),
                                line.emPixels() / times,
                                line.middleX() / times,
                                line.baseline() / times,
                                line.colour()))
                        .toList(),
                degrees,
                strength);
    }
}
