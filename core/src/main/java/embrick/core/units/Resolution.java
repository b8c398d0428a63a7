package embrick.core.units;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;

/**
 * Pixels per length, as an exact rational in lowest terms: {@code pixels} on {@code perParts} × 1/914 400 inch.
 *
 * <p>Exact because what files hold is not whole: PNG counts per metre (300 ppi is written 11811), TIFF and Exif hold
 * fractions, and a resolution that follows from pixels and inches is any fraction.
 */
public record Resolution(long pixels, long perParts) implements Comparable<Resolution> {
    /** 1 m in parts of a {@link Length}. */
    private static final long PARTS_PER_METRE = 36_000_000;

    /** Highest that is taken: beyond every device, and low enough that no product overflows. */
    public static final int MAX_PER_INCH = 20_000;

    public Resolution {
        if (pixels < 1) {
            throw new IllegalArgumentException("pixels: expected 1 or more, got " + pixels);
        }
        if (perParts < 1) {
            throw new IllegalArgumentException("perParts: expected 1 or more, got " + perParts);
        }
        long divisor =
                BigInteger.valueOf(pixels).gcd(BigInteger.valueOf(perParts)).longValueExact();
        pixels /= divisor;
        perParts /= divisor;
        if (pixels / perParts > MAX_PER_INCH / Length.UNITS_PER_INCH + 1
                || (double) pixels / perParts > (double) MAX_PER_INCH / Length.UNITS_PER_INCH) {
            throw new IllegalArgumentException("resolution: expected at most " + MAX_PER_INCH + " ppi, got "
                    + (double) pixels * Length.UNITS_PER_INCH / perParts);
        }
    }

    public static Resolution perInch(long pixels) {
        return new Resolution(pixels, Length.UNITS_PER_INCH);
    }

    /** From a fraction as TIFF and Exif store it. */
    public static Resolution perInch(long numerator, long denominator) {
        return new Resolution(numerator, Math.multiplyExact(denominator, Length.UNITS_PER_INCH));
    }

    public static Resolution perInch(BigDecimal value) {
        BigDecimal plain = Decimals.requireShort("resolution", value).stripTrailingZeros();
        int scale = Math.max(0, plain.scale());
        return perInch(
                plain.movePointRight(scale).longValueExact(),
                BigInteger.TEN.pow(scale).longValueExact());
    }

    public static Resolution perCentimetre(long numerator, long denominator) {
        return new Resolution(numerator, Math.multiplyExact(denominator, PARTS_PER_METRE / 100));
    }

    public static Resolution perMetre(long pixels) {
        return new Resolution(pixels, PARTS_PER_METRE);
    }

    /** Nearest whole pixel, halves up, at least 1: how a face becomes pixels. Bands use {@link #pixelsToCover}. */
    public int pixelsFor(Length length) {
        BigInteger twice = BigInteger.valueOf(length.parts())
                .multiply(BigInteger.valueOf(pixels))
                .shiftLeft(1);
        BigInteger per = BigInteger.valueOf(perParts);
        return Math.max(
                1,
                twice.add(per)
                        .divide(per.shiftLeft(1))
                        .min(BigInteger.valueOf(Integer.MAX_VALUE))
                        .intValueExact());
    }

    /** Pixels rounded up: how a band becomes pixels, never narrower than asked. */
    public int pixelsToCover(Length length) {
        BigInteger per = BigInteger.valueOf(perParts);
        return BigInteger.valueOf(length.parts())
                .multiply(BigInteger.valueOf(pixels))
                .add(per)
                .subtract(BigInteger.ONE)
                .divide(per)
                .intValueExact();
    }

    /** The paper that so many pixels cover, to the nearest 1/914 400 inch. */
    public Length lengthOf(long count, LengthUnit spokenIn) {
        BigInteger twice = BigInteger.valueOf(count)
                .multiply(BigInteger.valueOf(perParts))
                .shiftLeft(1)
                .add(BigInteger.valueOf(pixels));
        return Length.ofParts(
                twice.divide(BigInteger.valueOf(pixels).shiftLeft(1)).longValueExact(), spokenIn);
    }

    public double toPpi() {
        return (double) pixels * Length.UNITS_PER_INCH / perParts;
    }

    /** Nearest whole ppi, as JFIF stores it. */
    public int roundedPerInch() {
        return (int) Math.round(toPpi());
    }

    /** Nearest whole pixels per metre, as PNG's pHYs stores it. */
    public long roundedPerMetre() {
        return BigDecimal.valueOf(pixels)
                .multiply(BigDecimal.valueOf(PARTS_PER_METRE))
                .divide(BigDecimal.valueOf(perParts), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    /** As the fraction per inch that TIFF and Exif store: two 32-bit numbers, in lowest terms or the nearest that fit. */
    public Rational32 perInchFraction() {
        BigInteger above = BigInteger.valueOf(pixels).multiply(BigInteger.valueOf(Length.UNITS_PER_INCH));
        BigInteger below = BigInteger.valueOf(perParts);
        BigInteger divisor = above.gcd(below);
        above = above.divide(divisor);
        below = below.divide(divisor);
        int excess = Math.max(0, Math.max(above.bitLength(), below.bitLength()) - 32);
        return new Rational32(
                above.shiftRight(excess).longValueExact(),
                below.shiftRight(excess).max(BigInteger.ONE).longValueExact());
    }

    /** A fraction of two unsigned 32-bit numbers, as TIFF's type RATIONAL. */
    public record Rational32(long numerator, long denominator) {}

    @Override
    public int compareTo(Resolution other) {
        return BigInteger.valueOf(pixels)
                .multiply(BigInteger.valueOf(other.perParts))
                .compareTo(BigInteger.valueOf(other.pixels).multiply(BigInteger.valueOf(perParts)));
    }

    @Override
    public String toString() {
        return BigDecimal.valueOf(toPpi())
                        .setScale(2, RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString()
                + " ppi";
    }
}
