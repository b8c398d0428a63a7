package embrick.standins.counter;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;

/**
 * How the counter behaves: as a good day, or as any bad one.
 *
 * @param bytesPerSecond that it takes at most from one connection; 0 takes all it can
 * @param inspectionMillis until an order whose pieces are there is looked at
 * @param printingMillis until an accepted order is ready
 * @param cutAfterBytes of one request, after which its connection breaks; 0 never
 * @param cuts how many connections more are cut
 */
public record Behaviour(
        @NotNull Door door,
        @Min(0) long bytesPerSecond,
        @Min(0) @Max(3_600_000) long inspectionMillis,
        @Min(0) @Max(3_600_000) long printingMillis,
        @Min(0) long cutAfterBytes,
        @Min(0) int cuts) {
    static final Behaviour GOOD_DAY = new Behaviour(Door.OPEN, 0, 3000, 8000, 0, 0);

    /** Whether anybody is there. */
    public enum Door {
        OPEN,
        /** Orders that are there go on; new ones are refused. */
        FULL,
        /** Nothing is answered but that nobody is there. */
        DOWN
    }

    Behaviour cutOnceLess() {
        return new Behaviour(
                door, bytesPerSecond, inspectionMillis, printingMillis, cutAfterBytes, Math.max(0, cuts - 1));
    }
}
