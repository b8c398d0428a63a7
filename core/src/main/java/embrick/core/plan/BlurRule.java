package embrick.core.plan;

import embrick.core.framing.Framing;
import embrick.core.problem.Problem;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.Deconvolution.Spread;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.ticket.Sharpening.BlurUndone;
import embrick.core.ticket.Sharpening.Blurred;
import java.util.Locale;
import java.util.Optional;

/**
 * A blur of the original as it lies in the output's pixels: as wide as the output's scale makes it, turned as the picture is.
 * One that has become narrower than anything to be seen is none.
 */
final class BlurRule {
    /** Steps of strength 100. */
    private static final double STEPS = Deconvolution.MOST_STEPS;

    /** Kept by one thread while it makes such a picture. */
    private static final long MOST_BYTES = 160L << 20;

    private BlurRule() {}

    /**
     * How the original lies in the output.
     *
     * @param scale seen pixels to one output pixel
     */
    record Lie(double scale, Framing framing) {}

    static Optional<SharpeningSettings> settings(BlurUndone undone, Lie lie) {
        int steps = (int) Math.max(1, Math.round(undone.strength() / 100.0 * STEPS));
        return spread(undone.blurred(), lie).map(spread -> new Deconvolution(spread, steps, undone.grain() / 100));
    }

    private static Optional<Spread> spread(Blurred blurred, Lie lie) {
        return switch (blurred) {
            case Blurred.OutOfFocus out when out.radius() / lie.scale() < Spread.LEAST_SIGMA -> Optional.empty();
            case Blurred.OutOfFocus out -> Optional.of(new Spread.Gaussian(out.radius() / lie.scale()));
            case Blurred.Moved moved when moved.length() / lie.scale() < Spread.LEAST_LENGTH -> Optional.empty();
            case Blurred.Moved moved ->
                Optional.of(new Spread.Line(moved.length() / lie.scale(), turned(moved.degrees(), lie.framing())));
        };
    }

    /** A direction of the upright original as it lies in the output. */
    private static double turned(double degrees, Framing framing) {
        double mirrored = framing.mirror() == Framing.Mirror.MIRRORED ? -degrees : degrees;
        return Math.IEEEremainder(mirrored + 90.0 * framing.quarterTurns() + framing.tiltDegrees(), 180);
    }

    /** A blur that the enlargement makes wider, or the sheet larger, than can be undone. */
    static Optional<Problem> problem(BlurUndone undone, Lie lie, int width) {
        Optional<Problem> tooWide = switch (undone.blurred()) {
            case Blurred.OutOfFocus out
            when out.radius() / lie.scale() > Spread.MOST_SIGMA ->
                Optional.of(tooWide("radius", Spread.MOST_SIGMA * lie.scale(), out.radius()));
            case Blurred.Moved moved
            when moved.length() / lie.scale() > Spread.MOST_LENGTH ->
                Optional.of(tooWide("length", Spread.MOST_LENGTH * lie.scale(), moved.length()));
            case Blurred _ -> Optional.empty();
        };
        return tooWide.isPresent()
                ? tooWide
                : settings(undone, lie)
                        .filter(settings -> settings instanceof Deconvolution blur && blur.bytes(width) > MOST_BYTES)
                        .map(_ -> Problem.of(
                                "blur-too-much",
                                "sharpening",
                                "a blur that is narrower in the output, less strength, or a sheet of fewer pixels across",
                                String.format(Locale.ROOT, "%d px across at strength %d", width, undone.strength()),
                                "Lower the strength or the ppi, or make the print smaller."));
    }

    private static Problem tooWide(String what, double most, double is) {
        return Problem.of(
                "blur-too-wide",
                "sharpening",
                String.format(Locale.ROOT, "a %s of at most %.1f px of the original at this enlargement", what, most),
                String.format(Locale.ROOT, "%.1f px", is),
                "Undo less blur, or make the print smaller or at a lower ppi.");
    }
}
