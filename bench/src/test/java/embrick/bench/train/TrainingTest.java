package embrick.bench.train;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.bench.train.Pairs.Pair;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class TrainingTest {
    private static final int SIDE = 96;

    /** Discs drawn at twice the size and averaged. */
    private static List<Pair> pairs() {
        List<Pair> pairs = new ArrayList<>();
        Random lot = new Random(5);
        for (int p = 0; p < 3; p++) {
            short[] large = new short[4 * SIDE * SIDE];
            for (int disc = 0; disc < 12; disc++) {
                int x = lot.nextInt(2 * SIDE);
                int y = lot.nextInt(2 * SIDE);
                int radius = 5 + lot.nextInt(30);
                short tone = (short) lot.nextInt(65536);
                for (int i = 0; i < large.length; i++) {
                    if (Math.hypot(i % (2 * SIDE) - x, i / (2 * SIDE) - y) < radius) {
                        large[i] = tone;
                    }
                }
            }
            short[] small = new short[SIDE * SIDE];
            for (int i = 0; i < small.length; i++) {
                int at = i / SIDE * 4 * SIDE + i % SIDE * 2;
                int sum = 0;
                for (int part : new int[] {0, 1, 2 * SIDE, 2 * SIDE + 1}) {
                    sum += Short.toUnsignedInt(large[at + part]);
                }
                small[i] = (short) (sum / 4);
            }
            pairs.add(new Pair(new Luminance(SIDE, SIDE, small), new Luminance(2 * SIDE, 2 * SIDE, large), 1e-3));
        }
        return pairs;
    }

    @Test
    void theSamePairsGiveTheSameBytes() throws Exception {
        byte[] once = Training.trained(pairs(), 6);
        assertThat(Training.trained(pairs(), 6)).isEqualTo(once);
        assertThat(Training.trained(pairs(), 7)).as("another step").isNotEqualTo(once);
    }
}
