package embrick.core.sharpen;

import embrick.core.colour.Encoding;
import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.List;

/**
 * The pixels of another source, sharpened: what a {@link LuminanceFilter} finds is added to all channels alike, so hues stay.
 *
 * <p>Results are clipped to 0..1 once. Rows that the next strip needs again are kept; any region has the same samples that
 * the whole has there. Overshoot is measured on the way.
 */
public final class Sharpened implements PixelSource {
    private final Lanes lanes = Lanes.best();
    private final int channels;
    private final Encoding encoding;
    private final PixelSource source;
    private final LuminanceFilter filter;
    private final HaloMeter meter;

    private int spanX = -1;
    private int spanColumns;
    private int firstKept;
    private int slots;
    private float[] kept = new float[0];
    private float[] luminances = new float[0];
    private float[] added = new float[0];
    private float[] before = new float[0];
    private float[] after = new float[0];

    /**
     * @param channels 1 or 3, without alpha
     * @param encoding says how much each channel counts in luminance
     */
    public Sharpened(SharpeningSettings settings, PixelSize size, int channels, Encoding encoding, PixelSource source) {
        if (channels != 1 && channels != 3) {
            throw new IllegalArgumentException("channels: expected 1 or 3, got " + channels);
        }
        this.channels = channels;
        this.encoding = encoding;
        this.source = source;
        this.filter = switch (settings) {
            case UnsharpMasking masking -> new UnsharpMask(masking, size.width(), size.height());
            case Deconvolution undoing -> new RichardsonLucy(undoing, size.width(), size.height());
        };
        this.meter = new HaloMeter(size.height());
    }

    /** What was measured of all that has been rendered so far. */
    public Halo halo() {
        return halo(List.of(this));
    }

    /** What was measured of a picture by several that have rendered parts of it, one under the other. */
    public static Halo halo(List<Sharpened> ofOnePicture) {
        return HaloMeter.halo(
                ofOnePicture.stream().map(sharpening -> sharpening.meter).toList());
    }

    /** Rows above and below a part that it depends on. */
    public int rowsMadeAnew() {
        return filter.rowsFor(0);
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        hold(region);
        int row = region.width() * channels;
        for (int y = region.y(); y < region.bottom(); y++) {
            sharpenRow(y, region, into, at + (y - region.y()) * row);
        }
    }

    /** Sees to it that all rows the region depends on are kept and fed to the filter. */
    private void hold(PixelRect region) {
        int x = filter.firstColumn(region.x());
        int columns = filter.endColumn(region.right() - 1) - x;
        int first = filter.firstRow(region.y());
        int end = filter.endRow(region.bottom() - 1);
        boolean follows = x == spanX
                && columns == spanColumns
                && first >= firstKept
                && first <= filter.nextRow()
                && end >= filter.nextRow()
                && end - first <= slots;
        if (!follows) {
            begin(x, columns, first, region.height());
        }
        firstKept = first;
        while (filter.nextRow() < end) {
            readRows(end);
        }
    }

    private void begin(int x, int columns, int first, int together) {
        spanX = x;
        spanColumns = columns;
        slots = filter.rowsFor(together);
        int length = Math.multiplyExact(Math.multiplyExact(slots, columns), channels);
        if (kept.length < length) {
            kept = new float[length];
        }
        luminances = new float[columns + Lanes.SLACK];
        before = new float[columns];
        after = new float[columns];
        added = new float[columns];
        filter.from(x, columns, first, together);
    }

    /** Reads rows up to the end or the last slot, whichever comes first. */
    private void readRows(int end) {
        int y = filter.nextRow();
        int slot = y % slots;
        int rows = Math.min(end - y, slots - slot);
        int rowLength = spanColumns * channels;
        source.render(new PixelRect(spanX, y, spanColumns, rows), kept, slot * rowLength);
        for (int i = 0; i < rows; i++) {
            luminance((slot + i) * rowLength, spanColumns, luminances);
            filter.feed(luminances, 0);
        }
    }

    private void luminance(int from, int count, float[] out) {
        if (channels == 1) {
            System.arraycopy(kept, from, out, 0, count);
            return;
        }
        lanes.luminances(kept, from, encoding.redLight(), encoding.greenLight(), encoding.blueLight(), out, 0, count);
    }

    private void sharpenRow(int y, PixelRect region, float[] into, int at) {
        int count = region.width();
        int from = (y % slots * spanColumns + region.x() - spanX) * channels;
        luminance(from, count, before);
        filter.row(y, region.x(), count, before, added);
        for (int i = 0; i < count; i++) {
            after[i] = Math.min(Math.max(before[i] + added[i], 0f), 1f);
        }
        if (channels == 3) {
            lanes.addToPixels(kept, from, added, into, at, count);
        } else {
            System.arraycopy(after, 0, into, at, count);
        }
        meter.row(y, region.x(), count, before, after);
    }
}
