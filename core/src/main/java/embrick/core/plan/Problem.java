package embrick.core.plan;

import java.util.Objects;

/**
 * Why something cannot be done, for people and for programs.
 *
 * @param code stable, in kebab case
 * @param subject the part of the ticket or the picture concerned
 * @param remedy what to do about it
 */
public record Problem(String code, String subject, String expected, String actual, String remedy) {
    public Problem {
        Objects.requireNonNull(code);
        Objects.requireNonNull(subject);
        Objects.requireNonNull(expected);
        Objects.requireNonNull(actual);
        Objects.requireNonNull(remedy);
    }

    /** One plain sentence. */
    public String text() {
        return subject + ": expected " + expected + ", got " + actual + ". " + remedy;
    }
}
