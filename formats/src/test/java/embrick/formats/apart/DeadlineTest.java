package embrick.formats.apart;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** A deadline distinguishes a process that computes forever from one that waits, even if it hardly gets a core. */
class DeadlineTest {
    private static final Duration LIMIT = Duration.ofMillis(500);
    private static final Duration SHARE = Duration.ofMillis(20);
    private static final String SPINS = "while :; do :; done";

    private Process process;

    @AfterEach
    void end() {
        process.destroyForcibly();
    }

    private Deadline deadline(String script) throws IOException {
        process = new ProcessBuilder("sh", "-c", script).start();
        return Deadline.of(process, LIMIT);
    }

    private void send(String signal) throws IOException, InterruptedException {
        assertThat(new ProcessBuilder("kill", "-" + signal, String.valueOf(process.pid()))
                        .start()
                        .waitFor())
                .isZero();
    }

    @Test
    void oneThatComputesWithoutEndIsEndedForThat() throws Exception {
        try (Deadline deadline = deadline(SPINS)) {
            assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
            assertThat(deadline.reason()).isEqualTo(Deadline.Reason.COMPUTED_TOO_LONG);
        }
    }

    @Test
    void oneThatWaitsIsEndedForThat() throws Exception {
        try (Deadline deadline = deadline("exec sleep 600")) {
            assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
            assertThat(deadline.reason()).isEqualTo(Deadline.Reason.WAITED_TOO_LONG);
        }
    }

    /** A few hundredths of a core: by the clock it takes far longer than one that waits is given. */
    @Test
    void oneThatHardlyGetsACoreIsNotTakenForOneThatWaits() throws Exception {
        try (Deadline deadline = deadline(SPINS)) {
            while (process.isAlive()) {
                send("STOP");
                if (process.waitFor(290, TimeUnit.MILLISECONDS)) {
                    break;
                }
                Duration before = used();
                send("CONT");
                // However busy this machine is: until the process has had its share.
                while (process.isAlive() && used().minus(before).compareTo(SHARE) < 0) {
                    TimeUnit.MILLISECONDS.sleep(5);
                }
            }
            assertThat(deadline.reason()).isEqualTo(Deadline.Reason.COMPUTED_TOO_LONG);
        }
    }

    private Duration used() {
        return process.info().totalCpuDuration().orElse(Duration.ZERO);
    }
}
