package embrick.formats.crew;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.formats.crew.Crew.Maker;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Timeout(60)
class CrewTest {
    @ParameterizedTest
    @CsvSource({"1, 0", "1, 1", "1, 7", "2, 1", "2, 40", "3, 2", "8, 100"})
    void partsAreTakenInTheirOrderByTheCaller(int cores, int parts) throws IOException {
        Thread caller = Thread.currentThread();
        List<Integer> taken = new ArrayList<>();
        new Crew(cores).inOrder(parts, () -> part -> part * part, (part, made) -> {
            assertThat(Thread.currentThread()).isSameAs(caller);
            assertThat(made).isEqualTo(part * part);
            taken.add(part);
        });
        assertThat(taken).isEqualTo(IntStream.range(0, parts).boxed().toList());
    }

    /** Also where one helper is at its part before the next is called. */
    @RepeatedTest(20)
    void freeCoresAreUsedAtTheSameTime() throws IOException {
        CountDownLatch allAtIt = new CountDownLatch(3);
        new Crew(3)
                .inOrder(
                        3,
                        () -> part -> awaited(allAtIt),
                        (part, made) -> assertThat(made).isTrue());
    }

    private static boolean awaited(CountDownLatch latch) {
        latch.countDown();
        return awaitedBy(latch);
    }

    private static boolean awaitedBy(CountDownLatch latch) {
        try {
            return latch.await(30, TimeUnit.SECONDS);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    @Test
    void noCoreIsLentThatSomebodyUses() throws Exception {
        Crew crew = new Crew(2);
        Set<Thread> threads = ConcurrentHashMap.newKeySet();
        CountDownLatch isPresent = new CountDownLatch(1);
        CountDownLatch isOver = new CountDownLatch(1);
        Thread other = Thread.ofPlatform().start(() -> {
            try {
                crew.present(() -> {
                    isPresent.countDown();
                    return awaitedBy(isOver);
                });
            } catch (IOException impossible) {
                throw new AssertionError(impossible);
            }
        });
        isPresent.await();
        crew.inOrder(20, () -> part -> threads.add(Thread.currentThread()), (part, made) -> {});
        isOver.countDown();
        assertThat(threads).containsExactly(Thread.currentThread());
        other.join();
    }

    @Test
    void isIdleWhenNobodyIsAtWork() throws IOException {
        Crew crew = new Crew(2);
        assertThat(crew.isIdle()).isTrue();
        assertThat(crew.<Boolean>present(crew::isIdle)).isFalse();
        assertThat(crew.isIdle()).isTrue();
    }

    @Test
    void nobodyRunsFarAhead() throws IOException {
        AtomicInteger made = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        new Crew(4).inOrder(200, () -> part -> made.incrementAndGet(), (part, it) -> {
            most.accumulateAndGet(made.get() - part, Math::max);
        });
        // Two for each core may be made or under way, the one that is taken among them.
        assertThat(most.get()).isLessThanOrEqualTo(2 * 4 + 1);
    }

    @Test
    void whatFailsIsToldAndNobodyStaysAtIt() {
        AtomicInteger atIt = new AtomicInteger();
        AtomicInteger closed = new AtomicInteger();
        AtomicInteger opened = new AtomicInteger();
        class Failing implements Maker<Integer> {
            {
                opened.incrementAndGet();
            }

            @Override
            public Integer make(int part) throws IOException {
                atIt.incrementAndGet();
                try {
                    if (part == 13) {
                        throw new IOException("part 13");
                    }
                    return part;
                } finally {
                    atIt.decrementAndGet();
                }
            }

            @Override
            public void close() {
                closed.incrementAndGet();
            }
        }
        for (int cores : new int[] {1, 2, 5}) {
            assertThatThrownBy(() -> new Crew(cores).inOrder(100, Failing::new, (part, made) -> {}))
                    .isInstanceOf(IOException.class)
                    .hasMessage("part 13");
            assertThat(atIt.get()).isZero();
            assertThat(closed.get()).isEqualTo(opened.get());
        }
    }

    @Test
    void whoTakesMayEndIt() {
        assertThatThrownBy(() -> new Crew(3).inOrder(100, () -> part -> part, (part, made) -> {
                    if (part == 5) {
                        throw new IllegalStateException("stopped");
                    }
                }))
                .hasMessage("stopped");
    }

    /** A system at its bound of threads gives none: the caller makes all parts alone, and gives the core back. */
    @Test
    void whereNoThreadCanBeMadeTheCallerWorksAlone() throws IOException {
        Crew crew = new Crew(2, _ -> {
            throw new OutOfMemoryError("unable to create native thread");
        });
        List<Integer> taken = new ArrayList<>();
        crew.inOrder(5, () -> part -> part, (part, made) -> taken.add(made));
        assertThat(taken).containsExactly(0, 1, 2, 3, 4);
        assertThat(crew.isIdle()).isTrue();
    }
}
