package embrick.server.support;

import java.time.Duration;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** Asks again until the answer is as it is waited for. */
public final class Await {
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final Duration BETWEEN = Duration.ofMillis(100);

    private Await() {}

    /** @throws AssertionError with the last answer, after a minute */
    @SuppressWarnings("ThreadSleep")
    public static <T> T answer(Supplier<T> question, Predicate<T> wanted) {
        long end = System.nanoTime() + PATIENCE.toNanos();
        while (true) {
            T answer = question.get();
            if (wanted.test(answer)) {
                return answer;
            }
            if (System.nanoTime() > end) {
                throw new AssertionError("not as waited for within " + PATIENCE + ": " + answer);
            }
            try {
                Thread.sleep(BETWEEN);
            } catch (InterruptedException ending) {
                Thread.currentThread().interrupt();
                throw new AssertionError(ending);
            }
        }
    }
}
