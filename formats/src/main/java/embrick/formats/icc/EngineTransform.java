package embrick.formats.icc;

import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.Conversion.Link;
import embrick.formats.icc.Conversion.Samples;
import embrick.formats.icc.Conversion.Working;
import java.util.Arrays;
import java.util.List;

/**
 * A conversion through Little CMS, step by step in doubles: exact, and slow. For profiles built in ways that are not read
 * here, and to hold our own chains against.
 */
final class EngineTransform implements Transform, AutoCloseable {
    /** Little CMS has amounts of ink from 0 to 100 in doubles. */
    private static final double FULL_INK = 100;

    private static final int CHUNK = 4096;

    private final Conversion conversion;
    private final double scaleIn;
    private final double scaleOut;

    private EngineTransform(List<Link> links, Rendering rendering, double scaleIn, double scaleOut) {
        this.conversion = new Conversion(links, List.of(rendering), Samples.DOUBLES, Working.EXACT);
        this.scaleIn = scaleIn;
        this.scaleOut = scaleOut;
    }

    static EngineTransform between(IccProfile from, IccProfile to, Rendering rendering) {
        return new EngineTransform(
                List.of(new Link.Icc(from.bytes()), new Link.Icc(to.bytes())),
                rendering,
                full(from.model()),
                full(to.model()));
    }

    /** To L*a*b* as it is. */
    static EngineTransform toLab(IccProfile from, Rendering rendering) {
        return new EngineTransform(
                List.of(new Link.Icc(from.bytes()), new Link.Pcs()), rendering, full(from.model()), 1);
    }

    @Override
    public void close() {
        conversion.close();
    }

    private static double full(ColourModel model) {
        return model == ColourModel.CMYK ? FULL_INK : 1;
    }

    @Override
    public void apply(float[] in, int from, float[] out, int at, int pixels) {
        int taken = conversion.channelsIn();
        int given = conversion.channelsOut();
        if (in.length - from < (long) pixels * taken || out.length - at < (long) pixels * given) {
            throw new IllegalArgumentException(
                    "arrays: expected " + pixels + " pixels, got " + in.length + " and " + out.length + " samples");
        }
        int chunk = Math.min(CHUNK, pixels);
        double[] source = new double[chunk * taken];
        double[] target = new double[chunk * given];
        for (int done = 0; done < pixels; done += chunk) {
            int count = Math.min(chunk, pixels - done);
            for (int i = 0; i < count * taken; i++) {
                source[i] = in[from + done * taken + i] * scaleIn;
            }
            Arrays.fill(target, 0);
            conversion.apply(source, target, count);
            for (int i = 0; i < count * given; i++) {
                out[at + done * given + i] = (float) (target[i] / scaleOut);
            }
        }
    }
}
