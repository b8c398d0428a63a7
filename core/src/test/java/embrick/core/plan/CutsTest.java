package embrick.core.plan;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A cut of fixed pixels: nothing is scaled. */
class CutsTest {
    private static final SourceFacts PICTURE = picture(6000, 4000);

    private static final SourceFacts SMALL = picture(900, 600);

    private Ticket cut(Anchor anchor) {
        return ticket().withSize(new Size.InPixels(new PixelSize(1200, 800)))
                .withFit(new Fit.Cut(PaperColour.WHITE, anchor, Fit.TrimMarks.NONE));
    }

    /** Of 6000 × 4000 px the middle of 1200 × 800 lies at 600, 3000 or 5400 across and at 400, 2000 or 3600 down. */
    @ParameterizedTest
    @CsvSource({
        "TOP_LEFT, 600, 400",
        "TOP, 3000, 400",
        "RIGHT, 5400, 2000",
        "MIDDLE, 3000, 2000",
        "BOTTOM_RIGHT, 5400, 3600"
    })
    void isTakenAtItsCornerSideOrMiddleWithoutScaling(Anchor anchor, double x, double y) {
        Plan plan = FramedPlansTest.plan(PICTURE, cut(anchor), Framing.centred());
        assertThat(plan.sheet()).isEqualTo(new PixelSize(1200, 800));
        assertThat(plan.window().scale()).isEqualTo(1);
        assertThat(plan.window().centreX()).isEqualTo(x);
        assertThat(plan.window().centreY()).isEqualTo(y);
        assertThat(plan.keepsPixels()).isTrue();
    }

    @Test
    void isTheSameWhateverPpiIsMarked() {
        for (int ppi : new int[] {1, 72, 240, 300, 2400}) {
            Plan plan =
                    FramedPlansTest.plan(PICTURE, cut(Anchor.TOP).withPpi(Resolution.perInch(ppi)), Framing.centred());
            assertThat(plan.window().scale()).isEqualTo(1);
            assertThat(plan.total()).isEqualTo(new PixelSize(1200, 800));
        }
    }

    @Test
    void ofAPictureWithFewerPixelsShowsPaperAndSaysSo() {
        Planning planning = Planner.plan(SMALL, cut(Anchor.BOTTOM_LEFT), Framing.centred());
        assertThat(planning).isInstanceOfSatisfying(Planning.Ready.class, ready -> {
            assertThat(ready.plan().picture()).isEqualTo(new PixelRect(0, 200, 900, 600));
            assertThat(ready.notices()).extracting(Notice::code).contains("smaller-than-cut");
        });
    }

    @Test
    void isMovedAndNeverTightened() {
        assertThat(Handling.of(cut(Anchor.MIDDLE)))
                .isEqualTo(new Handling(
                        Handling.Moves.PICTURE,
                        Handling.Scaling.FIXED,
                        Handling.CornerChoice.TICKET,
                        Handling.SpokenSize.PIXELS));
        Plan tighter = FramedPlansTest.plan(
                PICTURE, cut(Anchor.MIDDLE), Framing.centred().withTightness(2));
        assertThat(tighter.window().scale()).isEqualTo(1);
    }
}
