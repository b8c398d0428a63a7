package embrick.core.print;

import embrick.core.edge.CaptionRenderer.Coverage;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/**
 * How bright finished pixels are under a mark, so that it can be drawn light on dark and dark on light. Read on rows that are spread
 * over the mark's place, whatever strip is asked for: the same decision for every part of an output.
 */
final class MarkTone {
    private static final int ROWS = 12;
    private static final float MIDDLE = 0.5f;

    private MarkTone() {}

    /**
     * @param ground pixels of the output, its own origin at {@code origin} of the total
     * @return whether the mark is drawn dark
     */
    static boolean isDark(PixelSource ground, PixelRect groundOnTotal, int channels, Coverage mark) {
        PixelRect place = mark.place();
        int left = Math.max(place.x(), groundOnTotal.x());
        int right = Math.min(place.right(), groundOnTotal.right());
        int top = Math.max(place.y(), groundOnTotal.y());
        int bottom = Math.min(place.bottom(), groundOnTotal.bottom());
        if (left >= right || top >= bottom) {
            return false;
        }
        int width = right - left;
        int rows = Math.min(ROWS, bottom - top);
        float[] samples = new float[width * channels];
        double sum = 0;
        for (int i = 0; i < rows; i++) {
            int y = top + (int) ((i + 0.5) * (bottom - top) / rows);
            ground.render(new PixelRect(left - groundOnTotal.x(), y - groundOnTotal.y(), width, 1), samples, 0);
            for (int at = 0; at < samples.length; at += channels) {
                sum += brightness(samples, at, channels);
            }
        }
        return sum / ((double) rows * width) > MIDDLE;
    }

    /** Of encoded numbers: grey, RGB by the shares of ITU-R BT.709's primaries in light, CMYK by how little ink there is. */
    private static float brightness(float[] samples, int at, int channels) {
        return switch (channels) {
            case 1 -> samples[at];
            case 3 -> 0.2126f * samples[at] + 0.7152f * samples[at + 1] + 0.0722f * samples[at + 2];
            default -> (1 - samples[at + 3]) * (1 - (samples[at] + samples[at + 1] + samples[at + 2]) / 3);
        };
    }
}
