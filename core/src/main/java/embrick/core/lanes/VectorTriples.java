package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;

/**
 * Interleaved pixels of three channels: a register's worth of pixels lies in three registers. Each loop gives how many
 * pixels it has done; the rest, less than a register, is the caller's.
 */
final class VectorTriples {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();
    private static final VectorShuffle<Float> REDS = shuffle(0);
    private static final VectorShuffle<Float> GREENS = shuffle(1);
    private static final VectorShuffle<Float> BLUES = shuffle(2);
    private static final VectorMask<Float> REDS_SECOND = lanesFrom(1, 0);
    private static final VectorMask<Float> REDS_THIRD = lanesFrom(2, 0);
    private static final VectorMask<Float> GREENS_SECOND = lanesFrom(1, 1);
    private static final VectorMask<Float> GREENS_THIRD = lanesFrom(2, 1);
    private static final VectorMask<Float> BLUES_SECOND = lanesFrom(1, 2);
    private static final VectorMask<Float> BLUES_THIRD = lanesFrom(2, 2);
    private static final VectorShuffle<Float> FIRST_THRICE = thrice(0);
    private static final VectorShuffle<Float> SECOND_THRICE = thrice(1);
    private static final VectorShuffle<Float> THIRD_THRICE = thrice(2);

    private static final VectorMask<Float> GREEN_IN_FIRST = ofChannel(0, 1);
    private static final VectorMask<Float> GREEN_IN_SECOND = ofChannel(1, 1);
    private static final VectorMask<Float> GREEN_IN_THIRD = ofChannel(2, 1);
    private static final VectorMask<Float> BLUE_IN_FIRST = ofChannel(0, 2);
    private static final VectorMask<Float> BLUE_IN_SECOND = ofChannel(1, 2);
    private static final VectorMask<Float> BLUE_IN_THIRD = ofChannel(2, 2);

    private VectorTriples() {}

    /** The lanes in which interleaved pixels have that channel. */
    private static VectorMask<Float> ofChannel(int register, int channel) {
        boolean[] lanes = new boolean[LANES];
        for (int lane = 0; lane < LANES; lane++) {
            lanes[lane] = (register * LANES + lane) % 3 == channel;
        }
        return VectorMask.fromArray(WIDE, lanes, 0);
    }

    /** Where in its register the channel of each pixel lies. */
    private static VectorShuffle<Float> shuffle(int channel) {
        return VectorShuffle.fromOp(WIDE, pixel -> (3 * pixel + channel) % LANES);
    }

    /** The pixels whose channel lies in a register, 0 to 2. */
    private static VectorMask<Float> lanesFrom(int register, int channel) {
        boolean[] lanes = new boolean[LANES];
        for (int pixel = 0; pixel < LANES; pixel++) {
            lanes[pixel] = (3 * pixel + channel) / LANES == register;
        }
        return VectorMask.fromArray(WIDE, lanes, 0);
    }

    /** One value a pixel, three times each, as a register of the three needs them. */
    private static VectorShuffle<Float> thrice(int register) {
        return VectorShuffle.fromOp(WIDE, lane -> (register * LANES + lane) / 3);
    }

    static int luminances(float[] in, int from, float red, float green, float blue, float[] out, int at, int count) {
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector first = FloatVector.fromArray(WIDE, in, from + 3 * i);
            FloatVector second = FloatVector.fromArray(WIDE, in, from + 3 * i + LANES);
            FloatVector third = FloatVector.fromArray(WIDE, in, from + 3 * i + 2 * LANES);
            FloatVector reds = reds(first, second, third);
            FloatVector greens = greens(first, second, third);
            FloatVector blues = blues(first, second, third);
            reds.mul(red).add(greens.mul(green)).add(blues.mul(blue)).intoArray(out, at + i);
        }
        return i;
    }

    private static FloatVector reds(FloatVector first, FloatVector second, FloatVector third) {
        return first.rearrange(REDS)
                .blend(second.rearrange(REDS), REDS_SECOND)
                .blend(third.rearrange(REDS), REDS_THIRD);
    }

    private static FloatVector greens(FloatVector first, FloatVector second, FloatVector third) {
        return first.rearrange(GREENS)
                .blend(second.rearrange(GREENS), GREENS_SECOND)
                .blend(third.rearrange(GREENS), GREENS_THIRD);
    }

    private static FloatVector blues(FloatVector first, FloatVector second, FloatVector third) {
        return first.rearrange(BLUES)
                .blend(second.rearrange(BLUES), BLUES_SECOND)
                .blend(third.rearrange(BLUES), BLUES_THIRD);
    }

    static int apart(float[] in, int from, float[] planes, int row, int count) {
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector first = FloatVector.fromArray(WIDE, in, from + 3 * i);
            FloatVector second = FloatVector.fromArray(WIDE, in, from + 3 * i + LANES);
            FloatVector third = FloatVector.fromArray(WIDE, in, from + 3 * i + 2 * LANES);
            reds(first, second, third).intoArray(planes, i);
            greens(first, second, third).intoArray(planes, row + i);
            blues(first, second, third).intoArray(planes, 2 * row + i);
        }
        return i;
    }

    static int together(float[] planes, int row, float[] out, int at, int count) {
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector red = FloatVector.fromArray(WIDE, planes, i);
            FloatVector green = FloatVector.fromArray(WIDE, planes, row + i);
            FloatVector blue = FloatVector.fromArray(WIDE, planes, 2 * row + i);
            int to = at + 3 * i;
            together(red, green, blue, FIRST_THRICE, GREEN_IN_FIRST, BLUE_IN_FIRST)
                    .intoArray(out, to);
            together(red, green, blue, SECOND_THRICE, GREEN_IN_SECOND, BLUE_IN_SECOND)
                    .intoArray(out, to + LANES);
            together(red, green, blue, THIRD_THRICE, GREEN_IN_THIRD, BLUE_IN_THIRD)
                    .intoArray(out, to + 2 * LANES);
        }
        return i;
    }

    /** One register of interleaved pixels. */
    private static FloatVector together(
            FloatVector red,
            FloatVector green,
            FloatVector blue,
            VectorShuffle<Float> pixels,
            VectorMask<Float> ofGreen,
            VectorMask<Float> ofBlue) {
        return red.rearrange(pixels).blend(green.rearrange(pixels), ofGreen).blend(blue.rearrange(pixels), ofBlue);
    }

    static int addToPixels(float[] in, int from, float[] added, float[] out, int at, int count) {
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector more = FloatVector.fromArray(WIDE, added, i);
            int p = 3 * i;
            clipped(in, from + p, more.rearrange(FIRST_THRICE)).intoArray(out, at + p);
            clipped(in, from + p + LANES, more.rearrange(SECOND_THRICE)).intoArray(out, at + p + LANES);
            clipped(in, from + p + 2 * LANES, more.rearrange(THIRD_THRICE)).intoArray(out, at + p + 2 * LANES);
        }
        return i;
    }

    static void sumColumns(
            float[] area, int from, int stride, float[] weights, int width, int rows, float[] sums, float[] weighed) {
        for (int t = 0; t < width; t += LANES) {
            FloatVector all = FloatVector.zero(WIDE);
            FloatVector first = all;
            FloatVector second = all;
            FloatVector third = all;
            for (int r = 0; r < rows; r++) {
                FloatVector weight = FloatVector.fromArray(WIDE, weights, r * width + t);
                int at = from + r * stride + 3 * t;
                all = all.add(weight);
                first = first.add(FloatVector.fromArray(WIDE, area, at).mul(weight.rearrange(FIRST_THRICE)));
                second =
                        second.add(FloatVector.fromArray(WIDE, area, at + LANES).mul(weight.rearrange(SECOND_THRICE)));
                third = third.add(
                        FloatVector.fromArray(WIDE, area, at + 2 * LANES).mul(weight.rearrange(THIRD_THRICE)));
            }
            all.intoArray(weighed, t);
            first.intoArray(sums, 3 * t);
            second.intoArray(sums, 3 * t + LANES);
            third.intoArray(sums, 3 * t + 2 * LANES);
        }
    }

    private static FloatVector clipped(float[] in, int from, FloatVector more) {
        return FloatVector.fromArray(WIDE, in, from).add(more).max(0f).min(1f);
    }
}
