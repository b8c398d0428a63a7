package embrick.core.grown;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A first picture of what is bare, at the smallest scale: from the rim outward, ring by ring, each pixel is the middle of that
 * patch of the picture's own which goes best with what is known round it.
 *
 * <p>Method: A. Criminisi, P. Pérez, K. Toyama, "Object removal by exemplar-based inpainting", 2004, in the order of rings. Lines
 * that meet the rim go on, and so do courses of tone, since a patch may be raised to fit.
 */
final class FirstGuess {
    /** What it costs a patch to bring in contrast that is not at the rim, of what the same difference costs there: a line goes on, none begins. */
    private static final float BRINGING_COST = 0.6f;

    /** How far away patches are looked for, in pixels. */
    private static final int NEAR = 5 * Level.PATCH;

    private final Level level;
    private final int[] sources;
    private final boolean[] isSet;
    /** The source whose middle each bare pixel got. */
    final int[] found;

    FirstGuess(Level level, int[] sources) {
        this.level = level;
        this.sources = sources;
        this.found = new int[level.state.length];
        this.isSet = new boolean[level.state.length];
        for (int at = 0; at < isSet.length; at++) {
            isSet[at] = level.state[at] != Level.BARE;
        }
    }

    /** Sets every bare pixel. */
    void make() {
        for (List<Integer> ring = ring(); !ring.isEmpty(); ring = ring()) {
            for (int at : ring) {
                set(at);
            }
            for (int at : ring) {
                isSet[at] = true;
            }
        }
    }

    private List<Integer> ring() {
        List<Integer> ring = new ArrayList<>();
        for (int at = 0; at < isSet.length; at++) {
            if (!isSet[at] && touchesSet(at)) {
                ring.add(at);
            }
        }
        return ring;
    }

    private boolean touchesSet(int at) {
        int x = at % level.width;
        int y = at / level.width;
        return (x > 0 && isSet[at - 1])
                || (x < level.width - 1 && isSet[at + 1])
                || (y > 0 && isSet[at - level.width])
                || (y < level.height - 1 && isSet[at + level.width]);
    }

    private void set(int at) {
        int channels = level.channels;
        Around around = around(at);
        int best = best(at, around, near(at));
        found[at] = best;
        for (int c = 0; c < channels; c++) {
            float shift = Shift.of(apart(at, best, around, c));
            level.samples[at * channels + c] =
                    (short) Math.clamp(Math.round(level.samples[best * channels + c] + shift), 0, Level.WHITE);
        }
    }

    private int best(int at, Around around, int[] from) {
        int best = from[0];
        float least = Float.MAX_VALUE;
        for (int source : from) {
            float cost = cost(at, source, around, least);
            if (cost < least) {
                least = cost;
                best = source;
            }
        }
        return best;
    }

    /** All sources no further away than a few patches, or all that there are. */
    private int[] near(int at) {
        int x = at % level.width;
        int y = at / level.width;
        IntStream.Builder near = IntStream.builder();
        for (int j = Math.max(0, y - NEAR); j <= Math.min(level.height - 1, y + NEAR); j++) {
            for (int i = Math.max(0, x - NEAR); i <= Math.min(level.width - 1, x + NEAR); i++) {
                if (level.isSource[j * level.width + i]) {
                    near.add(j * level.width + i);
                }
            }
        }
        int[] found = near.build().toArray();
        return found.length == 0 ? sources : found;
    }

    /** Steps from a pixel to those of its patch, in samples. */
    private record Around(int[] set, int[] bare) {}

    private Around around(int at) {
        int x = at % level.width;
        int y = at / level.width;
        IntStream.Builder set = IntStream.builder();
        IntStream.Builder bare = IntStream.builder();
        for (int j = -Level.REACH; j <= Level.REACH; j++) {
            for (int i = -Level.REACH; i <= Level.REACH; i++) {
                int px = x + i;
                int py = y + j;
                boolean isInside = px >= 0 && py >= 0 && px < level.width && py < level.height;
                int step = (j * level.width + i) * level.channels;
                if (isInside && isSet[py * level.width + px]) {
                    set.add(step);
                } else {
                    bare.add(step);
                }
            }
        }
        return new Around(set.build().toArray(), bare.build().toArray());
    }

    private float apart(int at, int source, Around around, int channel) {
        long sum = 0;
        for (int step : around.set) {
            sum += level.samples[at * level.channels + step + channel]
                    - level.samples[source * level.channels + step + channel];
        }
        return (float) sum / around.set.length;
    }

    /** The cost of a source, or some cost not less than {@code least} once it is known to be no less. */
    private float cost(int at, int source, Around around, float least) {
        float cost = 0;
        for (int c = 0; c < level.channels && cost < least; c++) {
            int b = source * level.channels + c;
            cost += difference(at * level.channels + c, b, around.set);
            // What is brought in only adds to it: most sources have lost already.
            if (cost < least) {
                cost += BRINGING_COST * brought(b, around);
            }
        }
        return cost;
    }

    /** The sum of squares by which two patches differ where both are known, after the allowed shift. */
    private float difference(int target, int source, int[] set) {
        short[] samples = level.samples;
        long apart = 0;
        long squares = 0;
        for (int step : set) {
            int d = samples[target + step] - samples[source + step];
            apart += d;
            squares += (long) d * d;
        }
        return squares - set.length * Shift.gain((float) apart / set.length);
    }

    /** By how much a source's tones vary more where nothing is known than where something is. */
    private float brought(int source, Around around) {
        short[] samples = level.samples;
        long sum = 0;
        long own = 0;
        for (int step : around.set) {
            int tone = samples[source + step];
            sum += tone;
            own += (long) tone * tone;
        }
        int count = around.set.length;
        float mean = (float) sum / count;
        float contrast = (float) own / count - mean * mean;
        float brought = 0;
        for (int step : around.bare) {
            float d = samples[source + step] - mean;
            brought += d * d;
        }
        return Math.max(0, brought - around.bare.length * contrast);
    }
}
