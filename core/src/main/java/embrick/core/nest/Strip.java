package embrick.core.nest;

import java.util.List;

/**
 * Pieces on a roll.
 *
 * @param width µm that may be printed on
 * @param length µm that are used, to the end of the last piece
 */
public record Strip(long width, long length, List<Placed> placed) {
    public Strip {
        placed = List.copyOf(placed);
    }

    /** The share of the paper that no piece covers, 0 to 1. */
    public double waste() {
        return length == 0 ? 0 : 1 - covered() / ((double) width * length);
    }

    private double covered() {
        return placed.stream()
                .mapToDouble(one -> (double) one.width() * one.height())
                .sum();
    }
}
