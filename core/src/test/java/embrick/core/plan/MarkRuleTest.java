package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.edge.CaptionLine;
import embrick.core.edge.Marking;
import embrick.core.edge.Stamp;
import embrick.core.framing.Framing;
import embrick.core.problem.Problem;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Mark.Place;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On 1200 × 800 px an em of 5 % is 40 px, words of 4 em are 160 px long, and 24 px stay free at the edge. */
class MarkRuleTest {
    private static final Ticket SCREEN = ticket().withSize(new Size.InPixels(new PixelSize(1200, 800)));

    private static final Mark.Content ADA = new Mark.Content.Words("© Ada");

    private static CaptionLine line(Stamp stamp) {
        return ((Stamp.Words) stamp).line();
    }

    private static Planning planning(Ticket ticket, Place place, int sizePercent, String missing) {
        return Planner.plan(
                picture(6000, 4000),
                ticket.withMark(Optional.of(new Mark(new Mark.Content.Words("© Ada"), place, sizePercent, 40))),
                Framing.centred(),
                new MeasuredWords(Optional.empty(), Optional.of(new CaptionText("© Ada", 4, missing))));
    }

    private static Marking marking(Place place, int sizePercent) {
        return switch (planning(SCREEN, place, sizePercent, "")) {
            case Planning.Ready ready -> ready.plan().marking().orElseThrow();
            case Planning.Refused refused ->
                throw new AssertionError(refused.problems().toString());
        };
    }

    @ParameterizedTest
    @CsvSource({"TOP_LEFT, 104, 44", "TOP, 600, 44", "RIGHT, 1096, 400", "MIDDLE, 600, 400", "BOTTOM_RIGHT, 1096, 756"})
    void standsWhereItIsSaid(Place place, double middleX, double middleY) {
        Marking marking = marking(place, 5);
        assertThat(marking.degrees()).isZero();
        assertThat(marking.strength()).isEqualTo(0.4);
        assertThat(marking.stamps())
                .singleElement()
                .extracting(MarkRuleTest::line)
                .satisfies(line -> {
                    assertThat(line.emPixels()).isEqualTo(40);
                    assertThat(line.middleX()).isCloseTo(middleX, within(1e-9));
                    // Small letters stand with their middle there: 0.26 em above the baseline.
                    assertThat(line.baseline()).isCloseTo(middleY + 0.26 * 40, within(1e-9));
                });
    }

    @Test
    void acrossItFollowsTheRisingDiagonal() {
        Marking marking = marking(Place.ACROSS, 10);
        assertThat(marking.degrees()).isCloseTo(33.69, within(0.01));
        assertThat(marking.stamps()).extracting(stamp -> line(stamp).middleX()).containsExactly(600.0);
    }

    @Test
    void tiledItCoversThePictureInBoundedNumber() {
        for (int percent : new int[] {1, 3, 10}) {
            Marking marking = marking(Place.TILED, percent);
            assertThat(marking.stamps()).hasSizeBetween(1, 2000);
            assertThat(marking.stamps()).anyMatch(stamp -> line(stamp).middleX() > 700);
        }
    }

    /** A figure of 300 × 100 px that is 10 % of 800 px high is 80 px high and 240 wide. */
    @Test
    void aFigureKeepsItsShape() {
        Mark mark =
                new Mark(new Mark.Content.Stencil("d".repeat(64), new PixelSize(300, 100)), Place.BOTTOM_RIGHT, 10, 70);
        Planning planning = Planner.plan(
                picture(6000, 4000), SCREEN.withMark(Optional.of(mark)), Framing.centred(), MeasuredWords.NONE);
        assertThat(((Planning.Ready) planning).plan().marking().orElseThrow().stamps())
                .containsExactly(new Stamp.Figure("d".repeat(64), 1200 - 24 - 120, 800 - 24 - 40, 240, 80));
    }

    @Test
    void oneThatIsLargerThanThePictureIsRefused() {
        assertThat(planning(SCREEN, Place.MIDDLE, 40, ""))
                .isInstanceOfSatisfying(
                        Planning.Refused.class,
                        refused -> assertThat(refused.problems())
                                .extracting(Problem::code)
                                .containsExactly("mark-too-large"));
        assertThat(planning(SCREEN, Place.MIDDLE, 5, "漢"))
                .isInstanceOfSatisfying(
                        Planning.Refused.class,
                        refused -> assertThat(refused.problems())
                                .extracting(Problem::code)
                                .containsExactly("mark-characters"));
        assertThatThrownBy(() -> new Mark(ADA, Place.BOTTOM, 0, 40)).hasMessageContaining("size of the mark");
        assertThatThrownBy(() -> new Mark(ADA, Place.BOTTOM, 5, 101)).hasMessageContaining("strength of the mark");
        assertThatThrownBy(() -> new Mark.Content.Words(" ")).hasMessageContaining("words of 1 to");
    }

    @Test
    void onAPrintItIsWarnedAbout() {
        assertThat(planning(ticket().withSize(onPaper("8 in", "10 in")), Place.BOTTOM, 3, ""))
                .isInstanceOfSatisfying(
                        Planning.Ready.class,
                        ready -> assertThat(ready.notices())
                                .extracting(Notice::code)
                                .contains("mark-on-print"));
        assertThat(planning(SCREEN, Place.BOTTOM, 3, ""))
                .isInstanceOfSatisfying(
                        Planning.Ready.class,
                        ready -> assertThat(ready.notices())
                                .extracting(Notice::code)
                                .doesNotContain("mark-on-print"));
    }

    @Test
    void pixelsUnderAMarkAreNoLongerKept() {
        Ticket own = ticket().withSize(new Size.OwnShape());
        assertThat(((Planning.Ready) planning(own, Place.BOTTOM, 3, "")).plan().keepsPixels())
                .isFalse();
    }
}
