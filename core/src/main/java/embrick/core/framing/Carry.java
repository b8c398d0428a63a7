package embrick.core.framing;

import java.util.Set;

/** Gives one picture's framing, or parts of it, to another. All of it is relative, so that it suits pictures of any size. */
public final class Carry {
    private Carry() {}

    /** What is carried together. */
    public enum Part {
        /** Centre and tightness; the sides of the free shape. */
        PLACE,
        /** The tilt, and what its corners do. */
        TILT,
        /** The sheet's turn, the picture's quarter turns and its mirror. */
        TURN
    }

    /** {@code to} with the wanted parts of {@code from}. */
    public static Framing onto(Framing to, Framing from, Set<Part> parts) {
        Framing place = parts.contains(Part.PLACE) ? from : to;
        Framing tilt = parts.contains(Part.TILT) ? from : to;
        Framing turn = parts.contains(Part.TURN) ? from : to;
        return new Framing(
                place.centreX(),
                place.centreY(),
                place.tightness(),
                tilt.tiltDegrees(),
                turn.quarterTurns(),
                turn.mirror(),
                turn.turn(),
                tilt.corners(),
                place.free());
    }
}
