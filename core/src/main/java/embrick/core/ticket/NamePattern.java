package embrick.core.ticket;

import java.util.List;
import java.util.Objects;

/** A file name laid from bricks, left to right. The suffix follows from the file format. */
public record NamePattern(List<Brick> bricks) {
    public NamePattern {
        bricks = List.copyOf(bricks);
        if (bricks.isEmpty()) {
            throw new IllegalArgumentException("name: expected one brick or more, got none");
        }
    }

    /** A part of a name. */
    public sealed interface Brick {
        /** The original's name without its suffix. */
        record OriginalName() implements Brick {}

        record JobName() implements Brick {}

        record TicketName() implements Brick {}

        /** The sheet as spoken, {@code 8x10in}; without a sheet the pixels, {@code 6000x4000}. */
        record SizeText() implements Brick {}

        /** A running number from 1 with a fixed count of digits. */
        record RunningNumber(int digits) implements Brick {
            public RunningNumber {
                if (digits < 1 || digits > 9) {
                    throw new IllegalArgumentException("digits: expected 1 to 9, got " + digits);
                }
            }
        }

        /** The day of the run, {@code 2026-11-25}. */
        record Date() implements Brick {}

        /** Own words, taken as they are. */
        record Words(String text) implements Brick {
            public Words {
                Objects.requireNonNull(text);
                if (text.length() > 120) {
                    throw new IllegalArgumentException("words: expected 120 characters or fewer, got " + text.length());
                }
            }
        }
    }
}
