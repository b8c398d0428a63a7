package embrick.core.plan;

import embrick.core.edge.Bands;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;

/** How far a picture goes on beyond its frame, in whole output pixels. */
final class Reach {
    /** A millionth of a seen pixel forgives the sums that led to a rim. */
    private static final double FORGIVEN = 1e-6;

    private Reach() {}

    /** On each side as far as the picture goes, at most as far as the bands; first alike on all sides, then one by one. */
    static Bands of(Window window, PixelSize seen, Bands most) {
        int even = most(
                Math.max(Math.max(most.left(), most.right()), Math.max(most.top(), most.bottom())),
                all -> isInside(window, seen, atMost(most, all)));
        Bands reach = atMost(most, even);
        int top = most(
                most.top(), all -> isInside(window, seen, new Bands(reach.left(), all, reach.right(), reach.bottom())));
        int bottom =
                most(most.bottom(), all -> isInside(window, seen, new Bands(reach.left(), top, reach.right(), all)));
        int left = most(most.left(), all -> isInside(window, seen, new Bands(all, top, reach.right(), bottom)));
        int right = most(most.right(), all -> isInside(window, seen, new Bands(left, top, all, bottom)));
        return new Bands(left, top, right, bottom);
    }

    private static Bands atMost(Bands most, int all) {
        return new Bands(
                Math.min(most.left(), all),
                Math.min(most.top(), all),
                Math.min(most.right(), all),
                Math.min(most.bottom(), all));
    }

    /** The same picture on more output pixels: each of the old ones shows what it showed. */
    static Window reachedOut(Window window, Bands reach) {
        double across = window.output().width() / 2.0 + (reach.right() - reach.left()) / 2.0;
        double down = window.output().height() / 2.0 + (reach.bottom() - reach.top()) / 2.0;
        return new Window(
                window.seenAs(),
                reach.around(window.output()),
                window.seenX(across, down),
                window.seenY(across, down),
                window.scale(),
                window.tiltDegrees());
    }

    private static boolean isInside(Window window, PixelSize seen, Bands reach) {
        double[] across = {-reach.left(), window.output().width() + reach.right()};
        double[] down = {-reach.top(), window.output().height() + reach.bottom()};
        for (double u : across) {
            for (double v : down) {
                double x = window.seenX(u, v);
                double y = window.seenY(u, v);
                if (x < -FORGIVEN || y < -FORGIVEN || x > seen.width() + FORGIVEN || y > seen.height() + FORGIVEN) {
                    return false;
                }
            }
        }
        return true;
    }

    /** The largest number up to a most that holds; holding falls away as it grows. */
    private static int most(int most, java.util.function.IntPredicate holds) {
        int low = 0;
        int high = most;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (holds.test(middle)) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
