package embrick.formats.tiff;

/**
 * Horizontal differencing (TIFF 6.0, section 14): each sample less the one of the same channel to its left, in whole rows of 8
 * or 16-bit little-endian samples.
 */
final class Predictor {
    private Predictor() {}

    /** @param rowLength samples of a row */
    static void predict(byte[] samples, int rowLength, int channels, int bits) {
        if (bits == 8) {
            for (int row = 0; row < samples.length; row += rowLength) {
                for (int i = rowLength - 1; i >= channels; i--) {
                    samples[row + i] -= samples[row + i - channels];
                }
            }
            return;
        }
        for (int row = 0; row < samples.length; row += 2 * rowLength) {
            for (int i = rowLength - 1; i >= channels; i--) {
                int at = row + 2 * i;
                put(samples, at, get(samples, at) - get(samples, at - 2 * channels));
            }
        }
    }

    /** The samples that were predicted. */
    static void undo(byte[] samples, int rowLength, int channels, int bits) {
        if (bits == 8) {
            for (int row = 0; row < samples.length; row += rowLength) {
                for (int i = channels; i < rowLength; i++) {
                    samples[row + i] += samples[row + i - channels];
                }
            }
            return;
        }
        for (int row = 0; row < samples.length; row += 2 * rowLength) {
            for (int i = channels; i < rowLength; i++) {
                int at = row + 2 * i;
                put(samples, at, get(samples, at) + get(samples, at - 2 * channels));
            }
        }
    }

    private static int get(byte[] samples, int at) {
        return samples[at] & 0xff | (samples[at + 1] & 0xff) << 8;
    }

    private static void put(byte[] samples, int at, int value) {
        samples[at] = (byte) value;
        samples[at + 1] = (byte) (value >> 8);
    }
}
