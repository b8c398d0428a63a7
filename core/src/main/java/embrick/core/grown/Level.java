package embrick.core.grown;

import java.util.Arrays;

/**
 * A window of a picture at one scale, with what is known of it and what is to be grown.
 *
 * <p>Samples are whole numbers of 12 bits: the squares of a patch's differences stay within an {@code int} a row, and it is
 * four bits finer than a file of 8 bits.
 */
final class Level {
    /** Half a patch: patches are 7 × 7 pixels (Wexler 2007 takes 5, Barnes 2009 takes 7). */
    static final int REACH = 3;

    static final int PATCH = 2 * REACH + 1;
    static final int PATCH_PIXELS = PATCH * PATCH;
    static final int WHITE = 4095;

    /** To be grown. */
    static final byte BARE = 0;
    /** Not to be changed, and not to be copied from: grown before, or detail that stands out. */
    static final byte FIXED = 1;
    /** The picture's own. */
    static final byte OWN = 2;

    final int width;
    final int height;
    final int channels;
    final short[] samples;
    final byte[] state;
    /** Whether a patch round this pixel is wholly the picture's own. */
    final boolean[] isSource;
    /** The mean of the patch round each pixel, by channel; not kept up where a patch would leave the window. */
    final short[] means;

    Level(int width, int height, int channels, short[] samples, byte[] state) {
        this.width = width;
        this.height = height;
        this.channels = channels;
        this.samples = samples;
        this.state = state;
        this.isSource = new boolean[state.length];
        this.means = new short[samples.length];
    }

    /** Half as wide and high, each pixel the mean of four; it is known where all four are. An odd last row or column is left out. */
    Level halved() {
        int w = width / 2;
        int h = height / 2;
        short[] small = new short[w * h * channels];
        byte[] states = new byte[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int from = 2 * y * width + 2 * x;
                int to = y * w + x;
                states[to] = least(from);
                for (int c = 0; c < channels; c++) {
                    int sum = samples[from * channels + c]
                            + samples[(from + 1) * channels + c]
                            + samples[(from + width) * channels + c]
                            + samples[(from + width + 1) * channels + c];
                    small[to * channels + c] = (short) (sum + 2 >> 2);
                }
            }
        }
        return new Level(w, h, channels, small, states);
    }

    /** Gives what is bare the tones of the same place at half the scale. */
    void takeTonesOf(Level half) {
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = y * width + x;
                if (state[at] == BARE) {
                    int from = Math.min(y / 2, half.height - 1) * half.width + Math.min(x / 2, half.width - 1);
                    System.arraycopy(half.samples, from * channels, samples, at * channels, channels);
                }
            }
        }
    }

    /**
     * Keeps pixels from being copied.
     *
     * @param found shapes: row-major, as this level
     */
    void fix(boolean[] found) {
        for (int at = 0; at < state.length; at++) {
            if (found[at]) {
                state[at] = (byte) Math.min(state[at], FIXED);
            }
        }
    }

    /** What was found on this level, on the next finer one. */
    boolean[] doubled(boolean[] found, Level finer) {
        boolean[] doubled = new boolean[finer.state.length];
        for (int at = 0; at < doubled.length; at++) {
            int x = Math.min(at % finer.width / 2, width - 1);
            int y = Math.min(at / finer.width / 2, height - 1);
            doubled[at] = found[y * width + x];
        }
        return doubled;
    }

    /** What was found on this level, on the next coarser one, where three of four are: little is left there to copy from. */
    boolean[] halved(boolean[] found, Level coarser) {
        boolean[] halved = new boolean[coarser.state.length];
        for (int at = 0; at < halved.length; at++) {
            int first = at / coarser.width * 2 * width + at % coarser.width * 2;
            int count = (found[first] ? 1 : 0)
                    + (found[first + 1] ? 1 : 0)
                    + (found[first + width] ? 1 : 0)
                    + (found[first + width + 1] ? 1 : 0);
            halved[at] = count >= 3;
        }
        return halved;
    }

    private byte least(int from) {
        return (byte) Math.min(
                Math.min(state[from], state[from + 1]), Math.min(state[from + width], state[from + width + 1]));
    }

    boolean hasPatch(int x, int y) {
        return x >= REACH && y >= REACH && x < width - REACH && y < height - REACH;
    }

    /** Sets which patches may be copied from. */
    void findSources() {
        int[] owned = new int[(width + 1) * (height + 1)];
        for (int y = 0; y < height; y++) {
            int row = 0;
            for (int x = 0; x < width; x++) {
                row += state[y * width + x] == OWN ? 1 : 0;
                owned[(y + 1) * (width + 1) + x + 1] = owned[y * (width + 1) + x + 1] + row;
            }
        }
        Arrays.fill(isSource, false);
        for (int y = REACH; y < height - REACH; y++) {
            for (int x = REACH; x < width - REACH; x++) {
                int top = (y - REACH) * (width + 1);
                int bottom = (y + REACH + 1) * (width + 1);
                int sum = owned[bottom + x + REACH + 1]
                        - owned[bottom + x - REACH]
                        - owned[top + x + REACH + 1]
                        + owned[top + x - REACH];
                isSource[y * width + x] = sum == PATCH_PIXELS;
            }
        }
    }

    void findAllMeans() {
        findMeans(0, 0, width, height);
    }

    /** Works the means out anew in a rectangle, its ends not counted. */
    void findMeans(int left, int top, int right, int bottom) {
        int l = Math.max(left, REACH);
        int r = Math.min(right, width - REACH);
        int t = Math.max(top, REACH);
        int b = Math.min(bottom, height - REACH);
        if (l >= r || t >= b) {
            return;
        }
        int span = (r - l + 2 * REACH) * channels;
        int[] columns = new int[span];
        int first = (l - REACH) * channels;
        for (int y = t - REACH; y < t + REACH; y++) {
            addRow(columns, y, first, 1);
        }
        int[] sums = new int[channels];
        for (int y = t; y < b; y++) {
            addRow(columns, y + REACH, first, 1);
            Arrays.fill(sums, 0);
            for (int i = 0; i < 2 * REACH * channels; i++) {
                sums[i % channels] += columns[i];
            }
            int to = (y * width + l) * channels;
            for (int i = 0; i < (r - l) * channels; i++) {
                int c = i % channels;
                sums[c] += columns[i + 2 * REACH * channels];
                means[to + i] = (short) ((sums[c] + PATCH_PIXELS / 2) / PATCH_PIXELS);
                sums[c] -= columns[i];
            }
            addRow(columns, y - REACH, first, -1);
        }
    }

    private void addRow(int[] columns, int y, int first, int sign) {
        int from = y * width * channels + first;
        for (int i = 0; i < columns.length; i++) {
            columns[i] += sign * samples[from + i];
        }
    }
}
