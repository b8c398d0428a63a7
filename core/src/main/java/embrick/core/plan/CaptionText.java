package embrick.core.plan;

import java.util.Objects;

/**
 * The words of one picture's caption, measured.
 *
 * @param widthEm how long they run in the shipped font, in ems
 * @param missing characters that the font does not have
 */
public record CaptionText(String text, double widthEm, String missing) {
    /** Half the height of an x in ems: the middle of a line of letters lies so far above where they stand. */
    public static final double HALF_SMALL_LETTER = 0.26;

    public CaptionText {
        Objects.requireNonNull(text);
        Objects.requireNonNull(missing);
        if (!(widthEm >= 0)) {
            throw new IllegalArgumentException("widthEm: expected 0 or more, got " + widthEm);
        }
    }
}
