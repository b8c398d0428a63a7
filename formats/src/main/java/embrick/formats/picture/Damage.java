package embrick.formats.picture;

import java.util.Locale;
import java.util.Objects;

/**
 * What is wrong with a picture that can be seen all the same: its decoder warned, or stopped before the last row. It is shown
 * to people and printed only if one of them says so.
 *
 * @param text follows the picture's name
 * @param begins share of the stored picture's height above the damage, 0 to 1; 0 also where it can lie anywhere
 */
public record Damage(String code, String text, double begins) {
    public Damage {
        Objects.requireNonNull(code);
        Objects.requireNonNull(text);
        if (!(begins >= 0 && begins <= 1)) {
            throw new IllegalArgumentException("begins: expected 0 to 1, got " + begins);
        }
    }

    /** @param what follows the picture's name, as in "is cut short" */
    public static Damage fromRow(String code, String what, int row, int rows) {
        String where = String.format(
                Locale.ROOT,
                ": from about row %d of %d on it is not to be trusted (%.0f %% of the way down)",
                row,
                rows,
                100.0 * row / rows);
        return new Damage(code, what + where, (double) row / rows);
    }

    /** Of which no row is known to be sound. */
    public static Damage anywhere(String code, String what) {
        return new Damage(code, what + ": any part of the picture can be wrong", 0);
    }

    /** The same as a refusal. */
    public UnusablePictureException refusal() {
        return new UnusablePictureException(
                UnusablePictureException.Kind.BROKEN,
                code,
                text,
                "Add an intact copy, or look at it and choose to print it anyway.");
    }
}
