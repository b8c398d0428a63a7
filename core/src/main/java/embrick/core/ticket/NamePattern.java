package embrick.core.ticket;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A file name laid from bricks, left to right. The suffix follows from the file format.
 *
 * @param letters of the whole name
 * @param subfolders what becomes of those that originals lie in
 */
public record NamePattern(List<Brick> bricks, LetterCase letters, Subfolders subfolders) {
    /** The original's name as it is. */
    public static final NamePattern ORIGINAL = new NamePattern(List.of(new Brick.OriginalName()));

    private static final int MOST_WORDS = 120;

    public NamePattern {
        bricks = List.copyOf(bricks);
        Objects.requireNonNull(letters);
        Objects.requireNonNull(subfolders);
        if (bricks.isEmpty()) {
            throw new IllegalArgumentException("name: expected one brick or more, got none");
        }
    }

    /** With letters as they come. */
    public NamePattern(List<Brick> bricks) {
        this(bricks, LetterCase.AS_IT_IS);
    }

    /** In one folder. */
    public NamePattern(List<Brick> bricks, LetterCase letters) {
        this(bricks, letters, Subfolders.FLATTENED);
    }

    /** What becomes of the subfolders that originals lie in. */
    public enum Subfolders {
        /** All pieces lie in one folder. */
        FLATTENED,
        /** They are made again below the delivery's folder. */
        KEPT
    }

    /** Small or capital letters. */
    public enum LetterCase {
        AS_IT_IS(name -> name),
        LOWER(name -> name.toLowerCase(Locale.ROOT)),
        UPPER(name -> name.toUpperCase(Locale.ROOT));

        private final UnaryOperator<String> change;

        LetterCase(UnaryOperator<String> change) {
            this.change = change;
        }

        public String of(String name) {
            return change.apply(name);
        }
    }

    /**
     * What a name can say of one piece.
     *
     * @param originalStem its original's name without folder and suffix
     * @param size the sheet in a word
     * @param pixels of the file, {@code 3000x2400}
     * @param bar depth of a wrap's bar; empty without one
     * @param taken day on which the picture was taken, {@code 2026-08-14}, where its file says it
     * @param day of the run
     * @param place in the run, from 0
     * @param copies that are printed of it
     */
    public record Said(
            String originalStem,
            String job,
            String ticket,
            String size,
            String pixels,
            String bar,
            Optional<String> taken,
            String day,
            int place,
            int copies) {}

    /** A part of a name. */
    public sealed interface Brick {
        /** What it says of a piece; an empty word leaves no trace in the name. */
        String lay(Said said);

        /**
         * The original's name without its suffix.
         *
         * @param replaced what is written in place of something in it
         */
        record OriginalName(Optional<Replacement> replaced) implements Brick {
            public OriginalName() {
                this(Optional.empty());
            }

            @Override
            public String lay(Said said) {
                return replaced.map(one -> one.in(said.originalStem())).orElse(said.originalStem());
            }
        }

        record JobName() implements Brick {
            @Override
            public String lay(Said said) {
                return said.job();
            }
        }

        record TicketName() implements Brick {
            @Override
            public String lay(Said said) {
                return said.ticket();
            }
        }

        /** The sheet as spoken, of a wrap its face, {@code 8x10in}; without a sheet the pixels, {@code 6000x4000}. */
        record SizeText() implements Brick {
            @Override
            public String lay(Said said) {
                return said.size();
            }
        }

        /** The file's pixels, {@code 3000x2400}. */
        record Pixels() implements Brick {
            @Override
            public String lay(Said said) {
                return said.pixels();
            }
        }

        /** How deep a wrap's bar is, {@code 38mm}; nothing without one. */
        record BarDepth() implements Brick {
            @Override
            public String lay(Said said) {
                return said.bar();
            }
        }

        /** A running number with a fixed count of digits, or more where it needs them. */
        record RunningNumber(int digits, int first) implements Brick {
            private static final int MOST_FIRST = 100_000_000;

            public RunningNumber {
                if (digits < 1 || digits > 9) {
                    throw new IllegalArgumentException("digits: expected 1 to 9, got " + digits);
                }
                if (first < 0 || first > MOST_FIRST) {
                    throw new IllegalArgumentException("first number: expected 0 to " + MOST_FIRST + ", got " + first);
                }
            }

            /** From 1. */
            public RunningNumber(int digits) {
                this(digits, 1);
            }

            @Override
            public String lay(Said said) {
                return String.format(Locale.ROOT, "%0" + digits + "d", first + said.place());
            }
        }

        /** How many copies are printed, {@code 3x}; nothing where it is one. */
        record Copies() implements Brick {
            @Override
            public String lay(Said said) {
                return said.copies() == 1 ? "" : said.copies() + "x";
            }
        }

        /** The last number in the original's own name, {@code 0481} of {@code kite_0481}; nothing where there is none. */
        record PictureNumber() implements Brick {
            private static final Pattern LAST = Pattern.compile("(\\d+)\\D*$");

            @Override
            public String lay(Said said) {
                Matcher last = LAST.matcher(said.originalStem());
                return last.find() ? last.group(1) : "";
            }
        }

        /** The day of the run, {@code 2026-11-25}. */
        record Date() implements Brick {
            @Override
            public String lay(Said said) {
                return said.day();
            }
        }

        /** The day on which the picture was taken, {@code 2026-08-14}; {@code undated} where its file does not say it. */
        record PictureDate() implements Brick {
            @Override
            public String lay(Said said) {
                return said.taken().orElse("undated");
            }
        }

        /** Own words, taken as they are. */
        record Words(String text) implements Brick {
            public Words {
                requireShort("words", text);
            }

            @Override
            public String lay(Said said) {
                return text;
            }
        }
    }

    /** Other text in place of some in an original's name, wherever it stands. */
    public record Replacement(String from, String to) {
        public Replacement {
            requireShort("text to replace", from);
            requireShort("replacement", to);
            if (from.isEmpty()) {
                throw new IllegalArgumentException("text to replace: expected some, got none");
            }
        }

        String in(String name) {
            return name.replace(from, to);
        }
    }

    private static void requireShort(String what, String text) {
        if (text.length() > MOST_WORDS) {
            throw new IllegalArgumentException(
                    what + ": expected " + MOST_WORDS + " characters or fewer, got " + text.length());
        }
    }
}
