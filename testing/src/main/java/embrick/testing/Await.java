package embrick.testing;

import java.time.Duration;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * Waits for a condition by asking again. Each wait names what it waits for, and shows what it saw when it gives up. Two
 * minutes are far more than anything here needs on a quiet machine: they only end a test that would hang.
 */
public final class Await {
    private static final Duration PATIENCE = Duration.ofMinutes(2);
    /** Pauses grow by half from the first to the longest: what is there soon is seen soon, and a long wait asks seldom. */
    private static final long FIRST_PAUSE_MILLIS = 10;

    private static final long LONGEST_PAUSE_MILLIS = 250;

    private Await() {}

    /**
     * Returns the first answer that is wanted.
     *
     * @param what is waited for, for the message of a wait in vain
     * @throws AssertionError with the last answer, after two minutes
     */
    public static <T> T until(String what, Supplier<T> question, Predicate<T> wanted) {
        long end = System.nanoTime() + PATIENCE.toNanos();
        long pauseMillis = FIRST_PAUSE_MILLIS;
        while (true) {
            T answer = question.get();
            if (wanted.test(answer)) {
                return answer;
            }
            if (System.nanoTime() > end) {
                throw new AssertionError(
                        "waited " + PATIENCE.toSeconds() + " s for " + what + "; the last answer: " + answer);
            }
            pause(pauseMillis);
            pauseMillis = Math.min(LONGEST_PAUSE_MILLIS, pauseMillis * 3 / 2);
        }
    }

    /** Waits until a condition holds. */
    public static void until(String what, BooleanSupplier condition) {
        until(what, condition::getAsBoolean, Boolean::booleanValue);
    }

    private static void pause(long millis) {
        try {
            TimeUnit.MILLISECONDS.sleep(millis);
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
            throw new AssertionError(ending);
        }
    }
}
