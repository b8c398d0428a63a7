package embrick.core.sharpen;

/**
 * Adds a part of how far luminance stands off a blurred copy, as {@link UnsharpMasking} defines it. A narrow radius draws
 * edges up for the paper; a wide one with a small amount raises contrast round lines and forms.
 */
final class UnsharpMask implements LuminanceFilter {
    private final float amount;
    private final float threshold;
    private final GaussianBlur blur;

    UnsharpMask(UnsharpMasking settings, int width, int height) {
        this.amount = (float) settings.amount();
        this.threshold = (float) settings.threshold();
        this.blur = new GaussianBlur(settings.sigmaPixels(), width, height);
    }

    @Override
    public int firstColumn(int x) {
        return blur.firstColumn(x);
    }

    @Override
    public int endColumn(int x) {
        return blur.endColumn(x);
    }

    @Override
    public int firstRow(int y) {
        return blur.firstRow(y);
    }

    @Override
    public int endRow(int y) {
        return blur.endRow(y);
    }

    @Override
    public int rowsFor(int together) {
        return blur.rowsFor(together);
    }

    @Override
    public void from(int x, int columns, int y, int rows) {
        blur.from(x, columns, y, rows);
    }

    @Override
    public int nextRow() {
        return blur.nextRow();
    }

    @Override
    public void feed(float[] plane, int at) {
        blur.feed(plane, at);
    }

    @Override
    public void row(int y, int x, int count, float[] before, float[] into) {
        blur.row(y, x, count, into);
        for (int i = 0; i < count; i++) {
            float difference = before[i] - into[i];
            float spared = Math.max(difference - threshold, 0f) + Math.min(difference + threshold, 0f);
            into[i] = amount * spared;
        }
    }
}
