package embrick.core.framing;

import java.util.Objects;
import java.util.Optional;

/**
 * Where one picture sits in one shape, independent of paper and ppi, so that tickets of one shape share it.
 *
 * @param centreX the frame's centre as a fraction of the oriented original's width, {@code centreY} of its height
 * @param tightness loosest allowed frame ÷ chosen frame, 1 or more
 * @param tiltDegrees clockwise, −45 to 45
 * @param quarterTurns of the picture, clockwise, 0 to 3; after the mirror
 * @param turn the sheet's direction, where a person turned it by hand
 * @param corners whether the frame may hang over a tilted picture's rim, and what fills it there
 * @param free the two sides as fractions of the oriented original's, in the free shape only
 */
public record Framing(
        double centreX,
        double centreY,
        double tightness,
        double tiltDegrees,
        int quarterTurns,
        Mirror mirror,
        SheetTurn turn,
        Corners corners,
        Optional<FreeSides> free) {
    /** Tightest taken: beyond it a frame of a large picture is a few pixels. */
    public static final double TIGHTEST = 100;

    /** Numbers are kept to 1e-9: a millionth of a pixel on the largest picture, and equal on every machine. */
    private static final double GRAIN = 1e9;

    public Framing {
        centreX = kept("centreX", centreX, 0, 1);
        centreY = kept("centreY", centreY, 0, 1);
        tightness = kept("tightness", tightness, 1, TIGHTEST);
        tiltDegrees = kept("tiltDegrees", tiltDegrees, -45, 45);
        quarterTurns = Math.floorMod(quarterTurns, 4);
        Objects.requireNonNull(mirror);
        Objects.requireNonNull(turn);
        Objects.requireNonNull(corners);
        Objects.requireNonNull(free);
    }

    /** The loosest frame in the middle: what every picture has before anybody touched it. */
    public static Framing centred() {
        return new Framing(0.5, 0.5, 1, 0, 0, Mirror.AS_IT_IS, SheetTurn.AS_TICKET, Corners.COVERED, Optional.empty());
    }

    public Framing withCentre(double x, double y) {
        return new Framing(x, y, tightness, tiltDegrees, quarterTurns, mirror, turn, corners, free);
    }

    public Framing withTightness(double value) {
        return new Framing(centreX, centreY, value, tiltDegrees, quarterTurns, mirror, turn, corners, free);
    }

    public Framing withTilt(double degrees) {
        return new Framing(centreX, centreY, tightness, degrees, quarterTurns, mirror, turn, corners, free);
    }

    public Framing withQuarterTurns(int turns) {
        return new Framing(centreX, centreY, tightness, tiltDegrees, turns, mirror, turn, corners, free);
    }

    public Framing withMirror(Mirror value) {
        return new Framing(centreX, centreY, tightness, tiltDegrees, quarterTurns, value, turn, corners, free);
    }

    public Framing withTurn(SheetTurn value) {
        return new Framing(centreX, centreY, tightness, tiltDegrees, quarterTurns, mirror, value, corners, free);
    }

    public Framing withCorners(Corners value) {
        return new Framing(centreX, centreY, tightness, tiltDegrees, quarterTurns, mirror, turn, value, free);
    }

    public Framing withFree(FreeSides sides) {
        return new Framing(
                centreX, centreY, tightness, tiltDegrees, quarterTurns, mirror, turn, corners, Optional.of(sides));
    }

    /** Whether the picture is seen in a mirror, left for right. */
    public enum Mirror {
        AS_IT_IS,
        MIRRORED
    }

    /** The sheet's direction for this picture. */
    public enum SheetTurn {
        AS_TICKET,
        UPRIGHT,
        WIDE
    }

    /** What a frame does at a tilted picture's rim. */
    public enum Corners {
        /** The frame stays inside the picture. */
        COVERED,
        /** It may hang over; the paper shows there. */
        PAPER,
        /** It may hang over; the rim's pixels are drawn out. */
        DRAWN_OUT,
        /** Background is grown there from the picture's own texture. */
        GROWN
    }

    /** Sides of the free shape as fractions of the oriented original's, above 0 to 1. */
    public record FreeSides(double width, double height) {
        /** The whole picture. */
        public static final FreeSides WHOLE = new FreeSides(1, 1);

        public FreeSides {
            width = kept("free width", width, 1e-6, 1);
            height = kept("free height", height, 1e-6, 1);
        }
    }

    private static double kept(String name, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(name + ": expected " + low + " to " + high + ", got " + value);
        }
        return Math.round(value * GRAIN) / GRAIN;
    }
}
