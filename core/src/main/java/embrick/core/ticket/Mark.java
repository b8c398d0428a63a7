package embrick.core.ticket;

import embrick.core.units.PixelSize;
import java.util.Objects;
import java.util.Optional;

/**
 * Words or a figure drawn over a picture, to say whose it is: for screens. It is light or dark by what lies under it.
 *
 * @param sizePercent height of the letters' em or of the figure, of the picture's short side
 * @param strengthPercent how much of the picture it covers
 */
public record Mark(Content content, Place place, int sizePercent, int strengthPercent) {
    private static final int MOST_LETTERS = 120;

    /** What is drawn. */
    public sealed interface Content {
        record Words(String text) implements Content {
            public Words {
                if (text.isBlank() || text.length() > MOST_LETTERS) {
                    throw new IllegalArgumentException(
                            "mark: expected words of 1 to " + MOST_LETTERS + " letters, got " + text.length());
                }
            }
        }

        /**
         * The figure of a PNG: what is not see-through covers.
         *
         * @param digest SHA-256 of its bytes
         * @param size of it in its own pixels
         */
        record Stencil(String digest, PixelSize size) implements Content {
            public Stencil {
                Objects.requireNonNull(digest);
                Objects.requireNonNull(size);
            }
        }
    }

    /** Where it stands. */
    public enum Place {
        TOP_LEFT,
        TOP,
        TOP_RIGHT,
        LEFT,
        MIDDLE,
        RIGHT,
        BOTTOM_LEFT,
        BOTTOM,
        BOTTOM_RIGHT,
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
                case BOTTOM_LEFT -> Anchor.BOTTOM_LEFT;
                case BOTTOM -> Anchor.BOTTOM;
                case BOTTOM_RIGHT -> Anchor.BOTTOM_RIGHT;
            };
        }
    }

    public Mark {
        Objects.requireNonNull(place);
        Objects.requireNonNull(content);
        requirePercent("size of the mark", sizePercent);
        requirePercent("strength of the mark", strengthPercent);
    }

    /** The words that are to be measured; none of a figure. */
    public Optional<String> words() {
        return content instanceof Content.Words words ? Optional.of(words.text()) : Optional.empty();
    }

    private static void requirePercent(String what, int percent) {
        if (percent < 1 || percent > 100) {
            throw new IllegalArgumentException(what + ": expected 1 to 100 %, got " + percent);
        }
    }
}
