package embrick.formats.icc;

import embrick.core.colour.Lab;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Xyz;
import embrick.core.pixels.ColourModel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which colours a profile has, to be drawn: outlines, and how light its greys are.
 *
 * @param chromaticities the outline in u′v′ of CIE 1976 UCS, each a pair, anticlockwise
 * @param slices through L*a*b* at some lightnesses
 * @param tones L* of even steps from no light, or full ink, to white
 */
public record ProfilePortrait(List<double[]> chromaticities, List<Slice> slices, List<Double> tones) {
    private static final int RGB_STEPS = 33;
    private static final int CMYK_STEPS = 13;
    private static final int TONES = 33;
    private static final int HUES = 72;
    /** Colours this near to a slice's lightness count as in it: half a step of the sampling. */
    private static final double THICKNESS = 2.5;

    private static final double[] LIGHTNESSES = {20, 40, 60, 80};
    /** Darker colours have a chromaticity only by name. */
    private static final double LEAST_LIGHT = 0.01;

    /** The strongest colours of one lightness, as pairs of a* and b*, by hue. */
    public record Slice(double lightness, List<double[]> rim) {}

    public ProfilePortrait {
        chromaticities = List.copyOf(chromaticities);
        slices = List.copyOf(slices);
        tones = List.copyOf(tones);
    }

    static ProfilePortrait of(ProfileRef profile, Transform toLab) {
        ColourModel model = profile.model();
        List<Lab> colours = colours(model, toLab);
        return new ProfilePortrait(
                outline(colours),
                Arrays.stream(LIGHTNESSES).mapToObj(l -> slice(l, colours)).toList(),
                tones(model, toLab));
    }

    private static List<Lab> colours(ColourModel model, Transform toLab) {
        int steps = model == ColourModel.CMYK ? CMYK_STEPS : RGB_STEPS;
        int channels = model.channels();
        int count = (int) Math.pow(steps, channels);
        float[] device = new float[count * channels];
        for (int colour = 0; colour < count; colour++) {
            int rest = colour;
            for (int channel = 0; channel < channels; channel++) {
                device[colour * channels + channel] = rest % steps / (steps - 1f);
                rest /= steps;
            }
        }
        return look(device, count, toLab);
    }

    private static List<Lab> look(float[] device, int count, Transform toLab) {
        float[] lab = new float[count * 3];
        toLab.apply(device, 0, lab, 0, count);
        List<Lab> colours = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            colours.add(new Lab(lab[3 * i], lab[3 * i + 1], lab[3 * i + 2]));
        }
        return colours;
    }

    private static List<Double> tones(ColourModel model, Transform toLab) {
        int channels = model.channels();
        float[] device = new float[TONES * channels];
        for (int tone = 0; tone < TONES; tone++) {
            float light = tone / (TONES - 1f);
            for (int channel = 0; channel < channels; channel++) {
                // Of inks, black alone.
                boolean isOtherInk = model == ColourModel.CMYK && channel < 3;
                float value = model == ColourModel.CMYK ? 1 - light : light;
                device[tone * channels + channel] = isOtherInk ? 0 : value;
            }
        }
        return look(device, TONES, toLab).stream().map(Lab::l).toList();
    }

    private static List<double[]> outline(List<Lab> colours) {
        List<double[]> points = new ArrayList<>();
        for (Lab colour : colours) {
            Xyz xyz = colour.toXyz();
            if (xyz.y() > LEAST_LIGHT) {
                points.add(new double[] {xyz.uPrime(), xyz.vPrime()});
            }
        }
        return hull(points);
    }

    /** The convex hull by Andrew's monotone chain (A. M. Andrew 1979). */
    private static List<double[]> hull(List<double[]> points) {
        List<double[]> sorted = new ArrayList<>(points);
        sorted.sort((p, q) -> p[0] != q[0] ? Double.compare(p[0], q[0]) : Double.compare(p[1], q[1]));
        List<double[]> hull = new ArrayList<>(half(sorted));
        hull.addAll(half(sorted.reversed()));
        return hull;
    }

    private static List<double[]> half(List<double[]> sorted) {
        List<double[]> half = new ArrayList<>();
        for (double[] point : sorted) {
            while (half.size() > 1 && !turnsLeft(half.get(half.size() - 2), half.getLast(), point)) {
                half.removeLast();
            }
            half.add(point);
        }
        return half.subList(0, Math.max(1, half.size() - 1));
    }

    private static boolean turnsLeft(double[] a, double[] b, double[] c) {
        return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) > 1e-9;
    }

    private static Slice slice(double lightness, List<Lab> colours) {
        double[] strongest = new double[HUES];
        Lab[] rim = new Lab[HUES];
        for (Lab colour : colours) {
            if (Math.abs(colour.l() - lightness) <= THICKNESS) {
                int hue = Math.floorMod((int) Math.round(colour.hue() / (2 * Math.PI) * HUES), HUES);
                if (colour.chroma() > strongest[hue]) {
                    strongest[hue] = colour.chroma();
                    rim[hue] = colour;
                }
            }
        }
        return new Slice(
                lightness,
                Arrays.stream(rim)
                        .filter(colour -> colour != null)
                        .map(colour -> new double[] {colour.a(), colour.b()})
                        .toList());
    }
}
