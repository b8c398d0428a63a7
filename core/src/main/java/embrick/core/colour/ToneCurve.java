package embrick.core.colour;

import embrick.core.lanes.Lanes;
import java.util.Arrays;

/**
 * How a profile's numbers stand for light: encoded 0..1 to linear 0..1 and back, rising from 0 to 1.
 *
 * <p>The way back is tabled over the fourth root of the light, in which the usual curves (powers of 1.8 to 2.4) are nearly
 * straight, also in the deepest shadows.
 */
public final class ToneCurve {
    private static final int BACK_STEPS = 4096;
    /** Powers rise endlessly at 0; sRGB, which has a straight toe there, rises 12.92 times. */
    private static final double STEEPEST = 12.92;

    private final Lanes lanes = Lanes.best();
    private final double[] linear;
    private final float[] back;

    private ToneCurve(double[] linear) {
        this.linear = linear;
        this.back = new float[BACK_STEPS + 2];
        int at = 0;
        for (int step = 0; step <= BACK_STEPS; step++) {
            double root = (double) step / BACK_STEPS;
            double light = root * root * root * root;
            while (at < linear.length - 2 && linear[at + 1] < light) {
                at++;
            }
            double rise = linear[at + 1] - linear[at];
            double part = rise == 0 ? 0 : Math.clamp((light - linear[at]) / rise, 0, 1);
            back[step] = (float) ((at + part) / (linear.length - 1));
        }
        back[BACK_STEPS + 1] = back[BACK_STEPS];
    }

    /**
     * A curve through samples.
     *
     * @param linear the light of evenly spaced encoded values from 0 to 1; scaled so that it begins at 0 and ends at 1
     * @throws IllegalArgumentException if it falls anywhere or does not rise
     */
    public static ToneCurve through(double[] linear) {
        double low = linear[0];
        double high = linear[linear.length - 1];
        if (!(high > low)) {
            throw new IllegalArgumentException("tone curve: expected a rise, got " + low + " to " + high);
        }
        double[] scaled = new double[linear.length];
        for (int i = 0; i < linear.length; i++) {
            scaled[i] = (linear[i] - low) / (high - low);
            if (i > 0 && scaled[i] < scaled[i - 1]) {
                throw new IllegalArgumentException("tone curve: expected no fall, got one at sample " + i);
            }
        }
        return new ToneCurve(scaled);
    }

    /** The curve of IEC 61966-2-1. */
    public static ToneCurve srgb() {
        double[] linear = new double[65536];
        for (int i = 0; i < linear.length; i++) {
            double encoded = i / 65535.0;
            linear[i] = encoded <= 0.04045 ? encoded / 12.92 : Math.pow((encoded + 0.055) / 1.055, 2.4);
        }
        return through(linear);
    }

    /** The light of every count from 0 to {@code most}. */
    public float[] ofCounts(int most) {
        float[] table = new float[most + 1];
        for (int count = 0; count <= most; count++) {
            table[count] = light((double) count / most);
        }
        return table;
    }

    private float light(double encoded) {
        double at = encoded * (linear.length - 1);
        int below = Math.min((int) at, linear.length - 2);
        return (float) (linear[below] + (at - below) * (linear[below + 1] - linear[below]));
    }

    /** The light of even steps, for {@link Lanes#lookUp}. */
    float[] table(int steps) {
        float[] table = Arrays.copyOf(ofCounts(steps), steps + 2);
        table[steps + 1] = table[steps];
        return table;
    }

    /** The way back, for {@link Lanes#lookUpRoot}. */
    public float[] backTable() {
        return back.clone();
    }

    /**
     * As {@link #encode}, and what lies beyond 0..1 goes on in a straight line, as steep as the curve is there: what is
     * sharpened afterwards is clipped once, at its end.
     *
     * @param lights are not changed unless {@code out} is the same place
     */
    public void encodeBeyond(float[] lights, int from, float[] out, int at, int count, float[] scratch) {
        System.arraycopy(lights, from, scratch, 0, count);
        lanes.lookUpRoot(back, lights, from, out, at, count);
        int last = linear.length - 1;
        float below = (float) Math.min(STEEPEST, 1.0 / last / Math.max(linear[1], Float.MIN_NORMAL));
        float above = (float) Math.min(STEEPEST, 1.0 / last / Math.max(1 - linear[last - 1], Float.MIN_NORMAL));
        for (int i = 0; i < count; i++) {
            float light = scratch[i];
            if (light < 0) {
                out[at + i] += light * below;
            } else if (light > 1) {
                out[at + i] += (light - 1) * above;
            }
        }
    }

    /** The encoding of lights, which are clipped to 0..1 first; in and out may be one place. */
    public void encode(float[] lights, int from, float[] out, int at, int count) {
        lanes.lookUpRoot(back, lights, from, out, at, count);
    }
}
