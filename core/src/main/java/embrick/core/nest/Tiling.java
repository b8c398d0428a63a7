package embrick.core.nest;

import java.util.ArrayList;
import java.util.List;

/** A print that is wider than the paper, cut into parts that overlap: glued over one another they are the print again. */
public final class Tiling {
    private Tiling() {}

    /** A part of a print: µm from its left and top. */
    public record Tile(long x, long y, long width, long height) {}

    /**
     * Parts of equal size, as few as there can be, each with what it shares with the next.
     *
     * @param width µm of the print
     * @param height likewise
     * @param mostAcross the widest part
     * @param mostAlong the longest part
     * @param overlap µm that two neighbours share
     * @throws IllegalArgumentException if parts could not be longer than what they share
     */
    public static List<Tile> of(long width, long height, long mostAcross, long mostAlong, long overlap) {
        List<long[]> across = cuts(width, mostAcross, overlap);
        List<long[]> along = cuts(height, mostAlong, overlap);
        List<Tile> tiles = new ArrayList<>();
        for (long[] down : along) {
            for (long[] right : across) {
                tiles.add(new Tile(right[0], down[0], right[1], down[1]));
            }
        }
        return tiles;
    }

    /** Beginnings and lengths along one side. */
    private static List<long[]> cuts(long side, long most, long overlap) {
        if (side <= most) {
            return List.of(new long[] {0, side});
        }
        if (overlap < 0 || most <= overlap) {
            throw new IllegalArgumentException(
                    "expected parts longer than their overlap, got " + most + " and " + overlap + " µm");
        }
        // n parts of a length l cover n·l − (n − 1)·overlap.
        long parts = Math.ceilDiv(side - overlap, most - overlap);
        long length = Math.ceilDiv(side + (parts - 1) * overlap, parts);
        List<long[]> cuts = new ArrayList<>();
        for (long i = 0; i < parts; i++) {
            // The last one ends with the print; what rounding is left over lies in the overlap before it.
            cuts.add(new long[] {i < parts - 1 ? i * (length - overlap) : side - length, length});
        }
        return cuts;
    }
}
