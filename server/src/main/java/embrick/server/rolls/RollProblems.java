package embrick.server.rolls;

import embrick.server.outside.OutsideRefusedException;
import embrick.server.problems.ProblemException;
import java.io.IOException;
import org.springframework.http.HttpStatus;

/** What the printer refuses, or that it is away, in words with a remedy. */
public final class RollProblems {
    private RollProblems() {}

    /** Something that is asked of the printer. */
    public interface Asked<T> {
        T ask() throws IOException;
    }

    /** @throws ProblemException if the printer does not do it */
    public static <T> T of(RollClient roll, Asked<T> asked) {
        if (!roll.isSetUp()) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "no-roll-printer",
                    "roll printer",
                    "No roll printer is set up.",
                    "Set EMBRICK_ROLL to its address and start Embrick again.");
        }
        try {
            return asked.ask();
        } catch (OutsideRefusedException refused) {
            throw new ProblemException(
                    refused.isUnknown() ? HttpStatus.NOT_FOUND : HttpStatus.CONFLICT,
                    "roll-printer-refused",
                    "roll printer",
                    refused.getMessage(),
                    "See what the printer is doing, and try again.");
        } catch (IOException away) {
            throw new ProblemException(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "roll-printer-away",
                    "roll printer",
                    "The roll printer cannot be reached, or the connection broke.",
                    "See that it runs, then try again: nothing is printed twice.");
        }
    }
}
