package embrick.core.colour.chain;

import embrick.core.lanes.Lanes;

/**
 * A few pixels, a plane for each channel: loops over a plane are what registers of many lanes like. One thread's own, so
 * that steps themselves can be shared.
 */
final class Block {
    /** Pixels that a plane has room for: all planes of a step stay in the nearest cache. */
    static final int ROW = 512;

    private static final int MOST_CHANNELS = 4;
    private static final int MOST_TAPS = 8;

    private final Lanes lanes = Lanes.best();
    final float[] planes = new float[MOST_CHANNELS * ROW + Lanes.SLACK];
    /** For tables: which nodes are mixed, a plane for each, with which weights, and the mixtures. */
    final int[] places = new int[MOST_TAPS * ROW];

    final float[] weights = new float[MOST_TAPS * ROW];
    final float[] mixed = new float[MOST_CHANNELS * ROW];

    void take(float[] interleaved, int from, int channels, int pixels) {
        if (channels == 3) {
            lanes.toPlanes(interleaved, from, planes, ROW, pixels);
            return;
        }
        for (int channel = 0; channel < channels; channel++) {
            int plane = channel * ROW;
            for (int i = 0; i < pixels; i++) {
                planes[plane + i] = interleaved[from + i * channels + channel];
            }
        }
    }

    void give(float[] interleaved, int at, int channels, int pixels) {
        if (channels == 3) {
            lanes.fromPlanes(planes, ROW, interleaved, at, pixels);
            return;
        }
        for (int channel = 0; channel < channels; channel++) {
            int plane = channel * ROW;
            for (int i = 0; i < pixels; i++) {
                interleaved[at + i * channels + channel] = planes[plane + i];
            }
        }
    }

    /** Colours out of {@link #mixed} into their planes. */
    void takeMixed(int channels, int pixels) {
        for (int channel = 0; channel < channels; channel++) {
            int plane = channel * ROW;
            for (int i = 0; i < pixels; i++) {
                planes[plane + i] = mixed[i * MOST_CHANNELS + channel];
            }
        }
    }

    /** Colours out of {@link #mixed} to where they go. */
    void giveMixed(float[] interleaved, int at, int channels, int pixels) {
        if (channels == MOST_CHANNELS) {
            System.arraycopy(mixed, 0, interleaved, at, pixels * channels);
            return;
        }
        if (channels == 3) {
            for (int i = 0; i < pixels; i++) {
                interleaved[at + i * 3] = mixed[i * MOST_CHANNELS];
                interleaved[at + i * 3 + 1] = mixed[i * MOST_CHANNELS + 1];
                interleaved[at + i * 3 + 2] = mixed[i * MOST_CHANNELS + 2];
            }
            return;
        }
        takeMixed(channels, pixels);
        give(interleaved, at, channels, pixels);
    }
}
