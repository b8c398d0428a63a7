package embrick.formats.icc;

import embrick.core.colour.Rendering;
import embrick.core.colour.Transform;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.Conversion.Link;
import embrick.formats.icc.Conversion.Samples;
import embrick.formats.icc.Conversion.Working;
import java.util.List;

/** L*a*b* of shipped profiles and back through Little CMS in doubles, for tests. */
public final class Looks {
    private Looks() {}

    /** From device values of 0 to 1. */
    public static Transform toLab(ShippedProfile profile, Rendering rendering) {
        Conversion conversion = new Conversion(
                List.of(new Link.Icc(profile.bytes()), new Link.Pcs()),
                List.of(rendering),
                Samples.DOUBLES,
                Working.EXACT);
        return (in, from, out, at, pixels) -> convert(conversion, in, from, out, at, pixels, full(profile), 1);
    }

    /** To device values of 0 to 1. */
    public static Transform fromLab(ShippedProfile profile, Rendering rendering) {
        Conversion conversion = new Conversion(
                List.of(new Link.Pcs(), new Link.Icc(profile.bytes())),
                List.of(rendering),
                Samples.DOUBLES,
                Working.EXACT);
        return (in, from, out, at, pixels) -> convert(conversion, in, from, out, at, pixels, 1, full(profile));
    }

    /** Little CMS has amounts of ink from 0 to 100. */
    private static double full(ShippedProfile profile) {
        return profile.model() == ColourModel.CMYK ? 100 : 1;
    }

    @SuppressWarnings("TooManyParameters")
    private static void convert(
            Conversion conversion,
            float[] in,
            int from,
            float[] out,
            int at,
            int pixels,
            double scaleIn,
            double scaleOut) {
        double[] source = new double[pixels * conversion.channelsIn()];
        double[] target = new double[pixels * conversion.channelsOut()];
        for (int i = 0; i < source.length; i++) {
            source[i] = in[from + i] * scaleIn;
        }
        conversion.apply(source, target, pixels);
        for (int i = 0; i < target.length; i++) {
            out[at + i] = (float) (target[i] / scaleOut);
        }
    }
}
