package embrick.core.print;

import embrick.core.edge.CaptionRenderer.Coverage;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import java.util.List;

/**
 * A mark's stamps, light on dark and dark on light. How bright pixels are under one is read when it is first met, on rows that are
 * spread over its place, whatever strip is asked for: the same decision for every part of an output, and no more read than a part
 * needs. Safe for several threads.
 */
final class MarkedStamps {
    private static final int ROWS = 6;
    private static final float MIDDLE = 0.5f;

    private final List<Coverage> drawn;
    private final PixelSource ground;
    private final PixelRect groundOnTotal;
    private final int channels;
    private final Boolean[] dark;

    /** @param ground what is under them, its own origin at that of {@code groundOnTotal}; used by nobody else */
    MarkedStamps(List<Coverage> drawn, PixelSource ground, PixelRect groundOnTotal, int channels) {
        this.drawn = drawn;
        this.ground = ground;
        this.groundOnTotal = groundOnTotal;
        this.channels = channels;
        this.dark = new Boolean[drawn.size()];
    }

    int count() {
        return drawn.size();
    }

    Coverage drawn(int stamp) {
        return drawn.get(stamp);
    }

    synchronized boolean isDark(int stamp) {
        if (dark[stamp] == null) {
            dark[stamp] = brightness(drawn.get(stamp).place()) > MIDDLE;
        }
        return dark[stamp];
    }

    /** 0 where nothing of the ground lies there. */
    private double brightness(PixelRect place) {
        int left = Math.max(place.x(), groundOnTotal.x());
        int right = Math.min(place.right(), groundOnTotal.right());
        int top = Math.max(place.y(), groundOnTotal.y());
        int bottom = Math.min(place.bottom(), groundOnTotal.bottom());
        if (left >= right || top >= bottom) {
            return 0;
        }
        int width = right - left;
        int rows = Math.min(ROWS, bottom - top);
        float[] samples = new float[width * channels];
        double sum = 0;
        for (int i = 0; i < rows; i++) {
            int y = top + (int) ((i + 0.5) * (bottom - top) / rows);
            ground.render(new PixelRect(left - groundOnTotal.x(), y - groundOnTotal.y(), width, 1), samples, 0);
            for (int at = 0; at < samples.length; at += channels) {
                sum += brightness(samples, at);
            }
        }
        return sum / ((double) rows * width);
    }

    /** Of encoded numbers: grey, RGB by the shares of ITU-R BT.709's primaries in light, CMYK by how little ink there is. */
    private float brightness(float[] samples, int at) {
        return switch (channels) {
            case 1 -> samples[at];
            case 3 -> 0.2126f * samples[at] + 0.7152f * samples[at + 1] + 0.0722f * samples[at + 2];
            default -> (1 - samples[at + 3]) * (1 - (samples[at] + samples[at + 1] + samples[at + 2]) / 3);
        };
    }
}
