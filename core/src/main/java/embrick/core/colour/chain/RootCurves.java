package embrick.core.colour.chain;

import embrick.core.lanes.Lanes;

/**
 * As {@link Curves}, in tables over the fourth root of the values, in which powers of 1/1.8 to 1/3 are nearly straight, also
 * near 0.
 */
public final class RootCurves extends Step {
    private final Lanes lanes = Lanes.best();
    private final float[][] tables;

    /** @param tables entries at roots of 0, 1/n, … 1, and the last once more, a channel */
    public RootCurves(float[][] tables) {
        super(tables.length, tables.length);
        this.tables = tables;
    }

    @Override
    void apply(Block in, Block out, int pixels) {
        for (int channel = 0; channel < tables.length; channel++) {
            int plane = channel * Block.ROW;
            lanes.lookUpRoot(tables[channel], in.planes, plane, out.planes, plane, pixels);
        }
    }
}
