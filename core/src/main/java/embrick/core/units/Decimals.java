package embrick.core.units;

import java.math.BigDecimal;

/** How long a decimal number may be that somebody sends or types. */
public final class Decimals {
    /** Digits before or behind the point: more than any length or resolution needs. */
    private static final int MOST_DIGITS = 40;

    private Decimals() {}

    /**
     * Judges a number before it is worked with: {@code 1e300000000} is eleven characters and would be written out as three
     * hundred million digits by the first sum.
     */
    public static boolean isShort(BigDecimal value) {
        return value.precision() <= MOST_DIGITS
                && value.scale() <= MOST_DIGITS
                && (long) value.precision() - value.scale() <= MOST_DIGITS;
    }

    /** @throws IllegalArgumentException if a number has too many digits */
    static BigDecimal requireShort(String name, BigDecimal value) {
        if (!isShort(value)) {
            throw new IllegalArgumentException(name + ": expected a number of at most " + MOST_DIGITS + " digits, got "
                    + value.precision() + " digits and an exponent of " + -(long) value.scale());
        }
        return value;
    }
}
