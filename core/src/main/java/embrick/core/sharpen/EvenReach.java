package embrick.core.sharpen;

/** What depends on the plane as far to one side as to every other, and no farther than the plane goes. */
abstract class EvenReach implements FedRows {
    final int width;
    final int height;

    EvenReach(int width, int height) {
        this.width = width;
        this.height = height;
    }

    /** In pixels. */
    abstract int reach();

    @Override
    public final int firstColumn(int x) {
        return Math.max(0, x - reach());
    }

    @Override
    public final int endColumn(int x) {
        return Math.min(width, x + reach() + 1);
    }

    @Override
    public final int firstRow(int y) {
        return Math.max(0, y - reach());
    }

    @Override
    public final int endRow(int y) {
        return Math.min(height, y + reach() + 1);
    }

    @Override
    public final int rowsFor(int together) {
        return Math.min(height, together + 2 * reach());
    }
}
