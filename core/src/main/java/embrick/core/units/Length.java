package embrick.core.units;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An exact length on paper.
 *
 * <p>Held as a whole number of 1/914 400 inch: inch, centimetre, millimetre, point and micrometre are then exact, and so
 * is one pixel at 150, 240, 300, 360, 600, 720 and 1 440 per inch. The unit it was spoken in is remembered for showing it
 * again and takes no part in equality: 25.4 mm equals 1 in.
 */
public final class Length implements Comparable<Length> {
    /** Parts in an inch: 36 a micrometre × 25 400. */
    public static final long UNITS_PER_INCH = 914_400;

    /** Characters of a length that somebody types. */
    private static final int MOST_TYPED = 60;

    private static final Pattern SPOKEN = Pattern.compile(
            "\\s*(?:(\\d+)\\s+)?(?:(\\d+)/(\\d+)|(\\d+(?:[.,]\\d+)?|[.,]\\d+))\\s*(in|inch|inches|\"|″|cm|mm|pt)?\\s*",
            Pattern.CASE_INSENSITIVE);

    private final long parts;
    private final LengthUnit spokenIn;

    private Length(long parts, LengthUnit spokenIn) {
        if (parts < 0) {
            BigDecimal value = BigDecimal.valueOf(parts)
                    .divide(BigDecimal.valueOf(spokenIn.parts()), 9, RoundingMode.HALF_UP)
                    .stripTrailingZeros();
            throw new IllegalArgumentException(
                    "length: expected 0 or more, got " + value.toPlainString() + " " + spokenIn.symbol());
        }
        this.parts = parts;
        this.spokenIn = Objects.requireNonNull(spokenIn);
    }

    /** {@code of(8, IN)}; more digits than 1/914 400 inch can hold are rounded to the nearest. */
    public static Length of(BigDecimal value, LengthUnit unit) {
        BigDecimal exact = Decimals.requireShort("length", value)
                .multiply(BigDecimal.valueOf(unit.parts()))
                .setScale(0, RoundingMode.HALF_UP);
        return new Length(exact.longValueExact(), unit);
    }

    public static Length of(long value, LengthUnit unit) {
        return new Length(Math.multiplyExact(value, unit.parts()), unit);
    }

    public static Length inches(String value) {
        return of(new BigDecimal(value), LengthUnit.IN);
    }

    public static Length millimetres(long value) {
        return of(value, LengthUnit.MM);
    }

    /** From the smallest part, as stored. */
    public static Length ofParts(long parts, LengthUnit spokenIn) {
        return new Length(parts, spokenIn);
    }

    /**
     * Reads what a person types: {@code 8}, {@code 8 in}, {@code 1 1/2in}, {@code 210 mm}, {@code 21,5 cm}.
     *
     * @param unit the unit of a bare number
     * @throws IllegalArgumentException if the text is no length
     */
    public static Length parse(String text, LengthUnit unit) {
        if (text.length() > MOST_TYPED) {
            throw new IllegalArgumentException(
                    "length: expected at most " + MOST_TYPED + " characters, got " + text.length());
        }
        Matcher match = SPOKEN.matcher(text);
        if (!match.matches() || (match.group(1) != null && match.group(2) == null)) {
            throw new IllegalArgumentException("length: expected a number with in, cm, mm or pt, got " + text);
        }
        LengthUnit spoken = match.group(5) == null ? unit : LengthUnit.parse(match.group(5));
        BigDecimal value = match.group(1) == null ? BigDecimal.ZERO : new BigDecimal(match.group(1));
        if (match.group(2) != null) {
            BigDecimal below = new BigDecimal(match.group(3));
            if (below.signum() == 0) {
                throw new IllegalArgumentException("length: expected a fraction with a number below, got " + text);
            }
            value = value.add(new BigDecimal(match.group(2)).divide(below, MathContext.DECIMAL64));
        } else {
            value = value.add(new BigDecimal(match.group(4).replace(',', '.')));
        }
        return of(value, spoken);
    }

    public long parts() {
        return parts;
    }

    public LengthUnit spokenIn() {
        return spokenIn;
    }

    public boolean isZero() {
        return parts == 0;
    }

    /** The value in a unit, to nine decimals and without trailing zeros. */
    public BigDecimal in(LengthUnit unit) {
        BigDecimal value = BigDecimal.valueOf(parts)
                .divide(BigDecimal.valueOf(unit.parts()), 9, RoundingMode.HALF_UP)
                .stripTrailingZeros();
        return value.scale() < 0 ? value.setScale(0) : value;
    }

    public double toInches() {
        return (double) parts / UNITS_PER_INCH;
    }

    public Length plus(Length other) {
        return new Length(Math.addExact(parts, other.parts), spokenIn);
    }

    public Length times(long factor) {
        return new Length(Math.multiplyExact(parts, factor), spokenIn);
    }

    @Override
    public int compareTo(Length other) {
        return Long.compare(parts, other.parts);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Length length && length.parts == parts;
    }

    @Override
    public int hashCode() {
        return Long.hashCode(parts);
    }

    @Override
    public String toString() {
        return in(spokenIn).toPlainString() + " " + spokenIn.symbol();
    }
}
