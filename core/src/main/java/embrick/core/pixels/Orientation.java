package embrick.core.pixels;

import embrick.core.units.PixelSize;

/**
 * How stored pixels become the picture as it is seen: the eight values of tag 274 (Exif 2.32, 4.6.4; TIFF 6.0).
 *
 * <p>Each is a map from a seen position to a stored one, {@code stored = (seen or seen swapped), then reversed}, and they
 * form a group: turns and mirrors asked for on the bench are joined with the tag by {@link #then} and applied once.
 */
public enum Orientation {
    UPRIGHT(1, false, false, false),
    MIRRORED(2, false, true, false),
    HALF_TURN(3, false, true, true),
    FLIPPED(4, false, false, true),
    TRANSPOSED(5, true, false, false),
    QUARTER_RIGHT(6, true, false, true),
    TRANSVERSED(7, true, true, true),
    QUARTER_LEFT(8, true, true, false);

    private final int tag;
    private final boolean swapsAxes;
    private final boolean reversesX;
    private final boolean reversesY;

    /**
     * @param swapsAxes the seen row runs along the stored column
     * @param reversesX stored x counts from the right
     * @param reversesY stored y counts from the bottom
     */
    Orientation(int tag, boolean swapsAxes, boolean reversesX, boolean reversesY) {
        this.tag = tag;
        this.swapsAxes = swapsAxes;
        this.reversesX = reversesX;
        this.reversesY = reversesY;
    }

    /** The value of tag 274. Anything but 1 to 8 is taken for 1, as the tag's own default says. */
    public static Orientation ofTag(int tag) {
        return tag >= 1 && tag <= 8 ? values()[tag - 1] : UPRIGHT;
    }

    public int tag() {
        return tag;
    }

    public boolean swapsAxes() {
        return swapsAxes;
    }

    public boolean reversesX() {
        return reversesX;
    }

    public boolean reversesY() {
        return reversesY;
    }

    public PixelSize seenSize(PixelSize stored) {
        return swapsAxes ? stored.turned() : stored;
    }

    /** The orientation that first brings the picture upright by this one and then moves what is seen by {@code next}. */
    public Orientation then(Orientation next) {
        // stored = this(seen1), seen1 = next(seen2). Reversals that next made pass through this one's swap.
        boolean swap = swapsAxes ^ next.swapsAxes;
        boolean x = reversesX ^ (swapsAxes ? next.reversesY : next.reversesX);
        boolean y = reversesY ^ (swapsAxes ? next.reversesX : next.reversesY);
        for (Orientation candidate : values()) {
            if (candidate.swapsAxes == swap && candidate.reversesX == x && candidate.reversesY == y) {
                return candidate;
            }
        }
        throw new AssertionError("the eight orientations are closed under composition");
    }

    /** Quarter turns clockwise as an orientation. */
    public static Orientation ofQuarterTurns(int clockwise) {
        return switch (Math.floorMod(clockwise, 4)) {
            case 0 -> UPRIGHT;
            case 1 -> QUARTER_RIGHT;
            case 2 -> HALF_TURN;
            default -> QUARTER_LEFT;
        };
    }
}
