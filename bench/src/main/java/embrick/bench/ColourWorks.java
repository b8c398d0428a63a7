package embrick.bench;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.formats.icc.GridConversion;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import java.util.Map;

/** Conversions of 24 MP, a strip at a time, ours and Little CMS's alone on the same colours. */
final class ColourWorks {
    private static final int WIDTH = 6000;
    private static final int STRIP_ROWS = 20;
    private static final int STRIPS = 200;
    private static final int PIXELS = WIDTH * STRIP_ROWS;

    private ColourWorks() {}

    static void addTo(Map<String, Work.Making> works) {
        for (String path : new String[] {"matrix", "lut", "cmyk", "from-cmyk"}) {
            works.put("colour-" + path, () -> ours(path));
            works.put("colour-alone-" + path, () -> alone(path));
        }
    }

    private static Work ours(String path) {
        ShippedProfile from = from(path);
        ShippedProfile to = to(path);
        Transform transform = new ProfileShelf().along(new ColourPath(ref(from), ref(to)));
        float[] in = colours(from.model().channels());
        float[] out = new float[PIXELS * to.model().channels()];
        return new Work(3, () -> {
            for (int strip = 0; strip < STRIPS; strip++) {
                transform.apply(in, 0, out, 0, PIXELS);
            }
        });
    }

    private static Work alone(String path) {
        ShippedProfile from = from(path);
        ShippedProfile to = to(path);
        GridConversion conversion = new GridConversion(from.bytes(), to.bytes());
        float[] colours = colours(from.model().channels());
        short[] in = new short[colours.length];
        for (int i = 0; i < in.length; i++) {
            in[i] = (short) Math.round(colours[i] * 65535);
        }
        short[] out = new short[PIXELS * to.model().channels()];
        return new Work(3, () -> {
            for (int strip = 0; strip < STRIPS; strip++) {
                conversion.apply(in, out, PIXELS);
            }
        });
    }

    private static ShippedProfile from(String path) {
        return path.equals("from-cmyk") ? ShippedProfile.LUSTRE_CMYK : ShippedProfile.OP_RGB;
    }

    private static ShippedProfile to(String path) {
        return switch (path) {
            case "matrix", "from-cmyk" -> ShippedProfile.SRGB;
            case "lut" -> ShippedProfile.LUSTRE_RGB;
            case "cmyk" -> ShippedProfile.LUSTRE_CMYK;
            default -> throw new IllegalArgumentException("path: expected one that is known, got " + path);
        };
    }

    private static ProfileRef ref(ShippedProfile profile) {
        return new ProfileRef.Icc(profile.digest(), profile.model());
    }

    /** Slow waves of colour with grain, as in photographs: neighbours are alike, and no two are the same. */
    private static float[] colours(int channels) {
        java.util.Random grain = new java.util.Random(1);
        float[] colours = new float[PIXELS * channels];
        for (int pixel = 0; pixel < PIXELS; pixel++) {
            double x = pixel % WIDTH / (double) WIDTH;
            double y = pixel / WIDTH / (double) STRIP_ROWS;
            for (int channel = 0; channel < channels; channel++) {
                double wave = Math.sin(9 * x + channel * 1.3 + 2 * y * (channel + 1)) * Math.cos(4 * y - channel + x);
                colours[pixel * channels + channel] =
                        (float) Math.clamp(0.5 + 0.45 * wave + 0.01 * grain.nextGaussian(), 0, 1);
            }
        }
        return colours;
    }
}
