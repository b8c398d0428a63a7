package embrick.core.grown;

import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/** Rows worked on by as many threads as there are cores: no row knows of what another one writes. */
final class Rows {
    private Rows() {}

    static void each(int from, int end, IntConsumer row) {
        IntStream.range(from, end).parallel().forEach(row);
    }
}
