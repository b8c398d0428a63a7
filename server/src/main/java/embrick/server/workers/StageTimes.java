package embrick.server.workers;

import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.atomic.LongAdder;
import org.springframework.stereotype.Component;

/** What this process has spent on the stages of its pieces since it began. */
@Component
public class StageTimes {
    private final Map<Stage, Sum> sums = new EnumMap<>(Stage.class);

    /** A stage of making a piece, in their order. */
    public enum Stage {
        /** The original held against its digest and decoded, as far as it is decoded before the first strip. */
        READ,
        /** Strips resampled, coloured, sharpened and written. */
        MAKE,
        /** The file read again and held against its plan. */
        CHECK,
        /** Given its final name. */
        PUBLISH
    }

    /** @param seconds of all {@code times} together */
    record Spent(long times, double seconds) {}

    private static final class Sum {
        private final LongAdder times = new LongAdder();
        private final LongAdder nanos = new LongAdder();
    }

    StageTimes() {
        for (Stage stage : Stage.values()) {
            sums.put(stage, new Sum());
        }
    }

    /** @param nanos by {@link System#nanoTime}, which no clock that is set changes */
    public void add(Stage stage, long nanos) {
        Sum sum = sums.get(stage);
        sum.times.increment();
        sum.nanos.add(nanos);
    }

    Map<Stage, Spent> spent() {
        Map<Stage, Spent> spent = new EnumMap<>(Stage.class);
        sums.forEach((stage, sum) -> spent.put(stage, new Spent(sum.times.sum(), sum.nanos.sum() / 1e9)));
        return spent;
    }
}
