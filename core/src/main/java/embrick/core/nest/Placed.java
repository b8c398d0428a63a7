package embrick.core.nest;

/**
 * A rectangle that was laid.
 *
 * @param x µm from the left of what may be printed on
 * @param y µm from where it begins
 * @param turned by a quarter
 */
public record Placed(Item item, long x, long y, boolean turned) {
    /** Across, as it lies; µm. */
    public long width() {
        return turned ? item.height() : item.width();
    }

    /** Along, as it lies; µm. */
    public long height() {
        return turned ? item.width() : item.height();
    }

    public long right() {
        return x + width();
    }

    public long end() {
        return y + height();
    }

    /** Laid the same, for the item without the gap that was added to it. */
    Placed of(Item bare) {
        return new Placed(bare, x, y, turned);
    }
}
