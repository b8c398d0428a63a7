package embrick.core.edge;

import embrick.core.edge.Fold.Kind;
import embrick.core.edge.Fold.Span;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Finished pixels with bands round them.
 *
 * <p>A folded band reads the inside's own pixels again (see {@link Fold}); its corners are folded along both axes. A plain
 * band is one colour. Any region has the same samples that the total has there.
 */
public final class Extended implements PixelSource {
    private final PixelSource inside;
    private final PixelSize size;
    private final Bands bands;
    private final int channels;
    private final Optional<Kind> fold;
    private final Supplier<float[]> colour;
    private final KeptRows kept;
    private float[] plain;
    private float[] part = new float[0];

    private Extended(Inside inside, Bands bands, Optional<Kind> fold, Supplier<float[]> colour) {
        this.inside = inside.pixels();
        this.size = inside.size();
        this.channels = inside.channels();
        this.bands = bands;
        this.fold = fold;
        this.colour = colour;
        this.kept = new KeptRows(inside.pixels(), size, channels, bands.top(), bands.foot());
    }

    /** What the bands go round. */
    public record Inside(PixelSource pixels, PixelSize size, int channels) {}

    /** Bands of the inside's own pixels, from the rim inwards and back again past the far one. */
    public static Extended mirrored(Inside inside, Bands bands) {
        return new Extended(inside, bands, Optional.of(Kind.MIRROR), () -> new float[0]);
    }

    /** Bands of the rim's pixels. */
    public static Extended drawnOut(Inside inside, Bands bands) {
        return new Extended(inside, bands, Optional.of(Kind.DRAWN_OUT), () -> new float[0]);
    }

    /** @param colour of the output's encoding; asked for once, when the first band is rendered */
    public static Extended plain(Inside inside, Bands bands, Supplier<float[]> colour) {
        return new Extended(inside, bands, Optional.empty(), colour);
    }

    /**
     * The mean of the outermost pixels of all four sides, each counted once, of the encoded numbers.
     * Source: Embrick's rule; it is what the eye takes the rim's tone to be, no claim to light.
     */
    public static float[] rimMean(Inside inside) {
        int width = inside.size().width();
        int height = inside.size().height();
        int channels = inside.channels();
        double[] sums = new double[channels];
        add(inside, new PixelRect(0, 0, width, 1), sums);
        if (height > 1) {
            add(inside, new PixelRect(0, height - 1, width, 1), sums);
        }
        if (height > 2) {
            add(inside, new PixelRect(0, 1, 1, height - 2), sums);
            if (width > 1) {
                add(inside, new PixelRect(width - 1, 1, 1, height - 2), sums);
            }
        }
        long all = (long) width * height;
        long within = (long) Math.max(0, width - 2) * Math.max(0, height - 2);
        float[] mean = new float[channels];
        for (int c = 0; c < channels; c++) {
            mean[c] = (float) (sums[c] / (all - within));
        }
        return mean;
    }

    private static void add(Inside inside, PixelRect line, double[] sums) {
        float[] samples = new float[Math.multiplyExact(line.width(), line.height()) * sums.length];
        inside.pixels().render(line, samples, 0);
        for (int i = 0; i < samples.length; i++) {
            sums[i % sums.length] += Math.clamp(samples[i], 0f, 1f);
        }
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int x = region.x() - bands.left();
        int y = region.y() - bands.top();
        PixelRect wanted = new PixelRect(x, y, region.width(), region.height());
        if (wanted.isInside(size) && region.width() < size.width()) {
            inside.render(wanted, into, at);
        } else if (fold.isPresent()) {
            renderFolded(wanted, fold.get(), into, at);
        } else {
            renderPlain(wanted, into, at);
        }
    }

    private void renderFolded(PixelRect wanted, Kind kind, float[] into, int at) {
        Fold across = new Fold(kind, size.width());
        Fold down = new Fold(kind, size.height());
        Span columns = across.needed(wanted.x(), wanted.right());
        kept.hold(columns, down.needed(wanted.y(), wanted.bottom()));
        // The columns that lie on the inside are copied whole, those beside it one by one.
        int from = Math.clamp(0, wanted.x(), wanted.right());
        int end = Math.clamp(size.width(), from, wanted.right());
        int row = wanted.width() * channels;
        for (int y = wanted.y(); y < wanted.bottom(); y++) {
            int wantedRow = down.at(y);
            float[] samples = kept.samples(wantedRow);
            int first = kept.offset(wantedRow) - columns.from() * channels;
            int start = at + (y - wanted.y()) * row;
            foldedPixels(across, wanted.x(), from, samples, first, into, start);
            if (from < end) {
                int whole = start + (from - wanted.x()) * channels;
                System.arraycopy(samples, first + from * channels, into, whole, (end - from) * channels);
            }
            foldedPixels(across, end, wanted.right(), samples, first, into, start + (end - wanted.x()) * channels);
        }
    }

    private void foldedPixels(Fold across, int from, int end, float[] samples, int first, float[] into, int at) {
        int to = at;
        for (int x = from; x < end; x++) {
            int pixel = first + across.at(x) * channels;
            for (int c = 0; c < channels; c++) {
                into[to++] = samples[pixel + c];
            }
        }
    }

    private void renderPlain(PixelRect wanted, float[] into, int at) {
        if (plain == null) {
            plain = colour.get();
        }
        for (int pixel = 0; pixel < wanted.width() * wanted.height(); pixel++) {
            System.arraycopy(plain, 0, into, at + pixel * channels, channels);
        }
        int left = Math.max(wanted.x(), 0);
        int top = Math.max(wanted.y(), 0);
        int width = Math.min(wanted.right(), size.width()) - left;
        int height = Math.min(wanted.bottom(), size.height()) - top;
        if (width < 1 || height < 1) {
            return;
        }
        int row = width * channels;
        int needed = Math.multiplyExact(row, height);
        if (part.length < needed) {
            part = new float[needed];
        }
        inside.render(new PixelRect(left, top, width, height), part, 0);
        for (int y = 0; y < height; y++) {
            int to = at + ((top - wanted.y() + y) * wanted.width() + left - wanted.x()) * channels;
            System.arraycopy(part, y * row, into, to, row);
        }
    }
}
