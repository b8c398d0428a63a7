package embrick.core.plan;

import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;

/**
 * What a person may do with a piece's framing, and how its size is spoken of. Screens ask this, never which kind of size or fit a
 * ticket names.
 *
 * @param moves what goes with the hand
 * @param scaling whether the frame can be made tighter and looser
 * @param corners whether what a tilt leaves bare is a choice
 * @param size whether the size was said on paper, so that inches and millimetres are the ones that were asked for
 */
public record Handling(Moves moves, Scaling scaling, CornerChoice corners, SpokenSize size) {
    /** What moves. */
    public enum Moves {
        /** The picture, under a sheet that stays. */
        PICTURE,
        /** The frame, each side by itself, over a picture that stays. */
        FRAME,
        /** Nothing: the file stays as it is. */
        NOTHING
    }

    /** Whether a frame takes in less of its picture when it is asked to. */
    public enum Scaling {
        TIGHTENS,
        FIXED
    }

    /** Who says what becomes of corners that a tilt leaves bare. */
    public enum CornerChoice {
        FRAMING,
        TICKET
    }

    /** In what a size was said. */
    public enum SpokenSize {
        PAPER,
        PIXELS
    }

    public static Handling of(Ticket ticket) {
        SpokenSize size = ticket.size() instanceof Size.OnPaper ? SpokenSize.PAPER : SpokenSize.PIXELS;
        if (ticket.file() instanceof FileFormat.AsItIs) {
            return new Handling(Moves.NOTHING, Scaling.FIXED, CornerChoice.TICKET, size);
        }
        if (ticket.size() instanceof Size.FreeShape) {
            return new Handling(Moves.FRAME, Scaling.FIXED, CornerChoice.FRAMING, size);
        }
        boolean isPlaced = ticket.size() instanceof Size.Sheet && ticket.fit() instanceof Fit.Placed;
        return isPlaced
                ? new Handling(Moves.PICTURE, Scaling.FIXED, CornerChoice.TICKET, size)
                : new Handling(Moves.PICTURE, Scaling.TIGHTENS, CornerChoice.FRAMING, size);
    }
}
