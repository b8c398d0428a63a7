package embrick.core.grown;

/** How much two patches differ. */
final class PatchCost {
    private PatchCost() {}

    /**
     * The sum of squares by which two patches differ after the allowed shift.
     *
     * @param target index of one patch's middle in the level
     * @param source of the other's, which is shifted
     * @param least from here on the answer need not be exact, only not less than this
     */
    static float of(Level level, int target, int source, float least) {
        int channels = level.channels;
        float gain = 0;
        for (int c = 0; c < channels; c++) {
            gain += Shift.gain(level.means[target * channels + c] - level.means[source * channels + c]);
        }
        gain *= Level.PATCH_PIXELS;
        float most = least + gain;
        short[] samples = level.samples;
        int row = level.width * channels;
        int length = Level.PATCH * channels;
        int a = (target - Level.REACH * level.width - Level.REACH) * channels;
        int b = (source - Level.REACH * level.width - Level.REACH) * channels;
        float sum = 0;
        for (int j = 0; j < Level.PATCH && sum < most; j++, a += row, b += row) {
            int squares = 0;
            for (int i = 0; i < length; i++) {
                int d = samples[a + i] - samples[b + i];
                squares += d * d;
            }
            sum += squares;
        }
        return sum - gain;
    }
}
