package embrick.core.grown;

import java.util.Arrays;

/**
 * What is bare, from the patches that were found for it: each patch that covers a pixel has a vote on it.
 *
 * <p>Method: Y. Wexler, E. Shechtman, M. Irani, "Space-time completion of video", 2007: votes weigh by how alike the patches
 * are, and more near what is known.
 */
final class Votes {
    /** Of the costs, the share whose root is the spread that likeness is weighed by (Wexler 2007). */
    private static final double SPREAD_SHARE = 0.75;
    /** Steps from which all weigh alike. */
    private static final int FAR = 60;

    private final Level level;
    private final Matches matches;
    private float[] weights = new float[0];
    private float[] shifts = new float[0];
    private final Nearness nearness;

    /** @param spread of the weights about a patch's middle, in pixels: the narrower, the more a pixel is a copy of one */
    Votes(Level level, Matches matches, double spread) {
        this.level = level;
        this.matches = matches;
        this.nearness = new Nearness(spread);
    }

    /** A vote's weight by how far its patch's middle is away. */
    private static final class Nearness {
        private static final double LEAST = 0.01;

        /** Rows of patches. */
        private final float[] weights = new float[Level.PATCH_PIXELS];
        /** Beyond it there is next to no weight. */
        private final int reach;

        Nearness(double spread) {
            for (int j = -Level.REACH; j <= Level.REACH; j++) {
                for (int i = -Level.REACH; i <= Level.REACH; i++) {
                    weights[(j + Level.REACH) * Level.PATCH + i + Level.REACH] =
                            (float) Math.exp(-(i * i + j * j) / (2 * spread * spread));
                }
            }
            reach = (int) Math.clamp(Math.ceil(spread * Math.sqrt(-2 * Math.log(LEAST)) - 1), 1, Level.REACH);
        }
    }

    /** Sets every bare pixel of the level. */
    void cast() {
        weights = weights();
        shifts = shifts();
        int left = matches.left - Level.REACH;
        int right = matches.left + matches.width + Level.REACH;
        int top = matches.top - Level.REACH;
        int bottom = matches.top + matches.height + Level.REACH;
        // Votes copy from the picture's own pixels alone: what is set here is not read.
        Rows.each(top, bottom, y -> castRow(y, left, right));
        level.findMeans(left - Level.REACH, top - Level.REACH, right + Level.REACH, bottom + Level.REACH);
    }

    private void castRow(int y, int left, int right) {
        int channels = level.channels;
        float[] sums = new float[channels];
        for (int x = left; x < right; x++) {
            int at = y * level.width + x;
            if (level.state[at] == Level.BARE) {
                float all = count(x, y, sums);
                for (int c = 0; c < channels; c++) {
                    level.samples[at * channels + c] = (short) Math.clamp(Math.round(sums[c] / all), 0, Level.WHITE);
                }
            }
        }
    }

    /** Adds up the votes on a pixel as they were last cast. @return the sum of their weights */
    float count(int x, int y, float[] sums) {
        Arrays.fill(sums, 0);
        float all = 0;
        int channels = level.channels;
        int reach = nearness.reach;
        int x0 = Math.clamp(x - reach, matches.left, matches.left + matches.width - 1);
        int x1 = Math.clamp(x + reach, matches.left, matches.left + matches.width - 1);
        int y0 = Math.clamp(y - reach, matches.top, matches.top + matches.height - 1);
        int y1 = Math.clamp(y + reach, matches.top, matches.top + matches.height - 1);
        for (int j = y0; j <= y1; j++) {
            for (int i = x0; i <= x1; i++) {
                int at = (j - matches.top) * matches.width + i - matches.left;
                float weight =
                        weights[at] * nearness.weights[(j - y + Level.REACH) * Level.PATCH + i - x + Level.REACH];
                if (weight == 0) {
                    continue;
                }
                int source = matches.found(at);
                int from = (source + (y - j) * level.width + x - i) * channels;
                for (int c = 0; c < channels; c++) {
                    sums[c] += weight * (level.samples[from + c] + shifts[at * channels + c]);
                }
                all += weight;
            }
        }
        return all;
    }

    private float[] shifts() {
        int channels = level.channels;
        float[] shifts = new float[matches.width * matches.height * channels];
        for (int at = 0; at < matches.width * matches.height; at++) {
            if (matches.isTarget(at)) {
                int target = (matches.top + at / matches.width) * level.width + matches.left + at % matches.width;
                for (int c = 0; c < channels; c++) {
                    shifts[at * channels + c] = matches.shift(target, matches.found(at), c);
                }
            }
        }
        return shifts;
    }

    /** By steps from what is known: Wexler 2007 gives 1.3. */
    private static float[] nearRim() {
        float[] weights = new float[FAR + 1];
        for (int step = 0; step <= FAR; step++) {
            weights[step] = (float) Math.pow(1.3, -step);
        }
        return weights;
    }

    private float[] weights() {
        float[] costs = matches.costs;
        float[] weights = new float[costs.length];
        float[] nearRim = nearRim();
        float[] sorted = new float[costs.length];
        int count = 0;
        for (int at = 0; at < costs.length; at++) {
            if (matches.isTarget(at)) {
                sorted[count++] = costs[at];
            }
        }
        Arrays.sort(sorted, 0, count);
        float spread = count == 0 ? 1 : Math.max(1, sorted[(int) (SPREAD_SHARE * (count - 1))]);
        for (int at = 0; at < costs.length; at++) {
            if (matches.isTarget(at)) {
                weights[at] = (float) Math.max(1e-6, Math.exp(-costs[at] / (2 * spread)))
                        * nearRim[Math.min(FAR, matches.away(at))];
            }
        }
        return weights;
    }
}
