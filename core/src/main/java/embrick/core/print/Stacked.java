package embrick.core.print;

import embrick.core.pixels.Strip;
import embrick.core.units.PixelSize;
import java.util.List;
import java.util.stream.IntStream;

/** Rows of parts that lie one under the other, all made beforehand, side by side on the processor's cores. */
public final class Stacked implements PixelRows {
    private static final int TOGETHER = 32;

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
        int[] firstRows = new int[parts.size()];
        for (int i = 1; i < firstRows.length; i++) {
            firstRows[i] = firstRows[i - 1] + parts.get(i - 1).size().height();
        }
        IntStream.range(0, parts.size()).parallel().forEach(i -> make(parts.get(i), firstRows[i]));
    }

    /** A few rows at a time, so that what is between the stages stays in the cache. */
    private void make(PixelRows part, int firstRow) {
        int row = size.width() * channels;
        int height = part.size().height();
        for (int y = 0; y < height; y += TOGETHER) {
            int rows = Math.min(TOGETHER, height - y);
            System.arraycopy(part.rows(y, rows).samples(), 0, samples, (firstRow + y) * row, rows * row);
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
