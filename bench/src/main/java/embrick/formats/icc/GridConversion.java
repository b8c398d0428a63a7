package embrick.formats.icc;

import embrick.core.colour.Rendering;
import embrick.formats.icc.Conversion.Link;
import embrick.formats.icc.Conversion.Samples;
import embrick.formats.icc.Conversion.Working;
import java.util.List;

/**
 * Little CMS alone, in 16 bit through its own precalculated grid, the finer one: what our conversions are measured beside.
 * In this package because its binding is nobody else's.
 */
public final class GridConversion {
    private final Conversion conversion;

    public GridConversion(byte[] from, byte[] to) {
        this.conversion = new Conversion(
                List.of(new Link.Icc(from), new Link.Icc(to)),
                List.of(Rendering.RELATIVE_COMPENSATED),
                Samples.SHORTS,
                Working.GRID);
    }

    public void apply(short[] in, short[] out, int pixels) {
        conversion.apply(in, out, pixels);
    }
}
