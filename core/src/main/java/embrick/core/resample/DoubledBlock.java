package embrick.core.resample;

import embrick.core.colour.Encoding;
import embrick.core.lanes.Lanes;
import embrick.core.learned.DetailTile;
import embrick.core.learned.LearnedFilters;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.units.PixelSize;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A picture at twice its size: by a Lanczos 3 kernel, and to its luminance is added what learned filters find.
 *
 * <p>Most of what is found is added, to all colours alike, so hues stay, and the luminance is held to the range of the nine pixels
 * round it, widened by {@link #BEYOND} of it: nothing is drawn that its neighbours do not hold. Even parts stay as they are,
 * but where filters soften: what JPEG left shows there most; colours are softened with them, by {@link GuidedColours}.
 *
 * <p>Where ringing is limited the share is none, and each colour is held to its own nine.
 *
 * <p>Made in tiles when they are first read; those that were read last are kept. A pixel is the same whichever tile it is of.
 */
final class DoubledBlock extends SeenBlock {
    /** What is read of the doubled picture. */
    enum Shows {
        PICTURE,
        /** How much was added to the luminance, either way, in every channel instead of the picture. */
        ADDED,
        /** How much more was found than neighbours let stand, likewise. */
        HELD_BACK
    }

    /** The share of their range by which neighbours may be left: a line between two pixels is brighter than both. */
    static final float BEYOND = 0.18f;

    /**
     * How much of what was found is added. How crisp an edge was before somebody halved it cannot be seen; what was found is right on
     * average, and a little less of it is nearly as right there, and half as wrong where the edge was soft.
     */
    private static final float ADDED = 0.85f;

    /** Neighbours that range over less are even, and stay as Lanczos 3 makes them; from {@link #SHOWN} on all of it is added. */
    private static final float EVEN = 2f / 255;

    private static final float SHOWN = 5f / 255;

    /** Columns of a tile such that what the filters make of it fills registers, and its rows lie well in a cache. */
    private static final int COLUMNS = 180;

    /** Rows of the picture below to a tile. */
    static final int ROWS = 48;

    private static final int TAPS = Doubling.TAPS;

    private final Lanes lanes = Lanes.best();
    private final SeenBlock below;
    private final PixelSize doubled;
    private final Luminance luminance;
    private final boolean isLimited;
    private final Shows shows;
    private final boolean changesEvenParts;
    private final DetailTile detail;
    private final int reach;
    private final int tilesAcross;
    private final Map<Integer, float[]> tiles;

    private final Optional<GuidedColours> colours;
    private final float[] area;
    /** The area before its colours were softened: what limited ringing is held to. */
    private final float[] asItWas;

    private final int areaColumns;
    private final int areaRows;
    private final float[] mixed;
    private final float[] across;
    private final int[] acrossStarts;
    private final float[] down;
    private final float[] light;
    private final float[] least;
    private final float[] most;
    private final float[] share;

    /** @param isReadAslant whether rows are read that lie aslant */
    DoubledBlock(
            SeenBlock below,
            LearnedFilters filters,
            Luminance luminance,
            Ringing ringing,
            Shows shows,
            boolean isReadAslant) {
        super(below);
        this.below = below;
        this.luminance = luminance;
        this.isLimited = ringing == Ringing.LIMITED;
        this.shows = shows;
        this.changesEvenParts = filters.softens();
        this.doubled = new PixelSize(
                Math.multiplyExact(2, below.seen().width()),
                Math.multiplyExact(2, below.seen().height()));
        this.detail = new DetailTile(filters, COLUMNS, ROWS);
        boolean softensColours = filters.softens() && luminance.colours(below.channels()) == 3;
        this.reach = Math.max(Doubling.REACH + (softensColours ? GuidedColours.REACH : 0), detail.radius());
        this.tilesAcross = Math.ceilDiv(below.seen().width(), COLUMNS);
        // A row passes as many tiles as the picture has across, and down if it lies aslant; it may lie between two.
        int passed = tilesAcross + (isReadAslant ? Math.ceilDiv(below.seen().height(), ROWS) : 0);
        int kept = 2 * passed + 4;
        this.tiles = new LinkedHashMap<>(kept, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Integer, float[]> eldest) {
                return size() > kept;
            }
        };
        this.areaColumns = COLUMNS + 2 * reach;
        this.areaRows = ROWS + 2 * reach;
        int channels = below.channels();
        this.area = new float[areaColumns * areaRows * channels + Lanes.SLACK];
        this.asItWas = isLimited && softensColours ? area.clone() : area;
        this.colours =
                softensColours ? Optional.of(new GuidedColours(areaColumns, areaRows, luminance)) : Optional.empty();
        this.mixed = new float[areaColumns * channels + Lanes.SLACK];
        this.light = new float[areaColumns * areaRows];
        this.least = new float[COLUMNS * ROWS];
        this.most = new float[COLUMNS * ROWS];
        this.share = new float[COLUMNS * ROWS];
        int padded = Lanes.padded(TAPS);
        this.down = new float[2 * TAPS];
        this.across = new float[2 * COLUMNS * padded * 4];
        this.acrossStarts = new int[2 * COLUMNS];
        for (int phase = 0; phase < 2; phase++) {
            float[] weights = Doubling.weights(phase);
            System.arraycopy(weights, 0, down, phase * TAPS, TAPS);
            for (int x = phase; x < 2 * COLUMNS; x += 2) {
                acrossStarts[x] = (x / 2 + reach + Doubling.firstTap(phase)) * channels;
                for (int t = 0; t < TAPS; t++) {
                    Arrays.fill(across, (x * padded + t) * 4, (x * padded + t) * 4 + 4, weights[t]);
                }
            }
        }
    }

    @Override
    PixelSize seen() {
        return doubled;
    }

    /** The same window on the doubled picture. */
    static Window seenBy(Window window) {
        return new Window(
                window.seenAs(),
                window.output(),
                window.centreX() * 2,
                window.centreY() * 2,
                window.scale() * 2,
                window.tiltDegrees());
    }

    @Override
    void read(int x, int y, int count, int rows, float[] into, int at) {
        int channels = channels();
        for (int row = y; row < y + rows; row++) {
            int tileRow = row / (2 * ROWS);
            int to = at + (row - y) * count * channels;
            for (int column = x; column < x + count; ) {
                int tileColumn = column / (2 * COLUMNS);
                int end = Math.min(x + count, (tileColumn + 1) * 2 * COLUMNS);
                float[] tile = tile(tileColumn, tileRow);
                int from = ((row - tileRow * 2 * ROWS) * 2 * COLUMNS + column - tileColumn * 2 * COLUMNS) * channels;
                System.arraycopy(tile, from, into, to, (end - column) * channels);
                to += (end - column) * channels;
                column = end;
            }
        }
    }

    private float[] tile(int column, int row) {
        return tiles.computeIfAbsent(row * tilesAcross + column, _ -> made(column, row));
    }

    private float[] made(int column, int row) {
        readArea(column * COLUMNS - reach, row * ROWS - reach);
        measure();
        if (asItWas != area) {
            System.arraycopy(area, 0, asItWas, 0, area.length);
        }
        colours.ifPresent(guided -> guided.soften(area, channels(), light));
        float[] detailed = detail();
        int channels = channels();
        int length = 2 * COLUMNS * channels;
        float[] tile = new float[2 * ROWS * length];
        int[] starts = new int[TAPS];
        for (int y = 0; y < 2 * ROWS; y++) {
            int phase = y & 1;
            for (int t = 0; t < TAPS; t++) {
                starts[t] = (y / 2 + reach + Doubling.firstTap(phase) + t) * areaColumns * channels;
            }
            lanes.mixRows(area, starts, down, phase * TAPS, TAPS, mixed, 0, areaColumns * channels);
            lanes.mixPixels(mixed, acrossStarts, across, Lanes.padded(TAPS), channels, tile, y * length, 2 * COLUMNS);
            add(detailed, y, tile, y * length);
            if (isLimited && shows == Shows.PICTURE) {
                limit(y, tile, y * length);
            }
        }
        return tile;
    }

    /** Beyond the picture its rim goes on. */
    private void readArea(int x, int y) {
        PixelSize size = below.seen();
        int channels = channels();
        int first = Math.clamp(x, 0, size.width() - 1);
        int end = Math.clamp(x + areaColumns, 1, size.width());
        int inside = Math.max(1, end - first);
        int before = Math.clamp(first - x, 0, areaColumns - 1);
        int read = Integer.MIN_VALUE;
        for (int i = 0; i < areaRows; i++) {
            int row = Math.clamp(y + i, 0, size.height() - 1);
            int at = i * areaColumns * channels;
            if (row == read) {
                System.arraycopy(area, at - areaColumns * channels, area, at, areaColumns * channels);
                continue;
            }
            read = row;
            below.read(first, row, inside, 1, area, at + before * channels);
            for (int column = 0; column < before; column++) {
                System.arraycopy(area, at + before * channels, area, at + column * channels, channels);
            }
            int last = before + inside - 1;
            for (int column = last + 1; column < areaColumns; column++) {
                System.arraycopy(area, at + last * channels, area, at + column * channels, channels);
            }
        }
    }

    /** The luminance of the area, and the least and most of it round each pixel of the tile. */
    private void measure() {
        luminance.of(area, channels(), light, areaColumns * areaRows);
        for (int y = 0; y < ROWS; y++) {
            int from = (y + reach) * areaColumns + reach;
            int to = y * COLUMNS;
            for (int x = 0; x < COLUMNS; x++) {
                int at = from + x;
                least[to + x] = Math.min(Math.min(least(at - areaColumns), least(at + areaColumns)), least(at));
                most[to + x] = Math.max(Math.max(most(at - areaColumns), most(at + areaColumns)), most(at));
            }
            for (int x = 0; x < COLUMNS; x++) {
                float range = most[to + x] - least[to + x];
                float uneven = changesEvenParts ? 1 : Math.clamp((range - EVEN) / (SHOWN - EVEN), 0, 1);
                share[to + x] = ADDED * uneven;
                float beyond = isLimited ? 0 : range * BEYOND;
                least[to + x] -= beyond;
                most[to + x] += beyond;
            }
        }
    }

    private float least(int at) {
        return Math.min(Math.min(light[at - 1], light[at + 1]), light[at]);
    }

    private float most(int at) {
        return Math.max(Math.max(light[at - 1], light[at + 1]), light[at]);
    }

    private float[] detail() {
        float[] put = detail.luminance();
        int radius = detail.radius();
        int skipped = reach - radius;
        for (int y = 0; y < ROWS + 2 * radius; y++) {
            int from = (y + skipped) * areaColumns + skipped;
            int to = y * detail.apart();
            for (int x = 0; x < COLUMNS + 2 * radius; x++) {
                put[to + x] = light[from + x] - DetailTile.MIDDLE;
            }
        }
        return detail.find();
    }

    /** Adds what was found to a row of the tile, as far as its luminance may go. */
    private void add(float[] found, int y, float[] tile, int at) {
        int left = detail.at(2 * (y & 1), y / 2);
        int right = detail.at(2 * (y & 1) + 1, y / 2);
        int channels = channels();
        int colours = luminance.colours(channels);
        for (int x = 0; x < 2 * COLUMNS; x++) {
            int pixel = at + x * channels;
            int from = y / 2 * COLUMNS + x / 2;
            float plain = luminance.of(tile, pixel);
            float more = found[((x & 1) == 0 ? left : right) + x / 2] * share[from];
            float added = Math.clamp(plain + more, least[from], most[from]) - plain;
            switch (shows) {
                case PICTURE -> {
                    for (int c = 0; c < colours; c++) {
                        tile[pixel + c] += added;
                    }
                }
                case ADDED -> Arrays.fill(tile, pixel, pixel + channels, Math.abs(added));
                case HELD_BACK -> Arrays.fill(tile, pixel, pixel + channels, Math.abs(more - added));
            }
        }
    }

    /** Holds each channel of a row of the tile to the least and most of the nine pixels round it. */
    private void limit(int y, float[] tile, int at) {
        int channels = channels();
        int down = areaColumns * channels;
        int middle = ((y / 2 + reach) * areaColumns + reach) * channels;
        for (int i = 0; i < COLUMNS * channels; i++) {
            float low = Float.MAX_VALUE;
            float high = -Float.MAX_VALUE;
            for (int from = middle + i - down; from <= middle + i + down; from += down) {
                low = Math.min(
                        low, Math.min(Math.min(asItWas[from - channels], asItWas[from + channels]), asItWas[from]));
                high = Math.max(
                        high, Math.max(Math.max(asItWas[from - channels], asItWas[from + channels]), asItWas[from]));
            }
            int left = at + i / channels * 2 * channels + i % channels;
            tile[left] = Math.clamp(tile[left], low, high);
            tile[left + channels] = Math.clamp(tile[left + channels], low, high);
        }
    }

    /** Whose luminance: how much each colour counts. */
    record Luminance(float red, float green, float blue, boolean isGrey) {
        static Luminance of(Encoding encoding, int colours) {
            return new Luminance(encoding.redLight(), encoding.greenLight(), encoding.blueLight(), colours == 1);
        }

        int colours(int channels) {
            return isGrey ? 1 : Math.min(3, channels);
        }

        float of(float[] pixels, int at) {
            return isGrey ? pixels[at] : red * pixels[at] + green * pixels[at + 1] + blue * pixels[at + 2];
        }

        void of(float[] pixels, int channels, float[] into, int count) {
            for (int i = 0; i < count; i++) {
                into[i] = of(pixels, i * channels);
            }
        }
    }
}
