package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import embrick.core.found.scan.Rectangle.Place;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What lies on a bed, roughly: all that the bed's colour does not reach from the rim, in cells of a few pixels. A pale place
 * inside a print belongs to it as long as the print's own sides close it off.
 *
 * @param rough the smallest rectangle about it, in pixels
 * @param share of the rectangle that it fills, 0 to 1
 * @param touchesRim whether it goes on beyond the scan
 */
record Lying(Rectangle rough, double share, boolean touchesRim) {
    /** Cells along the longer side. */
    private static final int CELLS = 450;
    /** Less of the scan than this is dust, a label or a hair. */
    private static final double LEAST_AREA = 0.006;
    /** And so is what is narrower than this share of the scan's short side. */
    private static final double LEAST_SIDE = 0.06;

    /** Sides in line are as long within this share, and parts of one print are so near that together they fill most of it. */
    private static final double IN_LINE = 0.03;

    private static final double TOGETHER = 0.7;
    private static final double SAME_TURN = 2;

    /** Both as parts of one print that is of the bed's colour between them, if they are in line. */
    Optional<Lying> joined(Lying other) {
        Rectangle larger =
                rough.width() * rough.height() > other.rough.width() * other.rough.height() ? rough : other.rough;
        if (Math.abs(rough.degrees() - other.rough.degrees()) > SAME_TURN) {
            return Optional.empty();
        }
        List<Place> corners = new ArrayList<>(rough.corners());
        corners.addAll(other.rough.corners());
        Rectangle whole = Rectangle.about(corners, larger.degrees());
        double filled =
                (share * rough.width() * rough.height() + other.share * other.rough.width() * other.rough.height())
                        / (whole.width() * whole.height());
        boolean isInLine = Math.abs(whole.width() / larger.width() - 1) < IN_LINE
                || Math.abs(whole.height() / larger.height() - 1) < IN_LINE;
        return isInLine && filled > TOGETHER
                ? Optional.of(new Lying(whole, filled, touchesRim || other.touchesRim))
                : Optional.empty();
    }

    /** All that lies there, from the top to the bottom, then from the left. */
    static List<Lying> on(SmallPixels scan, Bed bed) {
        Cells cells = new Cells(scan, bed);
        cells.floodFromRim();
        cells.openLying();
        List<Lying> all = new ArrayList<>();
        for (int i = 0; i < cells.kind.length; i++) {
            if (cells.kind[i] == Cells.LYING) {
                Lying one = cells.taken(i);
                if (one.rough.width() * one.rough.height() * one.share > LEAST_AREA * scan.width() * scan.height()
                        && one.rough.shortSide() > LEAST_SIDE * scan.shortSide()) {
                    all.add(one);
                }
            }
        }
        all.sort(Comparator.comparingDouble((Lying one) -> one.rough.centreY() - one.rough.height() / 2)
                .thenComparingDouble(one -> one.rough.centreX()));
        return all;
    }

    /** The scan in cells, each bed or not. */
    private static final class Cells {
        private static final byte UNSEEN = 0;
        private static final byte BED = 1;
        private static final byte LYING = 2;
        private static final byte TAKEN = 3;

        private final int side;
        private final int width;
        private final int height;
        private final byte[] kind;
        private final boolean[] isLikeBed;

        Cells(SmallPixels scan, Bed bed) {
            side = Math.max(1, Math.round(Math.max(scan.width(), scan.height()) / (float) CELLS));
            width = scan.width() / side;
            height = scan.height() / side;
            kind = new byte[width * height];
            isLikeBed = bed.likeBed(scan, side, width, height);
        }

        void floodFromRim() {
            int[] waiting = new int[width * height];
            int count = 0;
            for (int i = 0; i < kind.length; i++) {
                int x = i % width;
                int y = i / width;
                if ((x == 0 || y == 0 || x == width - 1 || y == height - 1) && isLikeBed[i]) {
                    kind[i] = BED;
                    waiting[count++] = i;
                }
            }
            while (count > 0) {
                int at = waiting[--count];
                for (int next : beside(at)) {
                    if (next >= 0 && kind[next] == UNSEEN && isLikeBed[next]) {
                        kind[next] = BED;
                        waiting[count++] = next;
                    }
                }
            }
        }

        private int[] beside(int at) {
            int x = at % width;
            int y = at / width;
            return new int[] {
                x > 0 ? at - 1 : -1,
                x < width - 1 ? at + 1 : -1,
                y > 0 ? at - width : -1,
                y < height - 1 ? at + width : -1
            };
        }

        /** Takes hairs off: what is no wider than two cells goes, and what is left gets its rim back. */
        void openLying() {
            boolean[] lies = new boolean[kind.length];
            for (int i = 0; i < kind.length; i++) {
                lies[i] = kind[i] != BED;
            }
            boolean[] opened = spread(spread(lies, false), true);
            for (int i = 0; i < kind.length; i++) {
                kind[i] = opened[i] ? LYING : BED;
            }
        }

        /** What is so takes its four neighbours along. */
        private boolean[] spread(boolean[] cells, boolean so) {
            boolean[] spread = cells.clone();
            for (int i = 0; i < cells.length; i++) {
                if (cells[i] == so) {
                    int x = i % width;
                    set(spread, i - 1, x > 0, so);
                    set(spread, i + 1, x < width - 1, so);
                    set(spread, i - width, i >= width, so);
                    set(spread, i + width, i + width < cells.length, so);
                }
            }
            return spread;
        }

        private static void set(boolean[] cells, int at, boolean isThere, boolean so) {
            if (isThere) {
                cells[at] = so;
            }
        }

        Lying taken(int from) {
            int[] waiting = new int[width * height];
            int count = 1;
            waiting[0] = from;
            kind[from] = TAKEN;
            int area = 0;
            boolean touchesRim = false;
            List<Place> rim = new ArrayList<>();
            while (count > 0) {
                int at = waiting[--count];
                area++;
                boolean isRim = false;
                for (int next : beside(at)) {
                    isRim |= next < 0 || kind[next] == BED;
                    touchesRim |= next < 0;
                    if (next >= 0 && kind[next] == LYING) {
                        kind[next] = TAKEN;
                        waiting[count++] = next;
                    }
                }
                if (isRim) {
                    rim.add(new Place((at % width) * side, (at / width) * side));
                    rim.add(new Place((at % width + 1.0) * side, (at / width + 1.0) * side));
                    rim.add(new Place((at % width + 1.0) * side, (at / width) * side));
                    rim.add(new Place((at % width) * side, (at / width + 1.0) * side));
                }
            }
            Rectangle rough = Rectangle.about(hull(rim));
            double share = (double) area * side * side / (rough.width() * rough.height());
            return new Lying(rough, Math.min(1, share), touchesRim);
        }
    }

    /** The convex hull by A. M. Andrew's monotone chain (1979, from memory). */
    private static List<Place> hull(List<Place> places) {
        List<Place> sorted = new ArrayList<>(places);
        sorted.sort(Comparator.comparingDouble(Place::x).thenComparingDouble(Place::y));
        List<Place> hull = new ArrayList<>();
        for (int pass = 0; pass < 2; pass++) {
            int start = hull.size();
            for (Place place : sorted) {
                while (hull.size() >= start + 2
                        && turn(hull.get(hull.size() - 2), hull.get(hull.size() - 1), place) <= 0) {
                    hull.removeLast();
                }
                hull.add(place);
            }
            hull.removeLast();
            sorted = sorted.reversed();
        }
        return hull;
    }

    private static double turn(Place from, Place by, Place to) {
        return (by.x() - from.x()) * (to.y() - from.y()) - (by.y() - from.y()) * (to.x() - from.x());
    }
}
