package embrick.formats.icc;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.colour.Ciede2000;
import embrick.core.colour.ColourPath;
import embrick.core.colour.Intent;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.colour.Transform;
import embrick.core.pixels.ColourModel;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.StringTokenizer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Every pair of shipped profiles, every intent, with and without compensation, against Little CMS's own tool; every other pair
 * of them unless all are asked for.
 */
class ConversionsBesideLittleCmsTest {
    /** A count of 8 bits, where both sides are curves and colourants. */
    private static final double COUNT = 1.0 / 255;

    private static final boolean IS_THOROUGH = Boolean.getBoolean("embrick.thorough");

    private static final double MEAN = 0.05;
    private static final double MOST = 0.5;

    @TempDir
    static Path folder;

    private static final ProfileShelf SHELF = new ProfileShelf();

    @BeforeAll
    static void write() throws IOException {
        for (ShippedProfile profile : ShippedProfile.values()) {
            Files.write(file(profile), profile.bytes());
        }
    }

    private static Path file(ShippedProfile profile) {
        return folder.resolve(profile.name() + ".icc");
    }

    private static List<Rendering> renderings() {
        List<Rendering> all = new ArrayList<>(List.of(Rendering.ABSOLUTE));
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
            for (BlackPoint blackPoint : BlackPoint.values()) {
                all.add(new Rendering(intent, blackPoint));
            }
        }
        return all;
    }

    /** Even steps of each channel, corners included. */
    private static float[] cube(ColourModel model) {
        int steps = model == ColourModel.CMYK ? 4 : model == ColourModel.RGB ? 6 : 40;
        int channels = model.channels();
        int colours = (int) Math.pow(steps, channels);
        float[] cube = new float[colours * channels];
        for (int colour = 0; colour < colours; colour++) {
            int rest = colour;
            for (int channel = 0; channel < channels; channel++) {
                cube[colour * channels + channel] = rest % steps / (steps - 1f);
                rest /= steps;
            }
        }
        return cube;
    }

    @ParameterizedTest
    @EnumSource
    void allPathsFromOneProfile(ShippedProfile from) {
        float[] colours = cube(from.model());
        int count = colours.length / from.model().channels();
        for (ShippedProfile to : ShippedProfile.values()) {
            if (!IS_THOROUGH && (from.ordinal() / 2 + to.ordinal()) % 2 == 1) {
                continue;
            }
            for (Rendering rendering : renderings()) {
                float[] ours = new float[count * to.model().channels()];
                SHELF.along(new ColourPath(ref(from), ref(to), rendering)).apply(colours, 0, ours, 0, count);
                float[] theirs = from == to ? colours : said(from, to, rendering, colours, count);
                compare(from, to, rendering, ours, theirs, count);
            }
        }
    }

    private static ProfileRef ref(ShippedProfile profile) {
        return new ProfileRef.Icc(profile.digest(), profile.model());
    }

    private static void compare(
            ShippedProfile from, ShippedProfile to, Rendering rendering, float[] ours, float[] theirs, int count) {
        String path = from + " to " + to + " " + rendering;
        boolean isCurves = from.ordinal() < ShippedProfile.LUSTRE_RGB.ordinal()
                && to.ordinal() < ShippedProfile.LUSTRE_RGB.ordinal();
        if (isCurves) {
            for (int i = 0; i < ours.length; i++) {
                assertThat(Math.abs(Math.clamp(ours[i], 0f, 1f) - theirs[i]))
                        .as("%s, sample %d", path, i)
                        .isLessThanOrEqualTo((float) COUNT);
            }
            return;
        }
        Transform look = SHELF.toLab(ref(to));
        float[] one = new float[count * 3];
        float[] other = new float[count * 3];
        for (int i = 0; i < ours.length; i++) {
            ours[i] = Math.clamp(ours[i], 0f, 1f);
        }
        look.apply(ours, 0, one, 0, count);
        look.apply(theirs, 0, other, 0, count);
        double sum = 0;
        double most = 0;
        for (int i = 0; i < count; i++) {
            double difference = Ciede2000.between(
                    one[3 * i], one[3 * i + 1], one[3 * i + 2], other[3 * i], other[3 * i + 1], other[3 * i + 2]);
            sum += difference;
            most = Math.max(most, difference);
        }
        assertThat(sum / count).as("%s, mean ΔE00", path).isLessThanOrEqualTo(MEAN);
        assertThat(most).as("%s, worst ΔE00", path).isLessThanOrEqualTo(MOST);
    }

    /** -c0: nothing precalculated, -n: numbers alone. RGB and grey to 255, inks to 100; clipped here, as files are. */
    private static float[] said(
            ShippedProfile from, ShippedProfile to, Rendering rendering, float[] colours, int count) {
        int channels = from.model().channels();
        StringBuilder input = new StringBuilder();
        for (int i = 0; i < colours.length; i++) {
            // Six places, as exact as a float is; formatted by hand, since there are a third of a million.
            input.append(Math.round(colours[i] * full(from) * 1e6) / 1e6).append((i + 1) % channels == 0 ? "\n" : " ");
        }
        List<String> arguments = new ArrayList<>(List.of(
                "-i" + file(from), "-o" + file(to), "-t" + rendering.intent().number(), "-c0", "-n"));
        if (rendering.blackPoint() == BlackPoint.COMPENSATED) {
            arguments.add("-b");
        }
        String output = Outside.transicc(input.toString(), arguments.toArray(String[]::new));
        float[] said = new float[count * to.model().channels()];
        StringTokenizer numbers = new StringTokenizer(output);
        for (int i = 0; i < said.length; i++) {
            said[i] = (float) Math.clamp(Double.parseDouble(numbers.nextToken()) / full(to), 0, 1);
        }
        return said;
    }

    private static double full(ShippedProfile profile) {
        return profile.model() == ColourModel.CMYK ? 100 : 255;
    }
}
