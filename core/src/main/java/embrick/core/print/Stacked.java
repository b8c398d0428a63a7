package embrick.core.print;

import embrick.core.pixels.Strip;
import embrick.core.units.PixelSize;
import java.util.List;

/** Rows of parts that lie one under the other, all made beforehand, side by side on the processor's cores. */
public final class Stacked implements PixelRows {
    private final PixelSize size;
    private final int channels;
    private final int bits;
    private final float[] samples;

    /** @param parts of one width, one or more; each is one thread's while it is made */
    public Stacked(List<? extends PixelRows> parts) {
        PixelRows first = parts.getFirst();
        int width = first.size().width();
        int height = parts.stream().mapToInt(part -> part.size().height()).sum();
        this.size = new PixelSize(width, height);
        this.channels = first.channels();
        this.bits = first.bitsPerChannel();
        this.samples = new float[Math.multiplyExact(Math.multiplyExact(width, height), channels)];
        List<Strip> made = parts.parallelStream()
                .map(part -> part.rows(0, part.size().height()))
                .toList();
        int at = 0;
        for (Strip strip : made) {
            int count = strip.rows() * strip.rowLength();
            System.arraycopy(strip.samples(), 0, samples, at, count);
            at += count;
        }
    }

    @Override
    public PixelSize size() {
        return size;
    }

    @Override
    public int channels() {
        return channels;
    }

    @Override
    public int bitsPerChannel() {
        return bits;
    }

    @Override
    public Strip rows(int y, int rows) {
        int row = size.width() * channels;
        float[] wanted = new float[rows * row];
        System.arraycopy(samples, y * row, wanted, 0, wanted.length);
        return new Strip(y, rows, size.width(), channels, wanted);
    }
}
