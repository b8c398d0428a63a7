package embrick.core.units;

/** A unit a length is spoken in. Each is a whole number of {@link Length#UNITS_PER_INCH} parts, so conversion is exact. */
public enum LengthUnit {
    /** International inch, 25.4 mm exactly (international yard and pound agreement, 1959). */
    IN(914_400),
    CM(360_000),
    MM(36_000),
    /** Point of PDF and PostScript: 1/72 inch. */
    PT(12_700);

    private final long parts;

    LengthUnit(long parts) {
        this.parts = parts;
    }

    /** How many 1/914 400 inch one of this unit is. */
    public long parts() {
        return parts;
    }

    /** The word written behind a number: {@code in}, {@code cm}, {@code mm}, {@code pt}. */
    public String symbol() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /** Reads a unit; the inch also as {@code "} and {@code inch}. */
    public static LengthUnit parse(String text) {
        return switch (text.strip().toLowerCase(java.util.Locale.ROOT)) {
            case "in", "inch", "inches", "\"", "″" -> IN;
            case "cm" -> CM;
            case "mm" -> MM;
            case "pt" -> PT;
            default -> throw new IllegalArgumentException("unit: expected in, cm, mm or pt, got " + text);
        };
    }
}
