package embrick.core.nest;

/**
 * A rectangle that is to be laid.
 *
 * @param number names it among the others
 * @param width µm, upright
 * @param height µm, upright
 * @param mayTurn whether a quarter turn is allowed
 */
public record Item(int number, long width, long height, boolean mayTurn) {
    /** Longest side that is reckoned with: a kilometre. */
    private static final long LONGEST = 1_000_000_000L;

    /** @throws IllegalArgumentException if a side is not between 1 µm and 1 km */
    public Item {
        if (width < 1 || height < 1 || width > LONGEST || height > LONGEST) {
            throw new IllegalArgumentException(
                    "item " + number + ": expected sides of 1 µm to 1 km, got " + width + " × " + height + " µm");
        }
    }

    long area() {
        return width * height;
    }

    long longer() {
        return Math.max(width, height);
    }

    long shorter() {
        return Math.min(width, height);
    }

    /** As much wider and higher as the gap that it keeps from its neighbours. */
    Item with(long gap) {
        return new Item(number, width + gap, height + gap, mayTurn);
    }
}
