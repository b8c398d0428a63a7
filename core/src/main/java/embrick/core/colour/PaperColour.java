package embrick.core.colour;

import java.util.Locale;

/** A colour of paper in sRGB, 0 to 255 a channel. */
public record PaperColour(int red, int green, int blue) {
    public static final PaperColour WHITE = new PaperColour(255, 255, 255);
    public static final PaperColour BLACK = new PaperColour(0, 0, 0);

    public PaperColour {
        for (int value : new int[] {red, green, blue}) {
            if (value < 0 || value > 255) {
                throw new IllegalArgumentException("colour: expected 0 to 255, got " + value);
            }
        }
    }

    /** Reads {@code #RRGGBB}. */
    public static PaperColour parse(String text) {
        if (!text.matches("#[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException("colour: expected # and six hexadecimal digits, got " + text);
        }
        int value = Integer.parseInt(text, 1, 7, 16);
        return new PaperColour(value >> 16, (value >> 8) & 255, value & 255);
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "#%02X%02X%02X", red, green, blue);
    }
}
