package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import java.util.Arrays;

/** What was grown, on an area that is so many times smaller: means over what each of its pixels covers. */
public final class ReducedGrown implements GrownLayer {
    private final GrownLayer whole;
    private final BareArea wholeArea;
    private final BareArea area;
    private final int channels;

    /**
     * @param wholeArea that the layer is of
     * @param area the same, reduced
     */
    public ReducedGrown(GrownLayer whole, BareArea wholeArea, BareArea area, int channels) {
        this.whole = whole;
        this.wholeArea = wholeArea;
        this.area = area;
        this.channels = channels;
    }

    @Override
    public void read(PixelRect part, float[] into, int at) {
        PixelRect whole = PixelRect.whole(wholeArea.size());
        int left = column(part.x());
        int right = Math.max(left + 1, column(part.right()));
        for (int y = part.y(); y < part.bottom(); y++) {
            if (!hasBare(part, y)) {
                continue;
            }
            int top = Math.min(row(y), whole.height() - 1);
            int end = Math.max(top + 1, row(y + 1));
            // Rounding may make a pixel bare whose own place is not: it takes what lies round it.
            Rows rows = rows(left - around(), top - around(), right + around(), end + around());
            for (int x = part.x(); x < part.right(); x++) {
                if (area.isBare(x, y)) {
                    int from = Math.min(column(x), whole.width() - 1);
                    int until = Math.max(from + 1, column(x + 1));
                    int to = at + ((y - part.y()) * part.width() + x - part.x()) * channels;
                    if (!rows.mean(from, top, until, end, into, to)) {
                        rows.mean(from - around(), top - around(), until + around(), end + around(), into, to);
                    }
                }
            }
        }
    }

    private boolean hasBare(PixelRect part, int y) {
        for (int x = part.x(); x < part.right(); x++) {
            if (area.isBare(x, y)) {
                return true;
            }
        }
        return false;
    }

    private int around() {
        return 1
                + Math.max(
                        wholeArea.size().width() / area.size().width(),
                        wholeArea.size().height() / area.size().height());
    }

    private Rows rows(int left, int top, int right, int bottom) {
        int x = Math.max(0, left);
        int y = Math.max(0, top);
        PixelRect place = new PixelRect(
                x,
                y,
                Math.min(right, wholeArea.size().width()) - x,
                Math.min(bottom, wholeArea.size().height()) - y);
        float[] samples = new float[place.width() * place.height() * channels];
        Arrays.fill(samples, Float.NaN);
        whole.read(place, samples, 0);
        return new Rows(place, samples, channels);
    }

    /** @param samples that are no number where nothing is bare */
    private record Rows(PixelRect place, float[] samples, int channels) {
        boolean mean(int left, int top, int right, int bottom, float[] into, int to) {
            int count = 0;
            double[] sums = new double[channels];
            for (int y = Math.max(top, place.y()); y < Math.min(bottom, place.bottom()); y++) {
                for (int x = Math.max(left, place.x()); x < Math.min(right, place.right()); x++) {
                    int from = ((y - place.y()) * place.width() + x - place.x()) * channels;
                    if (!Float.isNaN(samples[from])) {
                        count++;
                        for (int c = 0; c < channels; c++) {
                            sums[c] += samples[from + c];
                        }
                    }
                }
            }
            for (int c = 0; c < channels && count > 0; c++) {
                into[to + c] = (float) (sums[c] / count);
            }
            return count > 0;
        }
    }

    private int column(int x) {
        return (int)
                Math.round((double) x * wholeArea.size().width() / area.size().width());
    }

    private int row(int y) {
        return (int)
                Math.round((double) y * wholeArea.size().height() / area.size().height());
    }
}
