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
}
