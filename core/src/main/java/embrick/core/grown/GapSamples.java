package embrick.core.grown;

import embrick.core.grown.BareArea.Gap;
import embrick.core.pixels.PixelRect;
import java.util.List;

/** The samples of an area's gaps, gap after gap, each row by row. */
public final class GapSamples implements GrownLayer {
    private static final float WHITE = 65_535;

    private final BareArea area;
    private final List<Gap> gaps;
    private final int channels;
    private final Samples samples;
    private final long[] starts;

    public GapSamples(BareArea area, int channels, Samples samples) {
        this.area = area;
        this.gaps = area.gaps();
        this.channels = channels;
        this.samples = samples;
        this.starts = new long[gaps.size()];
        long start = 0;
        for (int i = 0; i < starts.length; i++) {
            starts[i] = start;
            start += gaps.get(i).pixels() * channels;
        }
    }

    /** In memory. */
    public static GapSamples inMemory(BareArea area, int channels) {
        return new GapSamples(area, channels, Samples.inMemory(count(area, channels)));
    }

    /** How many samples an area's gaps have. */
    public static long count(BareArea area, int channels) {
        return area.gaps().stream().mapToLong(gap -> gap.pixels() * channels).sum();
    }

    /** Takes a row of one gap. */
    void write(int gap, int x, int y, short[] from, int first, int pixels) {
        samples.put(at(gap, x, y), from, first, pixels * channels);
    }

    private long at(int gap, int x, int y) {
        PixelRect place = gaps.get(gap).place();
        return starts[gap] + ((long) (y - place.y()) * place.width() + x - place.x()) * channels;
    }

    @Override
    public void read(PixelRect part, float[] into, int at) {
        short[] row = new short[part.width() * channels];
        for (int y = part.y(); y < part.bottom(); y++) {
            int to = at + (y - part.y()) * part.width() * channels;
            // The first gaps' pixels last, over those of others.
            for (int gap = gaps.size() - 1; gap >= 0; gap--) {
                PixelRect place = gaps.get(gap).place();
                int from = Math.max(part.x(), place.x());
                int end = Math.min(part.right(), place.right());
                if (y >= place.y() && y < place.bottom() && from < end) {
                    samples.get(at(gap, from, y), row, 0, (end - from) * channels);
                    copy(row, from, end, y, into, to - part.x() * channels);
                }
            }
        }
    }

    private void copy(short[] row, int from, int end, int y, float[] into, int origin) {
        for (int x = from; x < end; x++) {
            if (area.isBare(x, y)) {
                for (int c = 0; c < channels; c++) {
                    into[origin + x * channels + c] = (row[(x - from) * channels + c] & 0xFFFF) / WHITE;
                }
            }
        }
    }
}
