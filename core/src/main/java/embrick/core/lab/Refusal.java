package embrick.core.lab;

import java.util.Objects;

/**
 * One rule that a piece does not keep.
 *
 * @param asked what the rule asks for, in words that follow "asked for"
 * @param has what the piece has
 */
public record Refusal(Rule rule, String asked, String has) {
    public Refusal {
        Objects.requireNonNull(rule);
        Objects.requireNonNull(asked);
        Objects.requireNonNull(has);
    }

    /** What labs ask of files. */
    public enum Rule {
        FILE_TYPE,
        /** The print's size in inches, by pixels and ppi. */
        SIZE,
        PPI,
        PROFILE,
        FILE_BYTES,
        /** The file can be read from end to end. */
        WHOLE
    }
}
