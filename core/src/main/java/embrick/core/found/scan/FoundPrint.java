package embrick.core.found.scan;

import embrick.core.found.Confidence;
import java.util.List;

/**
 * A print that was found on a bed.
 *
 * @param outline its four sides, in pixels of the small picture; nothing is taken off inside them yet
 * @param confidence not sure where a doubt stands against taking it
 * @param doubts why it is not sure, or only likely
 */
public record FoundPrint(Rectangle outline, Confidence confidence, List<Doubt> doubts) {
    public FoundPrint {
        doubts = List.copyOf(doubts);
    }

    /** A side with what is doubtful about it. */
    public record Doubt(Side side, Kind kind) {}

    /** In the order of the corners. */
    public enum Side {
        TOP,
        RIGHT,
        BOTTOM,
        LEFT
    }

    public enum Kind {
        /** Cannot be told from the bed on most of its length. */
        UNSEEN,
        /** Something pale seems to go on beyond it. */
        GOES_ON,
        /** Is not square to the others. */
        ASKEW,
        /** Is torn or worn: the line lies inside the whole of it. */
        RAGGED,
        /** Goes on beyond the scan. */
        BEYOND_SCAN
    }
}
