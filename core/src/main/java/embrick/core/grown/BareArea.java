package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * What of a rectangle the picture does not cover.
 *
 * @param size of the rectangle
 * @param known where the picture stands in it
 * @param corners which of the picture's own place is bare too, because it is tilted
 */
public record BareArea(PixelSize size, PixelRect known, Corners corners) {
    public BareArea {
        Objects.requireNonNull(corners);
        if (!known.isInside(size)) {
            throw new IllegalArgumentException("known: expected inside " + size + ", got " + known);
        }
    }

    /** Tells the bare pixels of the picture's place, counted from its corner. */
    public interface Corners {
        /** Nothing is bare. */
        Corners NONE = (_, _) -> false;

        boolean isBare(int x, int y);
    }

    public boolean isBare(int x, int y) {
        return !known.contains(x, y) || corners.isBare(x - known.x(), y - known.y());
    }

    /**
     * Rectangles that hold all that is bare, in the order in which they are grown: corners, left, right, top, bottom. What two of
     * them hold is the first one's.
     */
    public List<Gap> gaps() {
        List<Gap> gaps = new ArrayList<>();
        int right = size.width() - known.right();
        int bottom = size.height() - known.bottom();
        for (int corner = 0; corner < 4; corner++) {
            cornerGap(corner % 2 == 1, corner / 2 == 1, gaps);
        }
        addSide(gaps, 0, known.y(), known.x(), known.height(), true);
        addSide(gaps, known.right(), known.y(), right, known.height(), true);
        addSide(gaps, 0, 0, size.width(), known.y(), false);
        addSide(gaps, 0, known.bottom(), size.width(), bottom, false);
        return gaps;
    }

    /**
     * @param place in the rectangle's pixels
     * @param depth from the picture to its far side, in pixels
     * @param runsDown whether it lies beside the picture, not above or below it
     */
    public record Gap(PixelRect place, int depth, boolean runsDown) {
        long pixels() {
            return (long) place.width() * place.height();
        }
    }

    private static void addSide(List<Gap> gaps, int x, int y, int width, int height, boolean runsDown) {
        int depth = runsDown ? width : height;
        if (depth > 0) {
            gaps.add(new Gap(new PixelRect(x, y, width, height), depth, runsDown));
        }
    }

    private void cornerGap(boolean atRight, boolean atBottom, List<Gap> gaps) {
        int width = bareRun(
                known.width(),
                step -> corners.isBare(atRight ? known.width() - 1 - step : step, atBottom ? known.height() - 1 : 0));
        int height = bareRun(
                known.height(),
                step -> corners.isBare(atRight ? known.width() - 1 : 0, atBottom ? known.height() - 1 - step : step));
        if (width > 0 && height > 0) {
            int x = atRight ? known.right() - width : known.x();
            int y = atBottom ? known.bottom() - height : known.y();
            gaps.add(new Gap(new PixelRect(x, y, width, height), Math.min(width, height), height > width));
        }
    }

    private interface Step {
        boolean isBare(int step);
    }

    private static int bareRun(int most, Step step) {
        int run = 0;
        while (run < most && step.isBare(run)) {
            run++;
        }
        return run;
    }
}
