package embrick.core.sharpen;

import embrick.core.colour.Encoding;
import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.List;

/**
 * Unsharp masking of luminance, as {@link SharpeningSettings} defines it, on the pixels of another source.
 *
 * <p>The same amount is added to all channels, so hues stay. A narrow radius draws edges up for the paper; a wide one with
 * a small amount raises contrast round lines and forms. Results are clipped to 0..1 once. Rows that the next strip needs
 * again are kept; any region has the same samples that the whole has there.
 */
public final class UnsharpMask implements PixelSource {
    private final Lanes lanes = Lanes.best();
    private final SharpeningSettings settings;
    private final int channels;
    private final Encoding encoding;
    private final PixelSource source;
    private final Blur blur;
    private final HaloMeter meter;

    private int spanX = -1;
    private int spanColumns;
    private int firstKept;
    private int slots;
    private float[] kept = new float[0];
    private float[] luminances = new float[0];
    private float[] blurred = new float[0];
    private float[] before = new float[0];
    private float[] after = new float[0];

    /**
     * @param channels 1 or 3, without alpha
     * @param encoding says how much each channel counts in luminance
     */
    public UnsharpMask(
            SharpeningSettings settings, PixelSize size, int channels, Encoding encoding, PixelSource source) {
        if (channels != 1 && channels != 3) {
            throw new IllegalArgumentException("channels: expected 1 or 3, got " + channels);
        }
        this.settings = settings;
        this.channels = channels;
        this.encoding = encoding;
        this.source = source;
        this.blur = new Blur(settings.sigmaPixels(), size.width(), size.height());
        this.meter = new HaloMeter(size.height());
    }

    /** What was measured of all that has been rendered so far. */
    public Halo halo() {
        return halo(List.of(this));
    }

    /** What was measured of a picture by several that have rendered parts of it, one under the other. */
    public static Halo halo(List<UnsharpMask> ofOnePicture) {
        return HaloMeter.halo(
                ofOnePicture.stream().map(sharpening -> sharpening.meter).toList());
    }

    /** Rows above and below a part that its blur needs. */
    public int rowsMadeAnew() {
        return blur.rowsFor(0);
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        hold(region);
        int row = region.width() * channels;
        for (int y = region.y(); y < region.bottom(); y++) {
            sharpenRow(y, region, into, at + (y - region.y()) * row);
        }
    }

    /** Sees to it that all rows the region depends on are kept and fed to the blur. */
    private void hold(PixelRect region) {
        int x = blur.firstColumn(region.x());
        int columns = blur.endColumn(region.right() - 1) - x;
        int first = blur.firstRow(region.y());
        int end = blur.endRow(region.bottom() - 1);
        boolean follows = x == spanX
                && columns == spanColumns
                && first >= firstKept
                && first <= blur.nextRow()
                && end >= blur.nextRow()
                && end - first <= slots;
        if (!follows) {
            begin(x, columns, first, region.height());
        }
        firstKept = first;
        while (blur.nextRow() < end) {
            readRows(end);
        }
    }

    private void begin(int x, int columns, int first, int together) {
        spanX = x;
        spanColumns = columns;
        slots = blur.rowsFor(together);
        int length = Math.multiplyExact(Math.multiplyExact(slots, columns), channels);
        if (kept.length < length) {
            kept = new float[length];
        }
        luminances = new float[columns + Lanes.SLACK];
        before = new float[columns];
        after = new float[columns];
        blurred = new float[columns];
        blur.from(x, columns, first, together);
    }

    /** Reads rows up to the end or the last slot, whichever comes first. */
    private void readRows(int end) {
        int y = blur.nextRow();
        int slot = y % slots;
        int rows = Math.min(end - y, slots - slot);
        int rowLength = spanColumns * channels;
        source.render(new PixelRect(spanX, y, spanColumns, rows), kept, slot * rowLength);
        for (int i = 0; i < rows; i++) {
            luminance((slot + i) * rowLength, spanColumns, luminances);
            blur.feed(luminances, 0);
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
        blur.row(y, region.x(), count, blurred);
        float amount = (float) settings.amount();
        float threshold = (float) settings.threshold();
        for (int i = 0; i < count; i++) {
            float difference = before[i] - blurred[i];
            float spared = Math.max(difference - threshold, 0f) + Math.min(difference + threshold, 0f);
            blurred[i] = amount * spared;
        }
        for (int i = 0; i < count; i++) {
            after[i] = Math.min(Math.max(before[i] + blurred[i], 0f), 1f);
        }
        if (channels == 3) {
            lanes.addToPixels(kept, from, blurred, into, at, count);
        } else {
            System.arraycopy(after, 0, into, at, count);
        }
        meter.row(y, region.x(), count, before, after);
    }
}
