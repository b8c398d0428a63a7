package embrick.core.plan;

import embrick.core.problem.Problem;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.Resolution;
import java.util.Locale;
import java.util.Optional;

/**
 * From a ticket's sharpening to output pixels.
 *
 * <p>For a paper: σ on paper is what the eye just resolves at the viewing distance, one arc minute (20/20 acuity, Snellen),
 * and the paper's own spread, but never under {@link #LEAST_PIXELS}. Embrick's rule; the paper's spread is common practice,
 * no source.
 *
 * <p>Strength is as much as contours bear: a step's overshoot is half the amount at most, so that 25, half the difference,
 * keeps every single step within {@link embrick.core.sharpen.Halo#NOTICED_FROM}. Under a wider σ neighbouring contours add up,
 * and get less; docs/methods.md has the halos that were measured on photographs.
 *
 * <p>For a screen: σ is {@link #LEAST_PIXELS}, since its pixels are seen as they are, whatever ppi is marked.
 *
 * <table>
 * <caption>for 300 ppi, in the hand</caption>
 * <tr><th>paper</th><th>strength</th><th>σ on paper</th><th>σ in pixels</th><th>threshold</th></tr>
 * <tr><td>lustre</td><td>25</td><td>0.087 mm</td><td>1.03</td><td>1 %</td></tr>
 * <tr><td>matt</td><td>22</td><td>0.117 mm</td><td>1.38</td><td>1 %</td></tr>
 * <tr><td>canvas</td><td>16</td><td>0.167 mm</td><td>1.98</td><td>1 %</td></tr>
 * </table>
 */
public final class SharpeningRule {
    private static final double ARC_MINUTE = Math.tan(Math.toRadians(1 / 60.0));
    private static final double LEAST_PIXELS = 0.6;
    /** A screen neither spreads nor hides: half of what paper bears, at the smallest radius there is. Embrick's rule. */
    private static final int SCREEN_STRENGTH = 15;

    private static final double THRESHOLD_PERCENT = 1;
    /** Strength 100 adds twice the difference. */
    private static final double STRENGTH_OF_ONE = 50;

    private SharpeningRule() {}

    static Optional<SharpeningSettings> settings(
            Sharpening sharpening, Resolution ppi, ViewingDistance viewing, BlurRule.Lie lie) {
        return switch (sharpening) {
            case Sharpening.None _ -> Optional.empty();
            case Sharpening.ForPaper paper ->
                settings(strength(paper.paper()), paperSigma(paper.paper(), ppi, viewing), THRESHOLD_PERCENT);
            case Sharpening.ForScreen _ -> settings(SCREEN_STRENGTH, LEAST_PIXELS, THRESHOLD_PERCENT);
            case Sharpening.Exact edges -> settings(edges.strength(), pixels(edges.radius(), ppi), edges.threshold());
            case Sharpening.LocalContrast wide -> settings(wide.strength(), pixels(wide.radius(), ppi), 0);
            case Sharpening.BlurUndone undone -> BlurRule.settings(undone, lie);
        };
    }

    /** Strength 0 is no sharpening at all: the pixels are left alone. */
    private static Optional<SharpeningSettings> settings(int strength, double sigmaPixels, double thresholdPercent) {
        return strength == 0
                ? Optional.empty()
                : Optional.of(new UnsharpMasking(strength / STRENGTH_OF_ONE, sigmaPixels, thresholdPercent / 100));
    }

    /**
     * A radius that cannot be made at this ppi, or a blur too wide to be undone.
     *
     * @param width of the picture in output pixels
     */
    static Optional<Problem> problem(Sharpening sharpening, Resolution ppi, BlurRule.Lie lie, int width) {
        return switch (sharpening) {
            case Sharpening.None _, Sharpening.ForPaper _, Sharpening.ForScreen _ -> Optional.empty();
            case Sharpening.Exact edges -> problem(edges.radius(), ppi);
            case Sharpening.LocalContrast wide -> problem(wide.radius(), ppi);
            case Sharpening.BlurUndone undone -> BlurRule.problem(undone, lie, width);
        };
    }

    private static Optional<Problem> problem(Length radius, Resolution ppi) {
        double pixels = pixels(radius, ppi);
        if (pixels >= UnsharpMasking.LEAST_SIGMA && pixels <= UnsharpMasking.MOST_SIGMA) {
            return Optional.empty();
        }
        return Optional.of(Problem.of(
                "sharpening-radius",
                "sharpening",
                String.format(
                        Locale.ROOT,
                        "a radius of %.2f to %.0f mm at this ppi",
                        UnsharpMasking.LEAST_SIGMA / ppi.toPpi() * 25.4,
                        UnsharpMasking.MOST_SIGMA / ppi.toPpi() * 25.4),
                radius.toString(),
                "Choose another radius, or another ppi."));
    }

    public static int strength(PaperKind paper) {
        return switch (paper) {
            case LUSTRE -> 25;
            case MATT -> 22;
            case CANVAS -> 16;
        };
    }

    private static double paperSigma(PaperKind paper, Resolution ppi, ViewingDistance viewing) {
        double spreadMillimetres = switch (paper) {
            case LUSTRE -> 0;
            case MATT -> 0.03;
            case CANVAS -> 0.08;
        };
        double millimetres = viewing.metres() * 1000 * ARC_MINUTE + spreadMillimetres;
        return Math.max(LEAST_PIXELS, millimetres / 25.4 * ppi.toPpi());
    }

    private static double pixels(Length radius, Resolution ppi) {
        return radius.toInches() * ppi.toPpi();
    }
}
