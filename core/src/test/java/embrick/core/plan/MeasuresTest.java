package embrick.core.plan;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.framing.Framing;
import embrick.core.ticket.Measure;
import embrick.core.ticket.Measure.Side;
import embrick.core.ticket.Size;
import embrick.core.ticket.Size.Enlarging;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pieces that keep their picture's shape and meet a measure; sheets that are said in pixels. */
class MeasuresTest {
    private static Ticket scaled(Measure measure, Enlarging enlarging) {
        return ticket().withSize(new Size.Scaled(measure, enlarging));
    }

    private static Planning.Ready ready(int width, int height, Ticket ticket) {
        return ready(width, height, ticket, Framing.centred());
    }

    private static Planning.Ready ready(int width, int height, Ticket ticket, Framing framing) {
        return (Planning.Ready) Planner.plan(picture(width, height), ticket, framing);
    }

    private static PixelSize pixels(int width, int height, Measure measure) {
        return ready(width, height, scaled(measure, Enlarging.ALLOWED)).plan().sheet();
    }

    /** By arithmetic; a square and an upright one: common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "6000, 4000, LONG, 2048, 2048, 1365",
        "4000, 6000, LONG, 2000, 1333, 2000",
        "4000, 4000, LONG, 2000, 2000, 2000",
        "6000, 4000, SHORT, 1080, 1620, 1080",
        "6000, 4000, WIDTH, 1500, 1500, 1000",
        "4000, 6000, WIDTH, 1500, 1500, 2250",
        "6000, 4000, HEIGHT, 1000, 1500, 1000",
        "600, 400, LONG, 2048, 2048, 1365"
    })
    void aSideIsMetExactlyAndTheOtherFollows(int width, int height, Side side, int pixels, int across, int down) {
        assertThat(pixels(width, height, new Measure.SidePixels(side, pixels))).isEqualTo(new PixelSize(across, down));
    }

    /** A short side of 17 in at 360 ppi is 6120 px; 1024 px at 72 ppi, kept in size at 300, become 4267: by arithmetic. */
    @Test
    void aSideOnPaperIsItsPixelsAtTheTicketsPpi() {
        Ticket large = scaled(new Measure.SideLength(Side.SHORT, Length.inches("17")), Enlarging.ALLOWED)
                .withPpi(Resolution.perInch(360));
        assertThat(ready(6000, 4000, large).plan().sheet()).isEqualTo(new PixelSize(9180, 6120));
        Ticket kept = scaled(new Measure.SideLength(Side.LONG, Length.inches("14.2222")), Enlarging.ALLOWED);
        assertThat(ready(1024, 768, kept).plan().sheet().width()).isEqualTo(4267);
    }

    @ParameterizedTest
    @CsvSource({"6000, 4000, 2048, 1365", "4000, 6000, 1365, 2048", "5000, 5000, 2048, 2048"})
    void aBoxHoldsAllOfEachPicture(int width, int height, int across, int down) {
        assertThat(pixels(width, height, new Measure.Within(new PixelSize(2048, 2048))))
                .isEqualTo(new PixelSize(across, down));
    }

    @Test
    void aBoxIsAsItIsSaidWhicheverWayAPictureLies() {
        Measure box = new Measure.Within(new PixelSize(1920, 1080));
        assertThat(pixels(6000, 4000, box)).isEqualTo(new PixelSize(1620, 1080));
        assertThat(pixels(4000, 6000, box)).isEqualTo(new PixelSize(720, 1080));
    }

    /** 25 % of 3456 × 2592 is 864 × 648. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({"25, 864, 648", "100, 3456, 2592", "200, 6912, 5184", "33.3, 1151, 863"})
    void perCentIsOfEachSide(BigDecimal percent, int across, int down) {
        assertThat(pixels(3456, 2592, new Measure.Percent(percent))).isEqualTo(new PixelSize(across, down));
    }

    @ParameterizedTest
    @CsvSource({"6000, 4000, 12", "4000, 6000, 2.5", "5001, 777, 1"})
    void megapixelsAreMetAsNearlyAsWholeSidesLet(int width, int height, BigDecimal millions) {
        PixelSize made = pixels(width, height, new Measure.Megapixels(millions));
        // Half a pixel of each side at most.
        double most = (made.width() + made.height()) / 2.0 + 1;
        assertThat((double) made.pixels()).isCloseTo(millions.doubleValue() * 1e6, within(most));
        assertThat((double) made.width() / made.height()).isCloseTo((double) width / height, within(0.01));
    }

    @Test
    void nothingIsEnlargedUnlessThatIsSaid() {
        Measure measure = new Measure.SidePixels(Side.LONG, 2048);
        Planning.Ready kept = ready(1200, 800, scaled(measure, Enlarging.NEVER));
        assertThat(kept.plan().sheet()).isEqualTo(new PixelSize(1200, 800));
        assertThat(kept.plan().window().scale()).as("the original's own pixels").isEqualTo(1);
        assertThat(kept.notices()).extracting(Notice::code).contains("not-enlarged");
        assertThat(kept.notices().stream()
                        .filter(notice -> notice.code().equals("not-enlarged"))
                        .findFirst()
                        .orElseThrow()
                        .text())
                .contains("1200 × 800 px", "2048 × 1365 px");

        Planning.Ready made = ready(1200, 800, scaled(measure, Enlarging.ALLOWED));
        assertThat(made.plan().sheet()).isEqualTo(new PixelSize(2048, 1365));
        assertThat(made.notices()).extracting(Notice::code).contains("enlarged").doesNotContain("not-enlarged");
    }

    @Test
    void aPictureThatHasJustThePixelsKeepsThemAndNothingIsSaid() {
        for (Enlarging enlarging : Enlarging.values()) {
            Planning.Ready same = ready(2048, 1365, scaled(new Measure.SidePixels(Side.LONG, 2048), enlarging));
            assertThat(same.plan().sheet()).isEqualTo(new PixelSize(2048, 1365));
            assertThat(same.plan().window().scale()).isEqualTo(1);
            assertThat(same.notices()).extracting(Notice::code).doesNotContain("not-enlarged", "enlarged");
        }
    }

    /** A framing that shows less of the picture: the measure is the piece's, and what is inside may not be enlarged. */
    @Test
    void theMeasureIsMetByTheFrame() {
        Framing half = Framing.centred().withTightness(2);
        Measure measure = new Measure.SidePixels(Side.LONG, 2048);
        assertThat(ready(6000, 4000, scaled(measure, Enlarging.NEVER), half)
                        .plan()
                        .sheet())
                .isEqualTo(new PixelSize(2048, 1365));
        assertThat(ready(3000, 2000, scaled(measure, Enlarging.NEVER), half)
                        .plan()
                        .sheet())
                .isEqualTo(new PixelSize(1500, 1000));
    }

    @Test
    void theFrameIsNeverLargerThanThePicture() {
        for (int width : List.of(6000, 5999, 5003, 4001, 3777)) {
            Plan plan = ready(width, 4000, scaled(new Measure.SidePixels(Side.LONG, 1021), Enlarging.NEVER))
                    .plan();
            assertThat(plan.sheet().width() * plan.window().scale()).isLessThanOrEqualTo(width + 1e-6);
            assertThat(plan.sheet().height() * plan.window().scale()).isLessThanOrEqualTo(4000 + 1e-6);
        }
    }

    @Test
    void framingsOfTheOwnShapeAreShared() {
        assertThat(scaled(new Measure.Percent(BigDecimal.TEN), Enlarging.NEVER)
                        .shape()
                        .key())
                .isEqualTo(ticket().withSize(new Size.OwnShape()).shape().key());
    }

    @Test
    void aSheetInPixelsIsTurnedToSuitAndTakesNoPpi() {
        Ticket square = ticket().withSize(new Size.InPixels(new PixelSize(1080, 1350)));
        assertThat(ready(6000, 4000, square).plan().sheet()).isEqualTo(new PixelSize(1350, 1080));
        assertThat(ready(4000, 6000, square.withPpi(Resolution.perInch(72)))
                        .plan()
                        .sheet())
                .isEqualTo(new PixelSize(1080, 1350));
        assertThat(square.shape().key()).isEqualTo("4:5");
    }

    @Test
    void whatIsNoMeasureIsRefused() {
        assertThatThrownBy(() -> new Measure.Percent(BigDecimal.ZERO)).hasMessageContaining("0.1 to 1600, got 0");
        assertThatThrownBy(() -> new Measure.Percent(BigDecimal.valueOf(10_000)))
                .hasMessageContaining("got 10000");
        assertThatThrownBy(() -> new Measure.SidePixels(Side.LONG, 0)).hasMessageContaining("got 0 px");
        assertThatThrownBy(() -> new Measure.Megapixels(BigDecimal.ZERO)).hasMessageContaining("0.0001 to 1000");
        assertThat(Planner.plan(
                        picture(6000, 4000),
                        scaled(new Measure.SidePixels(Side.LONG, 70_000), Enlarging.ALLOWED),
                        Framing.centred()))
                .isInstanceOf(Planning.Refused.class);
    }
}
