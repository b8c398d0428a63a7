package embrick.server.hotfolders;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.folders.FolderWalk.FoundFile;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class StillnessTest {
    private static final long SECOND = 1_000_000_000L;
    private static final Instant TIME = Instant.parse("2026-11-30T10:00:00Z");

    private final Stillness stillness = new Stillness(Duration.ofSeconds(3));

    private static FoundFile file(long bytes, Instant modified) {
        return new FoundFile("kite.jpg", "in/kite.jpg", bytes, modified);
    }

    private boolean rests(FoundFile file, long second) {
        return !stillness.look(List.of(file), second * SECOND).isEmpty();
    }

    @Test
    void aFileRestsOnceItHasNotGrownForLongEnough() {
        assertThat(rests(file(10, TIME), 0)).isFalse();
        assertThat(rests(file(20, TIME), 2)).isFalse();
        assertThat(rests(file(20, TIME), 4)).isFalse();
        assertThat(rests(file(20, TIME), 5)).isTrue();
    }

    @Test
    void oneThatIsWrittenOverAtTheSameLengthDoesNotRest() {
        assertThat(rests(file(10, TIME), 0)).isFalse();
        assertThat(rests(file(10, TIME.plusMillis(1)), 3)).isFalse();
        assertThat(rests(file(10, TIME.plusMillis(1)), 6)).isTrue();
    }

    @Test
    void aTimeInTheFutureOrLongAgoSaysNothing() {
        for (Instant odd : List.of(TIME.plusSeconds(90_000), Instant.EPOCH)) {
            Stillness own = new Stillness(Duration.ofSeconds(3));
            assertThat(own.look(List.of(file(10, odd)), 0)).isEmpty();
            assertThat(own.look(List.of(file(10, odd)), 3 * SECOND)).hasSize(1);
        }
    }

    @Test
    void oneThatWentAwayAndCameBackIsWaitedForAgain() {
        assertThat(rests(file(10, TIME), 0)).isFalse();
        assertThat(stillness.look(List.of(), SECOND)).isEmpty();
        assertThat(rests(file(10, TIME), 3)).isFalse();
    }
}
