package embrick.core.colour.chain;

import embrick.core.lanes.Lanes;
import java.util.Arrays;

/** A table for each channel, over even steps from 0 to 1; lines between its entries. Values are clipped to 0..1 first. */
public final class Curves extends Step {
    private final Lanes lanes = Lanes.best();
    private final float[][] tables;

    /** @param tables two or more entries a channel */
    public Curves(float[][] tables) {
        super(tables.length, tables.length);
        this.tables = new float[tables.length][];
        for (int channel = 0; channel < tables.length; channel++) {
            int entries = tables[channel].length;
            if (entries < 2) {
                throw new IllegalArgumentException("table: expected 2 entries or more, got " + entries);
            }
            // The last once more, so that 1 itself lies between two entries.
            this.tables[channel] = Arrays.copyOf(tables[channel], entries + 1);
            this.tables[channel][entries] = tables[channel][entries - 1];
        }
    }

    @Override
    void apply(Block in, Block out, int pixels) {
        for (int channel = 0; channel < tables.length; channel++) {
            int plane = channel * Block.ROW;
            lanes.lookUp(tables[channel], in.planes, plane, out.planes, plane, pixels);
        }
    }
}
