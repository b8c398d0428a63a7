package embrick.core.ticket;

import java.util.Objects;

/**
 * Words drawn over a picture, to say whose it is: for screens. They are light or dark by what lies under them.
 *
 * @param sizePercent height of the letters' em, of the picture's short side
 * @param strengthPercent how much of the picture they cover
 */
public record Mark(String text, Place place, int sizePercent, int strengthPercent) {
    private static final int MOST_LETTERS = 120;

    /** Where it stands. */
    public enum Place {
        TOP_LEFT,
        TOP,
        TOP_RIGHT,
        LEFT,
        MIDDLE,
        RIGHT,
        FOOT_LEFT,
        FOOT,
        FOOT_RIGHT,
        /** Along the rising diagonal, in the middle. */
        ACROSS,
        /** Again and again over all of the picture. */
        TILED;

        /** The anchor that it is, of the nine. */
        public Anchor anchor() {
            return switch (this) {
                case TOP_LEFT -> Anchor.TOP_LEFT;
                case TOP -> Anchor.TOP;
                case TOP_RIGHT -> Anchor.TOP_RIGHT;
                case LEFT -> Anchor.LEFT;
                case MIDDLE, ACROSS, TILED -> Anchor.MIDDLE;
                case RIGHT -> Anchor.RIGHT;
                case FOOT_LEFT -> Anchor.FOOT_LEFT;
                case FOOT -> Anchor.FOOT;
                case FOOT_RIGHT -> Anchor.FOOT_RIGHT;
            };
        }
    }

    public Mark {
        Objects.requireNonNull(place);
        if (text.isBlank() || text.length() > MOST_LETTERS) {
            throw new IllegalArgumentException(
                    "mark: expected words of 1 to " + MOST_LETTERS + " letters, got " + text.length());
        }
        requirePercent("size of the mark", sizePercent);
        requirePercent("strength of the mark", strengthPercent);
    }

    private static void requirePercent(String what, int percent) {
        if (percent < 1 || percent > 100) {
            throw new IllegalArgumentException(what + ": expected 1 to 100 %, got " + percent);
        }
    }
}
