package embrick.core.plan;

import embrick.core.lift.LiftSettings;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * A plan scaled down for the screen: the whole sheet, or its size on paper, on fewer pixels than the file will have. It is
 * like the file, not equal to it.
 */
public final class ReducedPlan {
    /** From here methods cannot be told apart on the screen: means over areas are quick at any tilt. */
    private static final double WIDE = 2;

    private ReducedPlan() {}

    /**
     * @param reduction output pixels to one of the reduced, 1 or more
     * @throws IllegalArgumentException if it would enlarge
     */
    public static Plan of(Plan plan, double reduction) {
        if (!(reduction >= 1) || Double.isInfinite(reduction)) {
            throw new IllegalArgumentException("reduction: expected 1 or more, got " + reduction);
        }
        if (reduction == 1) {
            return plan;
        }
        PixelSize sheet = new PixelSize(
                pixels(plan.sheet().width(), reduction), pixels(plan.sheet().height(), reduction));
        PixelRect place = plan.picture();
        int left = Math.min(edge(place.x(), reduction), sheet.width() - 1);
        int top = Math.min(edge(place.y(), reduction), sheet.height() - 1);
        int right = Math.clamp(edge(place.right(), reduction), left + 1, sheet.width());
        int bottom = Math.clamp(edge(place.bottom(), reduction), top + 1, sheet.height());
        PixelRect picture = new PixelRect(left, top, right - left, bottom - top);
        Window whole = plan.window();
        Window window = new Window(
                whole.seenAs(),
                new PixelSize(picture.width(), picture.height()),
                whole.centreX(),
                whole.centreY(),
                whole.scale()
                        * Math.max(
                                (double) place.width() / picture.width(), (double) place.height() / picture.height()),
                whole.tiltDegrees());
        Plan reduced = plan.onSheet(sheet, picture, window).withLift(lift(plan, reduction));
        return reduction < WIDE ? reduced : reduced.withResampling(Resampling.by(Method.AREA));
    }

    /** A lift that is too narrow for the reduced pixels has nothing left to do there. */
    private static Optional<LiftSettings> lift(Plan plan, double reduction) {
        return plan.lift()
                .filter(lift -> lift.sigmaPixels() / reduction >= LiftSettings.LEAST_SIGMA)
                .map(lift -> new LiftSettings(lift.amount(), lift.sigmaPixels() / reduction, lift.threshold()));
    }

    private static int pixels(int length, double reduction) {
        return Math.max(1, edge(length, reduction));
    }

    private static int edge(int place, double reduction) {
        return (int) Math.round(place / reduction);
    }
}
