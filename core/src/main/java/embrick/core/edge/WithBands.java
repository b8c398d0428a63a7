package embrick.core.edge;

import embrick.core.edge.Fold.Kind;
import embrick.core.edge.Fold.Span;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Finished pixels with bands round them.
 *
 * <p>A folded band reads the inside's own pixels again (see {@link Fold}); its corners are folded along both axes. A plain
 * band is one colour. Any region has the same samples that the total has there.
 */
public final class WithBands implements PixelSource {
    private final PixelSource inside;
    private final PixelSize size;
    private final Bands bands;
    private final int channels;
    private final Optional<Kind> fold;
    private final Supplier<float[]> colour;
    private final KeptRows kept;
    private float[] plain = new float[0];
    private float[] part = new float[0];

    private WithBands(Inside inside, Bands bands, Optional<Kind> fold, Supplier<float[]> colour) {
        this.inside = inside.pixels();
        this.size = inside.size();
        this.channels = inside.channels();
        this.bands = bands;
        this.fold = fold;
        this.colour = colour;
        this.kept = new KeptRows(
                inside.pixels(), size, channels, rowsReadAgain(bands.top()), rowsReadAgain(bands.bottom()));
    }

    private int rowsReadAgain(int band) {
        return fold.map(kind -> switch (kind) {
                    case MIRROR -> band;
                    case DRAWN_OUT -> Math.min(1, band);
                })
                .orElse(0);
    }

    /** What the bands go round. */
    public record Inside(PixelSource pixels, PixelSize size, int channels) {}

    /** Bands of the inside's own pixels, from the rim inwards and back again past the far one. */
    public static WithBands mirrored(Inside inside, Bands bands) {
        return new WithBands(inside, bands, Optional.of(Kind.MIRROR), () -> new float[0]);
    }

    /** Bands of the rim's pixels. */
    public static WithBands drawnOut(Inside inside, Bands bands) {
        return new WithBands(inside, bands, Optional.of(Kind.DRAWN_OUT), () -> new float[0]);
    }

    /** @param colour of the output's encoding; asked for once, when the first band is rendered */
    public static WithBands plain(Inside inside, Bands bands, Supplier<float[]> colour) {
        return new WithBands(inside, bands, Optional.empty(), colour);
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        PixelRect wanted =
                new PixelRect(region.x() - bands.left(), region.y() - bands.top(), region.width(), region.height());
        boolean isWhole = wanted.x() <= 0 && wanted.right() >= size.width();
        if (isWhole) {
            renderRows(wanted, into, at);
        } else if (wanted.isInside(size)) {
            inside.render(wanted, into, at);
        } else if (fold.isPresent()) {
            foldPart(wanted, fold.get(), into, at);
        } else {
            plainPart(wanted, into, at);
        }
    }

    private void renderRows(PixelRect wanted, float[] into, int at) {
        if (fold.isPresent()) {
            foldRows(wanted, fold.get(), into, at);
        } else {
            plainRows(wanted, into, at);
        }
    }

    /** Rows that hold the inside's whole width, as files are written: each goes to its place and is folded there. */
    private void foldRows(PixelRect wanted, Kind kind, float[] into, int at) {
        Fold down = new Fold(kind, size.height());
        int[] left = folded(new Fold(kind, size.width()), wanted.x(), 0, 0);
        int[] right = folded(new Fold(kind, size.width()), size.width(), wanted.right(), 0);
        for (int y = wanted.y(); y < wanted.bottom(); y++) {
            int start = at + (y - wanted.y()) * wanted.width() * channels;
            int first = start - wanted.x() * channels;
            kept.row(down.at(y), into, first);
            copyPixels(into, first, left, into, start);
            copyPixels(into, first, right, into, first + size.width() * channels);
        }
    }

    /** Any other part: what of the inside it needs is rendered beside it and read from there. */
    private void foldPart(PixelRect wanted, Kind kind, float[] into, int at) {
        Fold across = new Fold(kind, size.width());
        Fold down = new Fold(kind, size.height());
        Span columns = across.needed(wanted.x(), wanted.right());
        Span rows = down.needed(wanted.y(), wanted.bottom());
        float[] samples = partOf(columns.length(), rows.length());
        inside.render(new PixelRect(columns.from(), rows.from(), columns.length(), rows.length()), samples, 0);
        int[] pixels = folded(across, wanted.x(), wanted.right(), columns.from());
        for (int y = wanted.y(); y < wanted.bottom(); y++) {
            int first = (down.at(y) - rows.from()) * columns.length() * channels;
            copyPixels(samples, first, pixels, into, at + (y - wanted.y()) * wanted.width() * channels);
        }
    }

    /** Where in a row the pixels of some positions begin, counted from a first column. */
    private int[] folded(Fold across, int from, int end, int column) {
        int[] pixels = new int[Math.max(0, end - from)];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (across.at(from + i) - column) * channels;
        }
        return pixels;
    }

    private void copyPixels(float[] samples, int first, int[] pixels, float[] into, int at) {
        int to = at;
        if (channels == 3) {
            for (int pixel : pixels) {
                into[to] = samples[first + pixel];
                into[to + 1] = samples[first + pixel + 1];
                into[to + 2] = samples[first + pixel + 2];
                to += 3;
            }
            return;
        }
        for (int pixel : pixels) {
            for (int c = 0; c < channels; c++) {
                into[to++] = samples[first + pixel + c];
            }
        }
    }

    private float[] partOf(int width, int height) {
        int needed = Math.multiplyExact(Math.multiplyExact(width, height), channels);
        if (part.length < needed) {
            part = new float[needed];
        }
        return part;
    }

    private void plainRows(PixelRect wanted, float[] into, int at) {
        float[] band = plainRow(wanted.width());
        int row = wanted.width() * channels;
        int from = -wanted.x() * channels;
        int end = from + size.width() * channels;
        for (int y = wanted.y(); y < wanted.bottom(); y++) {
            int start = at + (y - wanted.y()) * row;
            if (y < 0 || y >= size.height()) {
                System.arraycopy(band, 0, into, start, row);
            } else {
                System.arraycopy(band, 0, into, start, from);
                kept.row(y, into, start + from);
                System.arraycopy(band, 0, into, start + end, row - end);
            }
        }
    }

    private void plainPart(PixelRect wanted, float[] into, int at) {
        int row = wanted.width() * channels;
        float[] band = plainRow(wanted.width());
        for (int y = 0; y < wanted.height(); y++) {
            System.arraycopy(band, 0, into, at + y * row, row);
        }
        int left = Math.max(wanted.x(), 0);
        int top = Math.max(wanted.y(), 0);
        int width = Math.min(wanted.right(), size.width()) - left;
        int height = Math.min(wanted.bottom(), size.height()) - top;
        if (width < 1 || height < 1) {
            return;
        }
        float[] samples = partOf(width, height);
        inside.render(new PixelRect(left, top, width, height), samples, 0);
        for (int y = 0; y < height; y++) {
            int to = at + (top - wanted.y() + y) * row + (left - wanted.x()) * channels;
            System.arraycopy(samples, y * width * channels, into, to, width * channels);
        }
    }

    private float[] plainRow(int width) {
        if (plain.length < width * channels) {
            float[] one = plain.length == 0 ? colour.get() : Arrays.copyOf(plain, channels);
            plain = new float[width * channels];
            for (int i = 0; i < plain.length; i++) {
                plain[i] = one[i % channels];
            }
        }
        return plain;
    }
}
