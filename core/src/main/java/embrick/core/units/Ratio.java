package embrick.core.units;

import java.math.BigInteger;

/** A ratio of two sides, short to long, in lowest terms: 4:5 is also 8:10 and 5:4. */
public record Ratio(long shortSide, long longSide) {
    public Ratio {
        if (shortSide < 1 || longSide < 1) {
            throw new IllegalArgumentException(
                    "ratio: expected two sides of 1 or more, got " + shortSide + ":" + longSide);
        }
        long divisor =
                BigInteger.valueOf(shortSide).gcd(BigInteger.valueOf(longSide)).longValueExact();
        long a = shortSide / divisor;
        long b = longSide / divisor;
        shortSide = Math.min(a, b);
        longSide = Math.max(a, b);
    }

    public static Ratio of(Length a, Length b) {
        return new Ratio(a.parts(), b.parts());
    }

    public boolean isSquare() {
        return shortSide == longSide;
    }

    @Override
    public String toString() {
        return shortSide + ":" + longSide;
    }
}
