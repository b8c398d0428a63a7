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
public record ProfileGamut(List<double[]> chromaticities, List<Slice> slices, List<Double> tones) {
    /** Steps along each side of a face. */
    private static final int STEPS = 17;

    private static final int TONES = 33;
    private static final int HUES = 120;
    /** Points along a line in a slice: finer than hues are told apart. */
    private static final int POINTS = 6;

    private static final double[] LIGHTNESSES = {20, 40, 60, 80};
    /** Darker colours have a chromaticity only by name. */
    private static final double LEAST_LIGHT = 0.01;

    /** The strongest colours of one lightness, as pairs of a* and b*, by hue. */
    public record Slice(double lightness, List<double[]> rim) {}

    public ProfileGamut {
        chromaticities = List.copyOf(chromaticities);
        slices = List.copyOf(slices);
        tones = List.copyOf(tones);
    }

    static ProfileGamut of(ProfileRef profile, Transform toLab) {
        ColourModel model = profile.model();
        List<List<Lab>> faces = faces(model.channels(), toLab);
        return new ProfileGamut(
                outline(faces),
                Arrays.stream(LIGHTNESSES).mapToObj(l -> slice(l, faces)).toList(),
                tones(model, toLab));
    }

    /**
     * Where two channels run and the others are none or full: among these faces lie the outermost colours. Each has
     * {@link #STEPS} × {@link #STEPS} colours.
     */
    private static List<List<Lab>> faces(int channels, Transform toLab) {
        List<List<Lab>> faces = new ArrayList<>();
        if (channels == 1) {
            return List.of(tonesOf(toLab));
        }
        for (int one = 0; one < channels; one++) {
            for (int other = one + 1; other < channels; other++) {
                for (int held = 0; held < 1 << (channels - 2); held++) {
                    faces.add(face(channels, one, other, held, toLab));
                }
            }
        }
        return faces;
    }

    private static List<Lab> tonesOf(Transform toLab) {
        float[] device = new float[TONES];
        for (int i = 0; i < TONES; i++) {
            device[i] = i / (TONES - 1f);
        }
        return look(device, TONES, toLab);
    }

    /** @param held a bit for each other channel: none or full */
    private static List<Lab> face(int channels, int one, int other, int held, Transform toLab) {
        float[] device = new float[STEPS * STEPS * channels];
        for (int i = 0; i < STEPS * STEPS; i++) {
            int bit = 0;
            for (int channel = 0; channel < channels; channel++) {
                float value;
                if (channel == one) {
                    value = i / STEPS / (STEPS - 1f);
                } else if (channel == other) {
                    value = i % STEPS / (STEPS - 1f);
                } else {
                    value = held >> bit++ & 1;
                }
                device[i * channels + channel] = value;
            }
        }
        return look(device, STEPS * STEPS, toLab);
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

    private static List<double[]> outline(List<List<Lab>> faces) {
        List<double[]> points = new ArrayList<>();
        for (Lab colour : faces.stream().flatMap(List::stream).toList()) {
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

    /** The faces are cut at a lightness; of the lines that this gives, the outermost point at each hue is the rim. */
    private static Slice slice(double lightness, List<List<Lab>> faces) {
        Lab[] rim = new Lab[HUES];
        for (List<Lab> face : faces) {
            for (int i = 0; i + STEPS + 1 < face.size(); i++) {
                if (i % STEPS < STEPS - 1) {
                    cut(lightness, face.get(i), face.get(i + 1), face.get(i + STEPS), rim);
                    cut(lightness, face.get(i + 1), face.get(i + STEPS), face.get(i + STEPS + 1), rim);
                }
            }
        }
        return new Slice(
                lightness,
                Arrays.stream(rim)
                        .filter(colour -> colour != null && colour.chroma() > 1)
                        .map(colour -> new double[] {colour.a(), colour.b()})
                        .toList());
    }

    private static void cut(double lightness, Lab a, Lab b, Lab c, Lab[] rim) {
        List<Lab> ends = new ArrayList<>();
        crossing(lightness, a, b, ends);
        crossing(lightness, b, c, ends);
        crossing(lightness, c, a, ends);
        if (ends.size() < 2) {
            return;
        }
        for (int i = 0; i <= POINTS; i++) {
            Lab colour = between(ends.get(0), ends.get(1), (double) i / POINTS);
            int hue = Math.floorMod((int) Math.round(colour.hue() / (2 * Math.PI) * HUES), HUES);
            if (rim[hue] == null || colour.chroma() > rim[hue].chroma()) {
                rim[hue] = colour;
            }
        }
    }

    private static void crossing(double lightness, Lab a, Lab b, List<Lab> ends) {
        if (a.l() < lightness != b.l() < lightness) {
            ends.add(between(a, b, (lightness - a.l()) / (b.l() - a.l())));
        }
    }

    private static Lab between(Lab a, Lab b, double share) {
        return new Lab(
                a.l() + share * (b.l() - a.l()), a.a() + share * (b.a() - a.a()), a.b() + share * (b.b() - a.b()));
    }
}
