package embrick.core.problem;

import java.util.Objects;

/**
 * Why something cannot be done, for people and for programs: the one record for it from the planner to the page.
 *
 * @param code stable, in kebab case
 * @param subject the part of the ticket, the picture or the folder concerned
 * @param text one plain sentence
 * @param remedy what to do about it, a sentence
 */
public record Problem(String code, String subject, String text, String remedy) {
    public Problem {
        Objects.requireNonNull(code);
        Objects.requireNonNull(subject);
        Objects.requireNonNull(text);
        Objects.requireNonNull(remedy);
    }

    /** A value that is not what is needed. */
    public static Problem of(String code, String subject, String expected, String actual, String remedy) {
        return new Problem(code, subject, subject + ": expected " + expected + ", got " + actual + ".", remedy);
    }
}
