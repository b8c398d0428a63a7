package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Detail that stands out and has nothing like it elsewhere: a boat, a face, a sign. It is never copied, and where the rim cuts
 * through it, nothing can be grown from it.
 *
 * <p>Embrick's rule, no source: a patch is such detail where it holds far more contrast than most patches round it, and fewer than
 * {@link #LIKE_IT} patches elsewhere are like it. A horizon has its like all along, a brick among bricks; two boats do not.
 */
final class StandOuts {
    /** So many times the contrast of most patches round it. */
    private static final float TIMES = 5;
    /** Contrast that counts, as the mean square of tones of 4095: the grain of a high ISO stays under it. */
    private static final float LEAST = 110 * 110;
    /** Patches that must be like one for it to be texture. */
    private static final int LIKE_IT = 14;
    /** Thinner pieces are where a line's steps happen to have no like, in pixels. */
    private static final int SMALLEST = Level.PATCH + 2;
    /** Patches that each is compared with, where there are more. */
    private static final int SAMPLE = 2000;

    private static final int LEAST_IN_SAMPLE = 3;
    /** Of a patch's own contrast, what may differ in one that is like it. */
    private static final float DIFFERING = 0.3f;
    /** Side of the squares that most patches are looked for in, in pixels. */
    private static final int SQUARE = 3 * Level.PATCH;

    private final Level level;
    private final float[] contrast;

    StandOuts(Level level) {
        this.level = level;
        this.contrast = new float[level.state.length];
    }

    /**
     * One piece of such detail.
     *
     * @param pixels indices in the level
     * @param isAtRim whether it is cut by the rim, and nothing can be grown from it there
     */
    record Detail(int[] pixels, PixelRect box, boolean isAtRim) {
        /** Whether it is a thing of its own, no larger than what is grown could hold; what is larger or drawn out is a part of the scene. */
        boolean isCompact(int depth) {
            int longer = Math.max(box.width(), box.height());
            int shorter = Math.min(box.width(), box.height());
            return longer <= 2 * depth && longer < 3 * shorter;
        }
    }

    /** All that there is. The level's sources and means are known. */
    List<Detail> find() {
        int[] candidates = candidates();
        boolean[] marked = new boolean[level.state.length];
        int[] sample = sample(candidates);
        int needed = Math.max(LEAST_IN_SAMPLE, Math.round((float) LIKE_IT * sample.length / candidates.length));
        for (int at : candidates) {
            if (!hasItsLike(at, sample, needed)) {
                mark(at, marked);
            }
        }
        List<Detail> all = new ArrayList<>();
        for (int at = 0; at < marked.length; at++) {
            if (marked[at]) {
                Detail detail = connected(at, marked);
                if (Math.min(detail.box.width(), detail.box.height()) >= SMALLEST) {
                    all.add(detail);
                }
            }
        }
        return all;
    }

    /** Takes one piece out of what is marked. */
    private Detail connected(int first, boolean[] marked) {
        IntStream.Builder pixels = IntStream.builder();
        ArrayDeque<Integer> next = new ArrayDeque<>(List.of(first));
        marked[first] = false;
        int left = level.width;
        int top = level.height;
        int right = 0;
        int bottom = 0;
        boolean isAtRim = false;
        while (!next.isEmpty()) {
            int at = next.remove();
            pixels.add(at);
            int x = at % level.width;
            int y = at / level.width;
            left = Math.min(left, x);
            right = Math.max(right, x + 1);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y + 1);
            isAtRim |= isNearBare(x, y);
            for (int j = Math.max(0, y - 1); j <= Math.min(level.height - 1, y + 1); j++) {
                for (int i = Math.max(0, x - 1); i <= Math.min(level.width - 1, x + 1); i++) {
                    if (marked[j * level.width + i]) {
                        marked[j * level.width + i] = false;
                        next.add(j * level.width + i);
                    }
                }
            }
        }
        return new Detail(pixels.build().toArray(), new PixelRect(left, top, right - left, bottom - top), isAtRim);
    }

    private boolean isNearBare(int x, int y) {
        for (int j = Math.max(0, y - Level.REACH); j <= Math.min(level.height - 1, y + Level.REACH); j++) {
            for (int i = Math.max(0, x - Level.REACH); i <= Math.min(level.width - 1, x + Level.REACH); i++) {
                if (level.state[j * level.width + i] == Level.BARE) {
                    return true;
                }
            }
        }
        return false;
    }

    private void mark(int at, boolean[] found) {
        // Its middle part only: what lies at the rim of a patch is not why it stands out.
        int half = Level.REACH - 1;
        for (int j = -half; j <= half; j++) {
            Arrays.fill(found, at + j * level.width - half, at + j * level.width + half + 1, true);
        }
    }

    private int[] candidates() {
        int across = (level.width + SQUARE - 1) / SQUARE;
        int down = (level.height + SQUARE - 1) / SQUARE;
        for (int at = 0; at < contrast.length; at++) {
            contrast[at] = level.isSource[at] ? contrastOf(at) : -1;
        }
        float[] medians = new float[across * down];
        for (int j = 0; j < down; j++) {
            for (int i = 0; i < across; i++) {
                medians[j * across + i] = median(i * SQUARE + SQUARE / 2, j * SQUARE + SQUARE / 2);
            }
        }
        int[] some = new int[contrast.length];
        int count = 0;
        for (int at = 0; at < contrast.length; at++) {
            float most = medians[at / level.width / SQUARE * across + at % level.width / SQUARE];
            if (contrast[at] > Math.max(LEAST, TIMES * most)) {
                some[count++] = at;
            }
        }
        return Arrays.copyOf(some, count);
    }

    /** Of the patches in the nine squares round a place. */
    private float median(int x, int y) {
        int reach = SQUARE * 3 / 2;
        float[] all = new float[(2 * reach + 1) * (2 * reach + 1)];
        int count = 0;
        for (int j = Math.max(0, y - reach); j <= Math.min(level.height - 1, y + reach); j++) {
            for (int i = Math.max(0, x - reach); i <= Math.min(level.width - 1, x + reach); i++) {
                if (contrast[j * level.width + i] >= 0) {
                    all[count++] = contrast[j * level.width + i];
                }
            }
        }
        Arrays.sort(all, 0, count);
        return count == 0 ? 0 : all[count / 2];
    }

    /** The mean square of a patch about its mean, the channels' together. */
    private float contrastOf(int at) {
        float sum = 0;
        for (int j = -Level.REACH; j <= Level.REACH; j++) {
            int from = (at + j * level.width - Level.REACH) * level.channels;
            for (int i = 0; i < Level.PATCH * level.channels; i++) {
                float d = level.samples[from + i] - level.means[at * level.channels + i % level.channels];
                sum += d * d;
            }
        }
        return sum / Level.PATCH_PIXELS;
    }

    /** Some of many, evenly spread: comparing each with each would take minutes. */
    private static int[] sample(int[] candidates) {
        int count = Math.min(SAMPLE, candidates.length);
        return IntStream.range(0, count)
                .map(i -> candidates[(int) ((long) i * candidates.length / count)])
                .toArray();
    }

    private boolean hasItsLike(int at, int[] others, int needed) {
        float most = DIFFERING * contrast[at] * Level.PATCH_PIXELS;
        int x = at % level.width;
        int y = at / level.width;
        int count = 0;
        for (int other : others) {
            boolean isElsewhere =
                    Math.abs(other % level.width - x) > Level.PATCH || Math.abs(other / level.width - y) > Level.PATCH;
            if (isElsewhere && PatchCost.of(level, at, other, most) < most && ++count >= needed) {
                return true;
            }
        }
        return false;
    }
}
