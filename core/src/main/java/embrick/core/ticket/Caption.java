package embrick.core.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.units.Length;
import java.util.List;
import java.util.Objects;

/**
 * A line of words in a border's bottom, laid from parts, left to right.
 *
 * @param letters the height of its letters, from one line to the next (the em)
 */
public record Caption(List<Part> parts, Length letters, PaperColour colour) {
    private static final Length SMALLEST = Length.millimetres(1);
    private static final Length LARGEST = Length.inches("10");

    public Caption {
        parts = List.copyOf(parts);
        Objects.requireNonNull(colour);
        if (parts.isEmpty()) {
            throw new IllegalArgumentException("caption: expected one part or more, got none");
        }
        if (letters.compareTo(SMALLEST) < 0 || letters.compareTo(LARGEST) > 0) {
            throw new IllegalArgumentException(
                    "caption: expected letters of " + SMALLEST + " to " + LARGEST + ", got " + letters);
        }
    }

    /** A part of a caption. */
    public sealed interface Part {
        /** The original's name without its suffix. */
        record FileName() implements Part {}

        /** The title that the picture's own file gives it; nothing where it gives none. */
        record Title() implements Part {}

        /** The picture's number in its job, from 1, with a fixed count of digits. */
        record Number(int digits) implements Part {
            public Number {
                if (digits < 1 || digits > 9) {
                    throw new IllegalArgumentException("digits: expected 1 to 9, got " + digits);
                }
            }
        }

        record Words(String text) implements Part {
            public Words {
                Objects.requireNonNull(text);
                if (text.length() > 200) {
                    throw new IllegalArgumentException(
                            "caption: expected 200 characters or fewer, got " + text.length());
                }
            }
        }
    }

    /** What a picture's caption is filled with. */
    public record Filling(String fileName, String title, int number) {}

    /** The words as they stand under one picture; empty where no part has any. */
    public String textFor(Filling filling) {
        StringBuilder text = new StringBuilder();
        for (Part part : parts) {
            text.append(
                    switch (part) {
                        case Part.FileName _ -> filling.fileName();
                        case Part.Title _ -> filling.title();
                        case Part.Number number ->
                            String.format(java.util.Locale.ROOT, "%0" + number.digits() + "d", filling.number());
                        case Part.Words words -> words.text();
                    });
        }
        return text.toString().strip();
    }
}
