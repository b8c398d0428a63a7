package embrick.core.grown;

import embrick.core.grown.BareArea.Gap;
import embrick.core.grown.Grown.Reason;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Grows all that is bare of an area, gap after gap; what was grown before is there for what comes after, and never copied from.
 *
 * <p>Memory is bounded whatever the area: long gaps are grown in pieces, each in a window that reaches some way into the picture.
 * The pixels depend on the picture, the area and the seed alone.
 */
public final class Grower {
    /** Deepest that is grown, in pixels: the windows of a deeper one would not hold enough of the picture. */
    public static final int DEEPEST = 2400;
    /** Samples of one window: 12 MP of three channels. */
    private static final long WINDOW = 36_000_000;
    /** How far a window reaches into the picture, by the gap's depth; and how far at least and, of deep gaps, at most. */
    private static final double REACH = 2.5;

    private static final int LEAST_REACH = 96;
    /** Under this mean likeness it is not shown. */
    private static final float UNLIKE = 0.65f;
    /** Rows that are rendered together. */
    private static final int TOGETHER = 32;

    private static final int TO_SIXTEEN_BITS = 16;

    private final PixelSource picture;
    private final int channels;
    private final BareArea area;
    private final List<Gap> gaps;
    private final GapSamples samples;
    private final long seed;
    private final Progress progress;
    private final LikenessMap likeness;
    private long grown;
    private final long all;

    private Grower(PixelSource picture, int channels, BareArea area, GapSamples samples, long seed, Progress progress) {
        this.picture = picture;
        this.channels = channels;
        this.area = area;
        this.gaps = area.gaps();
        this.samples = samples;
        this.seed = seed;
        this.progress = progress;
        this.likeness = LikenessMap.empty(area.size());
        this.all = gaps.stream().mapToLong(Gap::pixels).sum();
    }

    /** Told how far it is, 0 to 1. What it throws ends the growing. */
    public interface Progress {
        void at(double share);
    }

    /**
     * @param picture finished pixels of the area where it is not bare, 0..1; its origin is the area's
     * @param samples of the area; holds what was grown when it is done
     */
    public static Grown grow(
            PixelSource picture, int channels, BareArea area, GapSamples samples, long seed, Progress progress) {
        return new Grower(picture, channels, area, samples, seed, progress).grow();
    }

    private Grown grow() {
        for (int gap = 0; gap < gaps.size(); gap++) {
            for (Window window : windows(gaps.get(gap))) {
                Optional<Grown.Declined> declined = grow(gap, window);
                if (declined.isPresent()) {
                    return declined.get();
                }
            }
        }
        return new Grown.Done(likeness);
    }

    /** @param part of the gap that is grown in it */
    private record Window(PixelRect place, PixelRect part) {}

    private List<Window> windows(Gap gap) {
        PixelRect place = gap.place();
        // Corners and sides are grown in the picture's own rectangle, top and bottom in all of the area.
        boolean isWhole = place.width() == area.size().width() && !area.known().contains(place);
        PixelRect bounds = isWhole ? PixelRect.whole(area.size()) : rowsOfKnown();
        int most = (int) Math.sqrt((double) WINDOW / channels);
        int reach = Math.max(LEAST_REACH, Math.min((int) (REACH * gap.depth()), most - gap.depth()));
        boolean runsDown = gap.runsDown();
        int across = gap.depth() + reach;
        int length = runsDown ? place.height() : place.width();
        int longest = (int) (WINDOW / channels / across);
        int beside = longest >= length + 2 * reach ? reach : Math.min(reach, longest / 4);
        int step = Math.max(Level.PATCH, longest - 2 * beside);
        List<Window> windows = new ArrayList<>();
        for (int from = 0; from < length; from += step) {
            int count = Math.min(step, length - from);
            PixelRect part = runsDown
                    ? new PixelRect(place.x(), place.y() + from, place.width(), count)
                    : new PixelRect(place.x() + from, place.y(), count, place.height());
            windows.add(new Window(within(bounds, part, runsDown ? reach : beside, runsDown ? beside : reach), part));
        }
        return windows;
    }

    private PixelRect rowsOfKnown() {
        return new PixelRect(
                0, area.known().y(), area.size().width(), area.known().height());
    }

    private static PixelRect within(PixelRect bounds, PixelRect part, int across, int down) {
        int left = Math.max(bounds.x(), part.x() - across);
        int top = Math.max(bounds.y(), part.y() - down);
        int right = Math.min(bounds.right(), part.right() + across);
        int bottom = Math.min(bounds.bottom(), part.bottom() + down);
        return new PixelRect(left, top, right - left, bottom - top);
    }

    private Optional<Grown.Declined> grow(int gap, Window window) {
        PixelRect place = window.place();
        PixelRect part = window.part();
        Level level = level(gap, window);
        if (level.width < Level.PATCH || level.height < Level.PATCH) {
            return declined(Reason.NOTHING_TO_COPY, List.of(part));
        }
        long size = (long) part.width() * part.height();
        Growth growth = new Growth(
                level,
                gaps.get(gap).depth(),
                seed,
                (scale, scales) -> progress.at((grown + size * shareOf(scale, scales)) / all));
        Optional<Growth.Outcome> outcome = growth.grow(found -> reason(found).isEmpty());
        if (outcome.isEmpty()) {
            return declined(Reason.NOTHING_TO_COPY, List.of(part));
        }
        Growth.Outcome found = outcome.get();
        Optional<Reason> reason = reason(found);
        if (reason.isPresent()) {
            List<PixelRect> cut = found.cut().stream()
                    .map(box -> onArea(box, found.scale(), place))
                    .toList();
            return declined(reason.get(), cut.isEmpty() ? List.of(part) : cut);
        }
        likeness.set(part, place.x(), place.y(), found);
        write(gap, level, window);
        grown += size;
        return Optional.empty();
    }

    private static Optional<Reason> reason(Growth.Outcome found) {
        if (!found.cut().isEmpty()) {
            return Optional.of(Reason.DETAIL_CUT);
        }
        return found.mean() < UNLIKE ? Optional.of(Reason.UNLIKE) : Optional.empty();
    }

    /** Each scale takes four times as long as the one before. */
    private static double shareOf(int scale, int scales) {
        return Math.pow(4, scale - scales);
    }

    private static Optional<Grown.Declined> declined(Reason reason, List<PixelRect> places) {
        return Optional.of(new Grown.Declined(reason, places));
    }

    private static PixelRect onArea(PixelRect box, int scale, PixelRect window) {
        return new PixelRect(
                window.x() + (box.x() << scale),
                window.y() + (box.y() << scale),
                box.width() << scale,
                box.height() << scale);
    }

    /** The window's pixels: the picture's own, what was grown before, and bare ones. */
    private Level level(int gap, Window window) {
        PixelRect place = window.place();
        short[] pixels = new short[Math.multiplyExact(Math.multiplyExact(place.width(), place.height()), channels)];
        byte[] state = new byte[place.width() * place.height()];
        float[] rows = new float[place.width() * TOGETHER * channels];
        for (int y = 0; y < place.height(); y += TOGETHER) {
            int count = Math.min(TOGETHER, place.height() - y);
            PixelRect strip = new PixelRect(place.x(), place.y() + y, place.width(), count);
            picture.render(strip, rows, 0);
            samples.read(strip, rows, 0);
            for (int i = 0; i < place.width() * count; i++) {
                int at = y * place.width() + i;
                state[at] = state(gap, window.part(), strip.x() + i % place.width(), strip.y() + i / place.width());
                if (state[at] != Level.BARE) {
                    for (int c = 0; c < channels; c++) {
                        pixels[at * channels + c] =
                                (short) Math.round(Math.clamp(rows[i * channels + c], 0f, 1f) * Level.WHITE);
                    }
                }
            }
        }
        return new Level(place.width(), place.height(), channels, pixels, state);
    }

    private byte state(int gap, PixelRect part, int x, int y) {
        if (!area.isBare(x, y)) {
            return Level.OWN;
        }
        for (int before = 0; before < gap; before++) {
            if (gaps.get(before).place().contains(x, y)) {
                return Level.FIXED;
            }
        }
        Gap own = gaps.get(gap);
        boolean isDone = own.place().contains(x, y) && (own.runsDown() ? y < part.y() : x < part.x());
        return isDone ? Level.FIXED : Level.BARE;
    }

    private void write(int gap, Level level, Window window) {
        PixelRect part = window.part();
        short[] row = new short[part.width() * channels];
        for (int y = part.y(); y < part.bottom(); y++) {
            int from = ((y - window.place().y()) * level.width
                            + part.x()
                            - window.place().x())
                    * channels;
            for (int i = 0; i < row.length; i++) {
                row[i] = (short) (level.samples[from + i] * TO_SIXTEEN_BITS + level.samples[from + i] / 256);
            }
            samples.write(gap, part.x(), y, row, 0, part.width());
        }
    }
}
