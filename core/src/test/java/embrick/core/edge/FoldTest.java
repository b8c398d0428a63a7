package embrick.core.edge;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.edge.Fold.Kind;
import embrick.core.edge.Fold.Span;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class FoldTest {
    /** CHECKS: band pixel k is face pixel k counted from the fold, the rim pixel repeated. */
    @Test
    void aMirrorRepeatsTheRimAndGoesInwards() {
        Fold mirror = new Fold(Kind.MIRROR, 10);
        assertThat(IntStream.range(-4, 0).map(mirror::at)).containsExactly(3, 2, 1, 0);
        assertThat(IntStream.range(10, 14).map(mirror::at)).containsExactly(9, 8, 7, 6);
        assertThat(IntStream.range(0, 10).map(mirror::at)).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9);
    }

    @Test
    void aBandWiderThanTheFaceFoldsBackAgain() {
        Fold mirror = new Fold(Kind.MIRROR, 3);
        assertThat(IntStream.range(-8, 0).map(mirror::at)).containsExactly(1, 0, 0, 1, 2, 2, 1, 0);
        assertThat(new Fold(Kind.MIRROR, 1).at(-5)).isZero();
    }

    @Test
    void drawnOutIsTheRimsPixel() {
        Fold drawnOut = new Fold(Kind.DRAWN_OUT, 5);
        assertThat(IntStream.range(-3, 8).map(drawnOut::at)).containsExactly(0, 0, 0, 0, 1, 2, 3, 4, 4, 4, 4);
    }

    /** Held against looking at each position. */
    @ParameterizedTest
    @EnumSource(Kind.class)
    void whatIsNeededIsExactlyWhatIsRead(Kind kind) {
        for (int length = 1; length < 7; length++) {
            Fold fold = new Fold(kind, length);
            for (int from = -20; from < 20; from++) {
                for (int end = from + 1; end < 25; end++) {
                    int[] read = IntStream.range(from, end).map(fold::at).toArray();
                    Span expected = new Span(
                            IntStream.of(read).min().orElseThrow(),
                            IntStream.of(read).max().orElseThrow() + 1);
                    assertThat(fold.needed(from, end)).isEqualTo(expected);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {Integer.MIN_VALUE + 1, Integer.MAX_VALUE})
    void theFarthestPositionsAreTaken(int position) {
        assertThat(new Fold(Kind.MIRROR, 65_000).at(position)).isBetween(0, 64_999);
    }
}
