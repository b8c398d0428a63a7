package embrick.formats.apart;

import java.util.List;
import java.util.concurrent.TimeUnit;

/** How a child came to its end that did not answer. */
enum ChildEnd {
    /** By a signal that no process gives itself. */
    KILLED,
    /** The system gave it no memory, which its Java machine says. */
    NO_MEMORY,
    /** It fell over, or answers nothing sensible. */
    BY_ITSELF;

    /** As a shell tells them, signal + 128: SIGHUP, SIGINT, SIGKILL, SIGTERM (signal(7)). */
    private static final List<Integer> FROM_OUTSIDE = List.of(129, 130, 137, 143);

    /** What HotSpot says of memory for threads, code and itself; a picture that is too large is refused in other words. */
    private static final List<String> WANT_OF_MEMORY = List.of(
            "insufficient memory for the Java Runtime Environment",
            "unable to create native thread",
            "Could not reserve enough space");

    static ChildEnd of(Process process, ErrorTail errors) {
        try {
            if (!process.waitFor(2, TimeUnit.SECONDS)) {
                return BY_ITSELF;
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            return BY_ITSELF;
        }
        if (FROM_OUTSIDE.contains(process.exitValue())) {
            return KILLED;
        }
        String said = errors.all();
        return WANT_OF_MEMORY.stream().anyMatch(said::contains) ? NO_MEMORY : BY_ITSELF;
    }
}
