package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.units.PixelSize;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class DecodedOriginalsTest {
    /** 100 × 9 grey, 900 bytes, and a file of 100 that may be held beside them: 1000. */
    private static final SourceFacts THOUSAND = new SourceFacts(
            FileKind.PNG,
            new PixelSize(100, 9),
            Orientation.UPRIGHT,
            Optional.empty(),
            new SourceColour(ColourModel.GREY, Alpha.OPAQUE, 8, Optional.empty()),
            100);

    private final AtomicInteger decoded = new AtomicInteger();

    private OpenedPicture open() {
        decoded.incrementAndGet();
        return new OpenedPicture(THOUSAND, Raster.allocate(THOUSAND.stored(), 1, 1), Optional.empty());
    }

    @Test
    void workOnTheSameOriginalSharesOneCopy() throws IOException {
        DecodedOriginals originals = new DecodedOriginals(10_000);
        for (int i = 0; i < 3; i++) {
            int channels = originals.using(
                    "a", THOUSAND, this::open, picture -> picture.raster().channels());
            assertThat(channels).isEqualTo(1);
        }
        assertThat(decoded).hasValue(1);
        assertThat(originals.takenBytes()).isEqualTo(1000);
    }

    @Test
    void whatIsIdleGivesWayTheLongestUnusedFirst() throws IOException {
        DecodedOriginals originals = new DecodedOriginals(4000);
        // Half of the budget may lie idle: two of them.
        originals.using("a", THOUSAND, this::open, _ -> 0);
        originals.using("b", THOUSAND, this::open, _ -> 0);
        originals.using("a", THOUSAND, this::open, _ -> 0);
        originals.using("c", THOUSAND, this::open, _ -> 0);
        assertThat(originals.takenBytes()).isEqualTo(2000);
        originals.using("a", THOUSAND, this::open, _ -> 0);
        assertThat(decoded).as("a stayed, b went").hasValue(3);
        originals.using("b", THOUSAND, this::open, _ -> 0);
        assertThat(decoded).hasValue(4);
    }

    @Test
    void noMoreThanTheBudgetIsDecodedAtOnce() throws Exception {
        DecodedOriginals originals = new DecodedOriginals(2500);
        CountDownLatch inside = new CountDownLatch(2);
        CountDownLatch leave = new CountDownLatch(1);
        AtomicInteger most = new AtomicInteger();
        AtomicInteger now = new AtomicInteger();
        try (ExecutorService threads = Executors.newFixedThreadPool(6)) {
            Future<?>[] works = new Future<?>[6];
            for (int i = 0; i < works.length; i++) {
                String key = "picture " + i;
                works[i] = threads.submit(() -> originals.using(key, THOUSAND, this::open, _ -> {
                    most.accumulateAndGet(now.incrementAndGet(), Math::max);
                    inside.countDown();
                    try {
                        assertThat(leave.await(20, TimeUnit.SECONDS)).isTrue();
                    } catch (InterruptedException interrupted) {
                        throw new IOException(interrupted);
                    }
                    now.decrementAndGet();
                    return null;
                }));
            }
            assertThat(inside.await(20, TimeUnit.SECONDS)).isTrue();
            leave.countDown();
            for (Future<?> work : works) {
                work.get(20, TimeUnit.SECONDS);
            }
        }
        assertThat(most).hasValue(2);
        assertThat(decoded).hasValue(6);
    }

    @Test
    void aPictureThatCannotBeOpenedLeavesNothingBehind() throws IOException {
        DecodedOriginals originals = new DecodedOriginals(2500);
        assertThatThrownBy(() -> originals.using(
                        "a",
                        THOUSAND,
                        () -> {
                            throw new IOException("is damaged");
                        },
                        _ -> 0))
                .hasMessage("is damaged");
        assertThat(originals.takenBytes()).isZero();
        originals.using("a", THOUSAND, this::open, _ -> 0);
        assertThat(decoded).hasValue(1);
    }

    @Test
    void aPictureLargerThanTheBudgetIsLetInAlone() throws IOException {
        DecodedOriginals originals = new DecodedOriginals(400);
        int given = originals.using("a", THOUSAND, this::open, _ -> 7);
        assertThat(given).isEqualTo(7);
        assertThat(originals.takenBytes()).isZero();
    }
}
