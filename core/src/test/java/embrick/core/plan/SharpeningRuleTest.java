package embrick.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.sharpen.Deconvolution;
import embrick.core.sharpen.Halo;
import embrick.core.sharpen.SharpeningSettings;
import embrick.core.sharpen.UnsharpMasking;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SharpeningRuleTest {
    private static final BlurRule.Lie AS_IT_IS = new BlurRule.Lie(1, Framing.centred());

    private static UnsharpMasking forPaper(PaperKind paper, int ppi, ViewingDistance viewing) {
        return masking(new Sharpening.ForPaper(paper), ppi, viewing).orElseThrow();
    }

    private static Optional<UnsharpMasking> masking(Sharpening sharpening, int ppi, ViewingDistance viewing) {
        return SharpeningRule.settings(sharpening, Resolution.perInch(ppi), viewing, AS_IT_IS)
                .map(UnsharpMasking.class::cast);
    }

    /** An arc minute is 0.29089 mm at 1 m; worked out by hand from it. */
    @ParameterizedTest
    @CsvSource({
        "LUSTRE, 300, HAND, 0.5, 1.031",
        "MATT, 300, HAND, 0.44, 1.385",
        "CANVAS, 300, HAND, 0.32, 1.976",
        "CANVAS, 200, WALL, 0.32, 2.920",
        "LUSTRE, 360, TABLE, 0.5, 2.474",
        "LUSTRE, 100, HAND, 0.5, 0.600"
    })
    void radiusFollowsEyePaperAndPpi(PaperKind paper, int ppi, ViewingDistance viewing, double amount, double sigma) {
        UnsharpMasking settings = forPaper(paper, ppi, viewing);
        assertThat(settings.amount()).isEqualTo(amount);
        assertThat(settings.sigmaPixels()).isCloseTo(sigma, within(0.001));
        assertThat(settings.threshold()).isEqualTo(0.01);
    }

    @Test
    void forAScreenThePpiMeansNothing() {
        for (int ppi : new int[] {72, 300, 600}) {
            UnsharpMasking settings = masking(new Sharpening.ForScreen(), ppi, ViewingDistance.WALL)
                    .orElseThrow();
            assertThat(settings.sigmaPixels()).isEqualTo(0.6);
            assertThat(haloOfAStep(settings).isNoticed()).isFalse();
        }
    }

    /** What the table promises: no single step, however hard, is sharpened to a halo. */
    @ParameterizedTest
    @EnumSource(PaperKind.class)
    void noSingleStepBecomesAHalo(PaperKind paper) {
        for (ViewingDistance viewing : ViewingDistance.values()) {
            for (int ppi : new int[] {100, 200, 300, 360}) {
                Halo halo = haloOfAStep(forPaper(paper, ppi, viewing));
                assertThat(halo.contours()).isPositive();
                assertThat(halo.isNoticed())
                        .as("%s, %s at %d ppi: %s", paper, viewing, ppi, halo)
                        .isFalse();
            }
        }
    }

    private static Halo haloOfAStep(UnsharpMasking settings) {
        PixelSize size = new PixelSize(512, 32);
        var sharpening = new embrick.core.sharpen.Sharpened(settings, size, 1, Encoding.srgb(), (region, into, at) -> {
            for (int i = 0; i < region.width() * region.height(); i++) {
                into[at + i] = region.x() + i % region.width() < 256 ? 0.3f : 0.7f;
            }
        });
        sharpening.render(PixelRect.whole(size), new float[512 * 32], 0);
        return sharpening.halo();
    }

    @Test
    void exactValuesAreTakenAsTheyAre() {
        Sharpening byHand = new Sharpening.Exact(30, Length.parse("0.127 mm", LengthUnit.MM), 2);
        UnsharpMasking settings = masking(byHand, 300, ViewingDistance.BANNER).orElseThrow();
        // 0.127 mm is 1/200 in.
        assertThat(settings.sigmaPixels()).isCloseTo(1.5, within(1e-6));
        assertThat(settings.amount()).isEqualTo(0.6);
        assertThat(settings.threshold()).isEqualTo(0.02);
    }

    @Test
    void strengthNoughtIsNoSharpening() {
        Length radius = Length.parse("0.1 mm", LengthUnit.MM);
        for (Sharpening none : Arrays.asList(
                new Sharpening.None(), new Sharpening.Exact(0, radius, 1), new Sharpening.LocalContrast(0, radius))) {
            assertThat(masking(none, 300, ViewingDistance.HAND)).isEmpty();
        }
    }

    @Test
    void aRadiusUnderAThirdOfAPixelIsAProblemWithARemedy() {
        Sharpening fine = new Sharpening.Exact(30, Length.parse("0.02 mm", LengthUnit.MM), 1);
        assertThat(SharpeningRule.problem(fine, Resolution.perInch(300), AS_IT_IS, 2400))
                .get()
                .satisfies(problem -> assertThat(problem.remedy()).contains("another radius"));
        assertThat(SharpeningRule.problem(fine, Resolution.perInch(720), AS_IT_IS, 2400))
                .isEmpty();
    }

    /** A blur is the original's: twice as large it is twice as wide, turned with the picture, and gone when it is small. */
    @Test
    void aBlurFollowsScaleTurnsMirrorAndTilt() {
        Sharpening soft = new Sharpening.BlurUndone(new Sharpening.Blurred.OutOfFocus(1.5), 50, 0.8);
        assertThat(undone(soft, new BlurRule.Lie(0.5, Framing.centred())))
                .contains(new Deconvolution(new Deconvolution.Spread.Gaussian(3), 12, 0.008));
        assertThat(undone(soft, new BlurRule.Lie(6, Framing.centred()))).isEmpty();
        Sharpening moved = new Sharpening.BlurUndone(new Sharpening.Blurred.Moved(12, 30), 100, 0);
        Framing turned = Framing.centred().withQuarterTurns(1).withTilt(5);
        assertThat(undone(moved, new BlurRule.Lie(2, turned)))
                .contains(new Deconvolution(new Deconvolution.Spread.Line(6, -55), 24, 0));
        Framing mirrored = Framing.centred().withMirror(Framing.Mirror.MIRRORED);
        assertThat(undone(moved, new BlurRule.Lie(1, mirrored)))
                .contains(new Deconvolution(new Deconvolution.Spread.Line(12, -30), 24, 0));
    }

    private static Optional<SharpeningSettings> undone(Sharpening sharpening, BlurRule.Lie lie) {
        return SharpeningRule.settings(sharpening, Resolution.perInch(300), ViewingDistance.HAND, lie);
    }

    @Test
    void aBlurThatIsTooWideForTheOutputIsAProblemWithARemedy() {
        Sharpening wide = new Sharpening.BlurUndone(new Sharpening.Blurred.OutOfFocus(4), 50, 1);
        assertThat(SharpeningRule.problem(wide, Resolution.perInch(300), AS_IT_IS, 6000))
                .isEmpty();
        assertThat(SharpeningRule.problem(
                        wide, Resolution.perInch(300), new BlurRule.Lie(0.25, Framing.centred()), 6000))
                .hasValueSatisfying(problem -> assertThat(problem.code()).isEqualTo("blur-too-wide"));
        assertThat(SharpeningRule.problem(wide, Resolution.perInch(300), AS_IT_IS, 60_000))
                .hasValueSatisfying(problem -> assertThat(problem.code()).isEqualTo("blur-too-much"));
    }
}
