package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import org.junit.jupiter.api.Test;

class ReducedPlanTest {
    private static Plan plan(Ticket ticket) {
        return FramedPlansTest.plan(
                picture(6000, 4000), ticket, Framing.centred().withTilt(2).withTightness(1.1));
    }

    @Test
    void showsTheSamePartOfThePictureOnFewerPixels() {
        Plan whole = plan(ticket());
        Plan reduced = ReducedPlan.of(whole, 3);
        assertThat(reduced.sheet()).isEqualTo(new PixelSize(1000, 800));
        for (double share : new double[] {0, 0.3, 1}) {
            assertThat(reduced.window().seenX(1000 * share, 800 * share))
                    .isCloseTo(whole.window().seenX(3000 * share, 2400 * share), within(1e-6));
            assertThat(reduced.window().seenY(1000 * share, 800 * share))
                    .isCloseTo(whole.window().seenY(3000 * share, 2400 * share), within(1e-6));
        }
    }

    @Test
    void keepsPaperAndPictureInProportion() {
        Plan whole = plan(ticket().withSize(onPaper("15 in", "10 in")).withFit(new Fit.Inside(PaperColour.WHITE)));
        for (double reduction : new double[] {1.7, 7.3, 44, 900}) {
            Plan reduced = ReducedPlan.of(whole, reduction);
            // Edges round to the nearest pixel.
            assertThat(reduced.picture().x())
                    .isCloseTo((int) Math.round(whole.picture().x() / reduction), within(1));
            assertThat(reduced.picture().width() * reduction)
                    .isCloseTo(whole.picture().width(), within(reduction));
        }
    }

    @Test
    void sharpeningKeepsItsRadiusOnPaperWhileItCan() {
        Sharpening sharpening = new Sharpening.Exact(40, Length.parse("0.2 mm", LengthUnit.MM), 0);
        Plan whole = plan(ticket().withSharpening(sharpening));
        // 0.2 mm at 300 ppi are 2.36 px.
        assertThat(ReducedPlan.of(whole, 2).sharpening().orElseThrow().sigmaPixels())
                .isCloseTo(whole.sharpening().orElseThrow().sigmaPixels() / 2, within(1e-12));
        assertThat(ReducedPlan.of(whole, 20).sharpening()).isEmpty();
    }

    @Test
    void aReductionOfOneIsThePlanItself() {
        Plan whole = plan(ticket());
        assertThat(ReducedPlan.of(whole, 1)).isSameAs(whole);
        assertThatThrownBy(() -> ReducedPlan.of(whole, 0.5)).hasMessageContaining("expected 1 or more");
    }
}
