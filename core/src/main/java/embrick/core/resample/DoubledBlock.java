package embrick.core.resample;

import embrick.core.colour.Encoding;
import embrick.core.lanes.BoundLanes.Room;
import embrick.core.lanes.Lanes;
import embrick.core.lanes.PlaneLanes;
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

    /** Columns of a tile, such that with what is read beside them rows fill whole registers. */
    private static final int COLUMNS = 178;

    /** Rows of the picture below to a tile. */
    static final int ROWS = 48;

    private static final int TAPS = Doubling.TAPS;

    private final Lanes lanes = Lanes.best();
    private final SeenBlock below;
    private final PixelSize doubled;
    private final Luminance luminance;
    private final boolean isLimited;
    private final Shows shows;
    private final DetailTile detail;
    private final int reach;
    private final int tilesAcross;
    private final Map<Integer, float[]> tiles;
    /** The memory of a tile that is no longer kept, for the next one. */
    private float[] spare = new float[0];

    private final Optional<GuidedColours> colours;
    private final float[] area;
    /** The area before its colours were softened: what limited ringing is held to. */
    private final float[] asItWas;

    private final int areaColumns;
    private final int areaRows;
    /** What a half pixel weighs of those round it, along a line, for each of the two. */
    private final float[][] weights = {Doubling.weights(0), Doubling.weights(1)};

    private final int[] starts = new int[TAPS];
    private final float[] light;
    private final Room room;
    private final float[] leastAcross;
    private final float[] mostAcross;
    private final float[] least;
    private final float[] most;
    private final float[] share;
    /** A row at twice the height, and its luminance. */
    private final float[] mixed;

    private final float[] mixedLight;
    /** Every other pixel of a row of the tile, its luminance, and what is added to that. */
    private final float[] half;

    private final float[] halfLight;
    private final float[] halfShown;

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
                if (size() <= kept) {
                    return false;
                }
                spare = eldest.getValue();
                return true;
            }
        };
        this.areaColumns = COLUMNS + 2 * reach;
        this.areaRows = ROWS + 2 * reach;
        int channels = below.channels();
        this.area = new float[areaColumns * areaRows * channels + Lanes.SLACK];
        this.asItWas = isLimited && softensColours ? area.clone() : area;
        this.colours =
                softensColours ? Optional.of(new GuidedColours(areaColumns, areaRows, luminance)) : Optional.empty();
        this.light = new float[areaColumns * areaRows + Lanes.SLACK];
        this.leastAcross = new float[COLUMNS * (ROWS + 2) + Lanes.SLACK];
        this.mostAcross = new float[COLUMNS * (ROWS + 2) + Lanes.SLACK];
        this.least = new float[COLUMNS * ROWS + Lanes.SLACK];
        this.most = new float[COLUMNS * ROWS + Lanes.SLACK];
        this.share = new float[COLUMNS * ROWS + Lanes.SLACK];
        this.room = new Room(EVEN, SHOWN, filters.softens() ? 1 : 0, ADDED, isLimited ? 0 : BEYOND);
        this.mixed = new float[whole(areaColumns * channels) + Lanes.SLACK];
        this.mixedLight = new float[whole(areaColumns) + Lanes.SLACK];
        this.half = new float[whole(COLUMNS * channels)];
        this.halfLight = new float[whole(COLUMNS)];
        this.halfShown = new float[whole(COLUMNS)];
    }

    /** What is made beyond the length of a row is of no use, but whole registers are quicker. */
    private static int whole(int length) {
        return Math.ceilDiv(length, Lanes.SLACK) * Lanes.SLACK;
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
        float[] found = detail();
        float[] tile = spare.length > 0 ? spare : new float[2 * ROWS * 2 * COLUMNS * channels()];
        spare = new float[0];
        for (int y = 0; y < 2 * ROWS; y++) {
            mixDown(y);
            for (int phase = 0; phase < 2; phase++) {
                mixAcross(phase);
                add(found, y, phase);
                put(tile, (y * 2 * COLUMNS + phase) * channels());
            }
            if (isLimited && shows == Shows.PICTURE) {
                limit(y, tile, y * 2 * COLUMNS * channels());
            }
        }
        return tile;
    }

    /** A row at twice the height. */
    private void mixDown(int y) {
        int phase = y & 1;
        int first = y / 2 + reach + Doubling.firstTap(phase);
        int length = areaColumns * channels();
        mix(area, first * length, length, phase, mixed, whole(length));
        mix(light, first * areaColumns, areaColumns, phase, mixedLight, whole(areaColumns));
    }

    /** The left or the right half of each of its pixels: the whole row once more, each time a pixel further on. */
    private void mixAcross(int phase) {
        int first = reach + Doubling.firstTap(phase);
        int channels = channels();
        mix(mixed, first * channels, channels, phase, half, half.length);
        mix(mixedLight, first, 1, phase, halfLight, halfLight.length);
    }

    private void mix(float[] from, int first, int apart, int phase, float[] into, int length) {
        for (int t = 0; t < TAPS; t++) {
            starts[t] = first + t * apart;
        }
        lanes.mixRows(from, starts, weights[phase], 0, TAPS, into, 0, length);
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

    /** The luminance of the area, the least and most of it round each pixel of the tile, and where detail is wanted. */
    private void measure() {
        luminance.of(area, channels(), light, areaColumns * areaRows);
        for (int y = 0; y < ROWS + 2; y++) {
            int middle = (y + reach - 1) * areaColumns + reach;
            int[] three = {middle, middle - 1, middle + 1};
            lanes.least(light, three, leastAcross, y * COLUMNS, COLUMNS);
            lanes.most(light, three, mostAcross, y * COLUMNS, COLUMNS);
        }
        for (int y = 0; y < ROWS; y++) {
            int first = y * COLUMNS;
            int[] three = {first + COLUMNS, first, first + 2 * COLUMNS};
            lanes.least(leastAcross, three, least, first, COLUMNS);
            lanes.most(mostAcross, three, most, first, COLUMNS);
        }
        lanes.share(least, most, room, share, 0, COLUMNS * ROWS);
        for (int y = 0; y < ROWS; y++) {
            detail.wanted()[y] = wanted(y * COLUMNS);
        }
    }

    /** Of a row, the runs of columns in which anything is added. */
    private long wanted(int from) {
        long wanted = 0;
        for (int x = 0; x < COLUMNS; x++) {
            if (share[from + x] > 0) {
                wanted |= 1L << x / PlaneLanes.ROW;
                // On to the next run.
                x += PlaneLanes.ROW - 1 - x % PlaneLanes.ROW;
            }
        }
        return wanted;
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

    /** What is added to every other pixel of a row, as far as its luminance may go; or what else is shown of it. */
    private void add(float[] found, int y, int phase) {
        int at = detail.at(2 * (y & 1) + phase, y / 2);
        int from = y / 2 * COLUMNS;
        lanes.addWithin(halfLight, found, at, share, least, most, from, halfShown, COLUMNS);
        if (shows == Shows.HELD_BACK) {
            for (int x = 0; x < COLUMNS; x++) {
                halfShown[x] = found[at + x] * share[from + x] - halfShown[x];
            }
        }
    }

    /** Puts every other pixel of a row into the tile, from {@code at} on. */
    private void put(float[] tile, int at) {
        int channels = channels();
        if (shows != Shows.PICTURE) {
            for (int x = 0; x < COLUMNS; x++) {
                int to = at + 2 * x * channels;
                Arrays.fill(tile, to, to + channels, Math.abs(halfShown[x]));
            }
        } else if (channels == 3) {
            putThree(tile, at);
        } else {
            int colours = luminance.colours(channels);
            for (int i = 0; i < COLUMNS * channels; i++) {
                int c = i % channels;
                tile[at + 2 * i - c] = half[i] + (c < colours ? halfShown[i / channels] : 0);
            }
        }
    }

    private void putThree(float[] tile, int at) {
        for (int x = 0; x < COLUMNS; x++) {
            float shown = halfShown[x];
            int from = 3 * x;
            int to = at + 6 * x;
            tile[to] = half[from] + shown;
            tile[to + 1] = half[from + 1] + shown;
            tile[to + 2] = half[from + 2] + shown;
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
            if (channels == 3 && !isGrey) {
                Lanes.best().luminances(pixels, 0, red, green, blue, into, 0, count);
                return;
            }
            for (int i = 0; i < count; i++) {
                into[i] = of(pixels, i * channels);
            }
        }
    }
}
