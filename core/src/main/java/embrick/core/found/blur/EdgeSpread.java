package embrick.core.found.blur;

import embrick.core.found.Confidence;
import java.util.Optional;

/**
 * Finds how far an edge is spread: the straight edge nearest to the middle of a {@link Spot} is fitted, by least squares over
 * all pixels near it, as a step blurred by a Gaussian, with its direction and place (the slanted edge of ISO 12233, fitted
 * instead of binned).
 */
public final class EdgeSpread {
    /** How far round the point that was pointed at the edge is looked for, in pixels. */
    private static final int NEAR = 12;
    /** Pixels on either side along the edge that are fitted. */
    private static final int ALONG = 8;
    /** A fitted step must be this high, of the range, and this many times the grain. */
    private static final double LEAST_STEP = 0.08;

    private static final double STEP_OF_GRAIN = 8;
    /** What the fit may leave, of the step, once the grain is taken off. */
    private static final double SURE_REST = 0.04;

    private static final double LIKELY_REST = 0.1;
    /** A camera's own edge in focus is spread as far, by lens and pixel; no blur. Common practice, no source. */
    private static final double IN_FOCUS = 0.55;
    /** Grain is left alone up to somewhat more than its deviation. */
    private static final double GRAIN_MARGIN = 1.2;

    private static final double WIDEST = 10;

    private EdgeSpread() {}

    /**
     * @param radius σ of the blur, in pixels, less than what an edge in focus has anyhow; 0 where the edge is sharp
     * @param step the edge's height, of the range from black to white
     * @param grain deviation of the grain that undoing should spare, of the range
     */
    public record Found(double radius, double step, double grain, Confidence confidence) {
        public boolean isSharp() {
            return radius == 0;
        }
    }

    /** @return empty where there is no straight edge with even ground on both sides */
    public static Optional<Found> find(Spot spot) {
        double grain = spot.grain();
        BlurredStep first = BlurredStep.steepest(spot, NEAR);
        Optional<BlurredStep> fitted = Optional.empty();
        // The ground that is fitted on either side follows the spread found so far.
        for (double spread = 1.5, before = 0; Math.abs(spread - before) > 0.02 * spread && spread <= WIDEST; ) {
            double reach = 3 * spread + 2;
            fitted = StepFit.fit(spot, fitted.orElse(first), ALONG, reach);
            if (fitted.isEmpty()) {
                return Optional.empty();
            }
            before = spread;
            spread = Math.max(fitted.get().spread(), before * 0.6);
        }
        return fitted.flatMap(step -> judged(step, grain));
    }

    private static Optional<Found> judged(BlurredStep step, double grain) {
        double height = Math.abs(step.high() - step.low());
        double rest = Math.sqrt(Math.max(0, step.rest() * step.rest() - grain * grain)) / Math.max(height, 1e-6);
        if (height < Math.max(LEAST_STEP, STEP_OF_GRAIN * grain) || rest > LIKELY_REST || step.spread() > WIDEST) {
            return Optional.empty();
        }
        double square = step.spread() * step.spread() - IN_FOCUS * IN_FOCUS;
        double radius = square < 0.3 * 0.3 ? 0 : Math.sqrt(square);
        return Optional.of(new Found(
                radius, height, GRAIN_MARGIN * grain, rest <= SURE_REST ? Confidence.SURE : Confidence.LIKELY));
    }
}
