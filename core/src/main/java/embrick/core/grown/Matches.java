package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import java.util.Arrays;

/**
 * For each patch that touches what is bare, the patch of the picture's own that is most like it.
 *
 * <p>Method: C. Barnes, E. Shechtman, A. Finkelstein, D. Goldman, "PatchMatch: A randomized correspondence algorithm for
 * structural image editing", 2009. Unlike there, a pass reads only what the pass before it found, and chance is a hash of
 * place, pass and seed: the result does not depend on any order.
 */
final class Matches {
    private static final int NONE = -1;

    private final Level level;
    /** Where the targets lie: a rectangle of the window, its ends not counted. */
    final int left;

    final int top;
    final int width;
    final int height;

    private final boolean[] isTarget;
    /** Index of the source patch's middle in the window. */
    private int[] found;

    private int[] before;
    final float[] costs;

    /** Patches of which none may be found for another that is nearer than this; 0: any. */
    private final int apart;
    /** Worked out when it is first asked for. */
    private int[] away;

    private Matches(Level level, PixelRect place, boolean[] isTarget, int apart) {
        this.level = level;
        this.left = place.x();
        this.top = place.y();
        this.width = place.width();
        this.height = place.height();
        this.isTarget = isTarget;
        this.apart = apart;
        this.found = new int[isTarget.length];
        this.before = new int[isTarget.length];
        this.costs = new float[isTarget.length];
        Arrays.fill(found, NONE);
    }

    /** For the patches that touch what is bare. */
    static Matches ofBare(Level level) {
        PixelRect place = Targets.round(level);
        return new Matches(level, place, Targets.touching(level, place), 0);
    }

    /** For the picture's own patches, among themselves, each looking at those that it does not overlap. */
    static Matches ofOwn(Level level) {
        return new Matches(level, new PixelRect(0, 0, level.width, level.height), level.isSource.clone(), Level.PATCH);
    }

    /** How many steps what is known is away from a patch's middle; 0 where it is known itself. */
    int away(int at) {
        if (away == null) {
            away = steps();
        }
        return away[at];
    }

    private int[] steps() {
        int[] steps = new int[width * height];
        Arrays.fill(steps, Integer.MAX_VALUE / 2);
        for (int at = 0; at < steps.length; at++) {
            if (level.state[(top + at / width) * level.width + left + at % width] != Level.BARE) {
                steps[at] = 0;
            } else {
                steps[at] = Math.min(
                        at % width > 0 ? steps[at - 1] + 1 : steps[at],
                        at >= width ? Math.min(steps[at], steps[at - width] + 1) : steps[at]);
            }
        }
        for (int at = steps.length - 1; at >= 0; at--) {
            if (at % width < width - 1) {
                steps[at] = Math.min(steps[at], steps[at + 1] + 1);
            }
            if (at < steps.length - width) {
                steps[at] = Math.min(steps[at], steps[at + width] + 1);
            }
        }
        return steps;
    }

    boolean isTarget(int at) {
        return isTarget[at];
    }

    int found(int at) {
        return found[at];
    }

    /** What a first guess found; patches whose middle is known take what lies nearest to them. */
    void beginFrom(FirstGuess guess, Chance chance, int[] sources) {
        for (int at = 0; at < found.length; at++) {
            if (isTarget[at]) {
                int middle = (top + at / width) * level.width + left + at % width;
                found[at] = level.state[middle] == Level.BARE
                        ? guess.found[middle]
                        : level.isSource[middle]
                                ? middle
                                : sources[chance.below(sources.length, at % width, at / width, 0)];
            }
        }
    }

    /** Anything. */
    void beginAnywhere(Chance chance, int[] sources) {
        for (int at = 0; at < found.length; at++) {
            if (isTarget[at]) {
                found[at] = sources[chance.below(sources.length, at % width, at / width, 0)];
            }
        }
    }

    /** What was found at half the scale; what is no source here takes any near it. */
    void beginFrom(Matches small, Chance chance, int[] sources) {
        int smallWidth = small.level.width;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = y * width + x;
                if (!isTarget[at]) {
                    continue;
                }
                int sx = Math.clamp((left + x) / 2 - small.left, 0, small.width - 1);
                int sy = Math.clamp((top + y) / 2 - small.top, 0, small.height - 1);
                int near = small.found[sy * small.width + sx];
                found[at] = near == NONE
                        ? NONE
                        : source(
                                near % smallWidth * 2 + (left + x) - 2 * (small.left + sx),
                                near / smallWidth * 2 + (top + y) - 2 * (small.top + sy));
                if (found[at] == NONE) {
                    found[at] = sources[chance.below(sources.length, x, y, 0)];
                }
            }
        }
    }

    private int source(int x, int y) {
        if (!level.hasPatch(x, y)) {
            return NONE;
        }
        int at = y * level.width + x;
        return level.isSource[at] ? at : NONE;
    }

    private boolean isNear(int target, int source) {
        return apart > 0
                && Math.abs(target % level.width - source % level.width) < apart
                && Math.abs(target / level.width - source / level.width) < apart;
    }

    /** What a patch differs from the one found for it when that has been shifted: its cost without the shift's price. */
    float residue(int at) {
        int target = (top + at / width) * level.width + left + at % width;
        float price = 0;
        for (int c = 0; c < level.channels; c++) {
            price +=
                    Shift.price(level.means[target * level.channels + c] - level.means[found[at] * level.channels + c]);
        }
        return costs[at] - price * Level.PATCH_PIXELS;
    }

    /** Counts anew what each costs. */
    void count() {
        Rows.each(0, height, y -> {
            for (int x = 0; x < width; x++) {
                int at = y * width + x;
                if (isTarget[at]) {
                    costs[at] = cost((top + y) * level.width + left + x, found[at], Float.MAX_VALUE);
                }
            }
        });
    }

    /**
     * One pass: each takes over what its neighbours found, a step further, where that is better, or what chance finds.
     *
     * @param radius within which chance looks, in pixels
     */
    void improve(Chance chance, int pass, int radius) {
        System.arraycopy(found, 0, before, 0, found.length);
        int step = 1 + pass % 2 * 3;
        Rows.each(0, height, y -> {
            for (int x = 0; x < width; x++) {
                int at = y * width + x;
                if (isTarget[at]) {
                    improve(x, y, at, step, chance, pass, radius);
                }
            }
        });
    }

    private void improve(int x, int y, int at, int step, Chance chance, int pass, int radius) {
        int target = (top + y) * level.width + left + x;
        int best = before[at];
        float least = costs[at];
        int tried = best;
        for (int side = 0; side < 4; side++) {
            int dx = side == 0 ? -step : side == 1 ? step : 0;
            int dy = side == 2 ? -step : side == 3 ? step : 0;
            int nx = x + dx;
            int ny = y + dy;
            if (nx < 0 || ny < 0 || nx >= width || ny >= height || !isTarget[ny * width + nx]) {
                continue;
            }
            int near = before[ny * width + nx];
            int candidate = source(near % level.width - dx, near / level.width - dy);
            if (candidate != NONE && candidate != best && candidate != tried) {
                tried = candidate;
                float cost = cost(target, candidate, least);
                if (cost < least) {
                    least = cost;
                    best = candidate;
                }
            }
        }
        int draw = 1;
        for (int r = radius; r >= 1; r /= 2, draw += 2) {
            int sx = best % level.width + chance.below(2 * r + 1, x, y, pass * 64 + draw) - r;
            int sy = best / level.width + chance.below(2 * r + 1, x, y, pass * 64 + draw + 1) - r;
            int candidate = source(sx, sy);
            if (candidate != NONE && candidate != best) {
                float cost = cost(target, candidate, least);
                if (cost < least) {
                    least = cost;
                    best = candidate;
                }
            }
        }
        found[at] = best;
        costs[at] = least;
    }

    private float cost(int target, int source, float least) {
        if (isNear(target, source)) {
            return Float.MAX_VALUE;
        }
        return PatchCost.of(level, target, source, least);
    }

    /** By how much a source patch is raised for its target, in one channel. */
    float shift(int target, int source, int channel) {
        float apart = level.means[target * level.channels + channel] - level.means[source * level.channels + channel];
        return Shift.of(apart);
    }
}
