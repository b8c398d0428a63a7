package embrick.core.found.level;

import embrick.core.found.Confidence;
import embrick.core.found.SmallPixels;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Finds how far a picture leans.
 *
 * <p>Straight pieces near level and near upright vote by themselves, finely and, for shores in haze, coarsely. Where both say the same,
 * or one has little to say, that is offered. Where they contradict one another uprights go first, and nothing is sure: level lines lean
 * of themselves where something is seen from the side, uprights only where the camera looked up or down.
 */
public final class LevelFinder {
    /** Farther off, a picture was turned on purpose. */
    static final double FARTHEST = 12;
    /** Directions that say the same do so within this, in degrees. */
    private static final double SAME = 0.7;
    /** Pieces shorter than this together, in short sides, contradict nothing. */
    private static final double LITTLE = 0.35;
    /** A picture is looked at with about so many pixels on its longer side. */
    private static final int FINE = 800;
    /** And once more with a third of them. */
    private static final int COARSE = 3;

    private LevelFinder() {}

    /**
     * What a picture's lines say.
     *
     * @param leans degrees clockwise from level, to be turned back by a tilt of as much the other way
     * @param line the longest piece that says so, in pixels of the picture handed in
     * @param agree share of all votes that are for it, 0 to 1
     * @param length of all pieces that are for it, in short sides of the picture
     */
    public record Level(double leans, Confidence confidence, Segment line, double agree, double length) {}

    /** @return empty where there are no lines to go by */
    public static Optional<Level> find(SmallPixels picture) {
        Tones fine = Tones.of(picture, FINE);
        Optional<Level> level = find(fine);
        Optional<Level> hazy = find(fine.reduced(COARSE));
        return hazy.isPresent()
                        && (level.isEmpty()
                                || hazy.get().confidence().compareTo(level.get().confidence()) > 0)
                ? hazy
                : level;
    }

    private static Optional<Level> find(Tones tones) {
        int width = tones.width();
        int height = tones.height();
        int step = tones.step();
        Map<Boolean, List<Segment>> pieces = Segments.in(tones.luma(), width, height).stream()
                .filter(piece -> Math.abs(piece.leans()) <= FARTHEST + 2 && !isAtRim(piece, width, height))
                .collect(Collectors.partitioningBy(Segment::isUpright));
        double shortSide = Math.min(width, height);
        List<Segment> both = Stream.of(pieces.get(true), pieces.get(false))
                .flatMap(List::stream)
                .toList();
        if (both.isEmpty()) {
            return Optional.empty();
        }
        Optional<Votes> uprights = votes(pieces.get(true), shortSide);
        Optional<Votes> levels = votes(pieces.get(false), shortSide);
        if (uprights.isPresent()
                && levels.isPresent()
                && Math.abs(uprights.get().leans() - levels.get().leans()) > SAME) {
            Votes first = uprights.get().confidence() == Confidence.SURE ? uprights.get() : levels.get();
            return Optional.of(told(first, first.confidence().lesser(Confidence.LIKELY), step));
        }
        Votes votes = uprights.isPresent() && levels.isPresent()
                ? Votes.of(both, shortSide)
                : uprights.or(() -> levels).orElseGet(() -> Votes.of(both, shortSide));
        return Optional.of(told(votes, votes.confidence(), step));
    }

    /** What they say, if they are long enough to say anything. */
    private static Optional<Votes> votes(List<Segment> pieces, double shortSide) {
        return pieces.isEmpty()
                ? Optional.empty()
                : Optional.of(Votes.of(pieces, shortSide)).filter(votes -> votes.length() > LITTLE);
    }

    private static Level told(Votes votes, Confidence confidence, int step) {
        return new Level(votes.leans(), confidence, enlarged(votes.longest(), step), votes.agree(), votes.length());
    }

    /** A frame round the picture, or the scan's bed, is level whatever the picture does. */
    private static boolean isAtRim(Segment piece, int width, int height) {
        double rim = 0.01 * Math.min(width, height) + 3;
        return Math.max(piece.x1(), piece.x2()) < rim
                || Math.max(piece.y1(), piece.y2()) < rim
                || Math.min(piece.x1(), piece.x2()) > width - rim
                || Math.min(piece.y1(), piece.y2()) > height - rim;
    }

    private static Segment enlarged(Segment piece, int step) {
        return new Segment(
                piece.x1() * step,
                piece.y1() * step,
                piece.x2() * step,
                piece.y2() * step,
                piece.leans(),
                piece.isUpright(),
                piece.contrast());
    }
}
