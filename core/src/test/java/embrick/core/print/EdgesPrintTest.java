package embrick.core.print;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.ticket;
import static embrick.core.print.PrintTest.NONE;
import static embrick.core.print.PrintTest.plan;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.edge.CaptionRenderer;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.plan.CaptionText;
import embrick.core.plan.MeasuredWords;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.ReducedPlan;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.Fit;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.lang.foreign.ValueLayout;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Bands, held against the face printed without them and folded here by hand. */
class EdgesPrintTest {
    private static final int WIDTH = 300;
    private static final int HEIGHT = 240;
    /** Bands that differ on each side: 7, 20, 33 and 0 px at 50 ppi. */
    private static final Sides UNEVEN =
            new Sides(Length.inches("0.4"), Length.inches("0.66"), Length.millimetres(0), Length.inches("0.14"));

    private static final Ticket FACE = ticket().withSize(onPaper("2 in", "1.5 in"))
            .withPpi(Resolution.perInch(50))
            .withSharpening(new Sharpening.ForPaper(PaperKind.MATT));
    private static final Framing FRAMING = Framing.centred().withTilt(4).withTightness(1.4);

    private final Raster raster = noise();

    private static Raster noise() {
        Raster raster = Raster.allocate(new PixelSize(WIDTH, HEIGHT), 3, 1);
        Random random = new Random(5);
        for (long i = 0; i < raster.samples().byteSize(); i++) {
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) random.nextInt(256));
        }
        return raster;
    }

    @AfterEach
    void close() {
        raster.close();
    }

    private static Edges wrap(Sides bar, EdgeFill fill) {
        return new Edges.Wrap(bar, Sides.even(Length.millimetres(0)), fill, WrapMarks.NONE);
    }

    private Plan planned(Ticket ticket) {
        return plan(WIDTH, HEIGHT, ticket, FRAMING);
    }

    private float[] whole(Plan plan) {
        Print print = Printer.print(plan, raster, NONE);
        float[] samples = new float[Math.toIntExact(print.size().pixels() * 3)];
        print.render(PixelRect.whole(print.size()), samples);
        return samples;
    }

    /** Where a position of an axis is read from, said once more and otherwise than the engine says it. */
    private static int mirrored(int position, int length) {
        int at = position;
        while (at < 0 || at >= length) {
            at = at < 0 ? -1 - at : 2 * length - 1 - at;
        }
        return at;
    }

    private interface Axis {
        int at(int position, int length);
    }

    private void assertFolded(Sides bar, EdgeFill fill, Axis axis) {
        Plan plan = planned(FACE.withEdges(wrap(bar, fill)));
        float[] face = whole(planned(FACE));
        float[] total = whole(plan);
        int faceWidth = plan.sheet().width();
        int width = plan.total().width();
        for (int y = 0; y < plan.total().height(); y++) {
            int fromY = axis.at(y - plan.sheetOnTotal().y(), plan.sheet().height());
            for (int x = 0; x < width; x++) {
                int fromX = axis.at(x - plan.sheetOnTotal().x(), faceWidth);
                for (int c = 0; c < 3; c++) {
                    assertThat(total[(y * width + x) * 3 + c])
                            .as("%d, %d", x, y)
                            .isEqualTo(face[(fromY * faceWidth + fromX) * 3 + c]);
                }
            }
        }
    }

    @Test
    void aMirrorIsTheFaceCountedFromTheFoldAndItsCornersAreMirroredTwice() {
        assertFolded(UNEVEN, new EdgeFill.Mirror(), EdgesPrintTest::mirrored);
    }

    @Test
    void aMirrorWiderThanItsFaceFoldsBackAgain() {
        assertFolded(Sides.even(Length.inches("5")), new EdgeFill.Mirror(), EdgesPrintTest::mirrored);
    }

    @Test
    void drawnOutIsTheRimsPixelAndInTheCornersTheCornersOwn() {
        assertFolded(UNEVEN, new EdgeFill.DrawnOut(), (at, length) -> Math.clamp(at, 0, length - 1));
    }

    @Test
    void aPlainBandIsItsColourAndTheFaceIsUntouched() {
        Plan plan = planned(FACE.withEdges(wrap(UNEVEN, new EdgeFill.Plain(PaperColour.parse("#336699")))));
        assertPlain(plan, new float[] {0x33 / 255f, 0x66 / 255f, 0x99 / 255f}, 0);
    }

    @Test
    void theRimsMeanIsTheMeanOfTheOutermostPixels() {
        Plan plan = planned(FACE.withEdges(wrap(UNEVEN, new EdgeFill.RimMean())));
        float[] face = whole(planned(FACE));
        int width = plan.sheet().width();
        int height = plan.sheet().height();
        double[] sums = new double[3];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                boolean isRim = x == 0 || y == 0 || x == width - 1 || y == height - 1;
                for (int c = 0; isRim && c < 3; c++) {
                    sums[c] += face[(y * width + x) * 3 + c];
                }
            }
        }
        float[] mean = new float[3];
        for (int c = 0; c < 3; c++) {
            mean[c] = (float) (sums[c] / (2 * width + 2 * height - 4));
        }
        // Another order of summation: a float's last digits.
        assertPlain(plan, mean, 1e-6);
    }

    private void assertPlain(Plan plan, float[] colour, double apart) {
        float[] face = whole(planned(FACE));
        float[] total = whole(plan);
        PixelRect sheet = plan.sheetOnTotal();
        for (int y = 0; y < plan.total().height(); y++) {
            for (int x = 0; x < plan.total().width(); x++) {
                boolean isFace = x >= sheet.x() && x < sheet.right() && y >= sheet.y() && y < sheet.bottom();
                for (int c = 0; c < 3; c++) {
                    float got = total[(y * plan.total().width() + x) * 3 + c];
                    if (isFace) {
                        assertThat(got).isEqualTo(face[((y - sheet.y()) * sheet.width() + x - sheet.x()) * 3 + c]);
                    } else {
                        assertThat((double) got).isCloseTo(colour[c], within(apart));
                    }
                }
            }
        }
    }

    /** CHECKS.md: picture: equal to the same frame printed at the total's pixels. */
    @Test
    void aWrapOfThePictureIsTheSameFrameAtTheTotalsPixels() {
        Plan wrapped = planned(FACE.withEdges(wrap(Sides.even(Length.inches("0.5")), new EdgeFill.Picture())));
        Plan total = planned(FACE.withSize(onPaper("3 in", "2.5 in")));
        assertThat(whole(wrapped)).isEqualTo(whole(total));
    }

    /** At few ppi too a mark is two solid black pixels between white ones, on a band of any grey: nothing of it is grey. */
    @ParameterizedTest
    @CsvSource({"#808080, 100", "#808080, 72", "#000000, 100", "#FFFFFF, 100", "#787878, 300"})
    void aFoldMarkStandsOutOnAnyBand(String band, int ppi) {
        Ticket ticket = FACE.withPpi(Resolution.perInch(ppi))
                .withSharpening(new Sharpening.None())
                .withEdges(new Edges.Wrap(
                        Sides.even(Length.inches("0.5")),
                        Sides.even(Length.inches("0.5")),
                        new EdgeFill.Plain(PaperColour.parse(band)),
                        WrapMarks.FOLDS_AND_CORNERS));
        Plan plan = planned(ticket);
        float[] total = whole(plan);
        int width = plan.total().width();
        int fold = plan.sheetOnTotal().x();
        // A row of the allowance, well away from the lines at the corners.
        int row = (int) (0.3 * ppi);
        for (int x = fold - 4; x < fold + 4; x++) {
            float sample = total[(row * width + x) * 3];
            boolean isMark = x == fold - 1 || x == fold;
            boolean isBeside = x == fold - 2 || x == fold + 1;
            if (isMark) {
                assertThat(sample).as("%d of %d", x - fold, width).isZero();
            } else if (isBeside) {
                assertThat(sample).as("%d of %d", x - fold, width).isEqualTo(1);
            }
        }
    }

    @Test
    void aTrimMarkOnPaperIsSolid() {
        Ticket ticket = FACE.withPpi(Resolution.perInch(100))
                .withFit(new Fit.Inside(
                        PaperColour.parse("#808080"),
                        embrick.core.ticket.Anchor.MIDDLE,
                        Length.inches("0.4"),
                        Fit.TrimMarks.AT_CORNERS));
        Plan plan = planned(ticket);
        float[] total = whole(plan);
        PixelRect picture = plan.picture();
        int row = picture.y() - 12;
        for (int x : new int[] {picture.x() - 1, picture.x()}) {
            assertThat(total[(row * plan.total().width() + x) * 3]).isZero();
        }
    }

    static Stream<Edges> edges() {
        return Stream.of(
                wrap(UNEVEN, new EdgeFill.Mirror()),
                wrap(Sides.even(Length.inches("3")), new EdgeFill.Mirror()),
                wrap(UNEVEN, new EdgeFill.DrawnOut()),
                wrap(UNEVEN, new EdgeFill.RimMean()),
                new Edges.Bleed(Length.inches("0.3"), Length.millimetres(3), new EdgeFill.Picture()),
                new Edges.Wrap(
                        UNEVEN, Sides.even(Length.millimetres(6)), new EdgeFill.Mirror(), WrapMarks.FOLDS_AND_CORNERS),
                new Edges.Border(
                        new BorderSize.HeavierBottom(Length.inches("0.2"), Length.inches("0.6")),
                        PaperColour.parse("#EEE8D0"),
                        Optional.of(new Edges.KeyLine(Length.millimetres(1), PaperColour.BLACK)),
                        Optional.empty()));
    }

    /** Strips of any height, also not in order, and any part: the very samples that the whole has there. */
    @ParameterizedTest
    @MethodSource("edges")
    void anyStripAndAnyPartHaveTheSameSamples(Edges edges) {
        Plan plan = planned(FACE.withEdges(edges));
        float[] whole = whole(plan);
        int row = plan.total().width() * 3;
        for (int height : new int[] {1, 7, 64, 999}) {
            Print print = Printer.print(plan, raster, NONE);
            for (int y = 0; y < plan.total().height(); y += height) {
                int rows = Math.min(height, plan.total().height() - y);
                assertSame(print.rows(y, rows).samples(), whole, y * row, rows * row);
            }
        }
        Print print = Printer.print(plan, raster, NONE);
        Random random = new Random(8);
        for (int i = 0; i < 60; i++) {
            int x = random.nextInt(plan.total().width());
            int y = random.nextInt(plan.total().height());
            PixelRect part = new PixelRect(
                    x,
                    y,
                    1 + random.nextInt(plan.total().width() - x),
                    1 + random.nextInt(plan.total().height() - y));
            float[] samples = new float[part.width() * part.height() * 3];
            print.render(part, samples);
            for (int r = 0; r < part.height(); r++) {
                for (int s = 0; s < part.width() * 3; s++) {
                    assertThat(samples[r * part.width() * 3 + s]).isEqualTo(whole[(y + r) * row + x * 3 + s]);
                }
            }
        }
    }

    private static void assertSame(float[] got, float[] whole, int from, int count) {
        for (int i = 0; i < count; i++) {
            assertThat(got[i]).isEqualTo(whole[from + i]);
        }
    }

    @Test
    void marksLieInTheAllowanceAndSpareFaceAndBars() {
        Sides bar = Sides.even(Length.inches("0.4"));
        Sides allowance = Sides.even(Length.inches("0.5"));
        Plan marked = planned(
                FACE.withEdges(new Edges.Wrap(bar, allowance, new EdgeFill.Mirror(), WrapMarks.FOLDS_AND_CORNERS)));
        float[] plain =
                whole(planned(FACE.withEdges(new Edges.Wrap(bar, allowance, new EdgeFill.Mirror(), WrapMarks.NONE))));
        float[] inked = whole(marked);
        int width = marked.total().width();
        int height = marked.total().height();
        int changed = 0;
        for (int pixel = 0; pixel < width * height; pixel++) {
            int x = pixel % width;
            int y = pixel / width;
            boolean inAllowance = x < 25 || y < 25 || x >= width - 25 || y >= height - 25;
            // A corner's line runs where both bars' backs meet: outside them.
            boolean inCorner = (x < 45 || x >= width - 45) && (y < 45 || y >= height - 45);
            if (inked[pixel * 3] != plain[pixel * 3]) {
                changed++;
                assertThat(inAllowance || inCorner).as("%d, %d", x, y).isTrue();
            }
        }
        assertThat(changed).isGreaterThan(500);
        // Fold marks: black where the face's left rim, 45 px in, runs out into the allowance above.
        assertThat(inked[(10 * width + 45) * 3]).isLessThan(0.6f);
        // The corner's line passes through (25, 25) from (50, 0) to (0, 50).
        assertThat(inked[(25 * width + 24) * 3]).isLessThan(0.6f);
    }

    @Test
    void aKeyLineGoesRoundTheSheetInItsBorder() {
        Plan plan = planned(FACE.withEdges(new Edges.Border(
                new BorderSize.Even(Length.inches("0.4")),
                PaperColour.WHITE,
                Optional.of(new Edges.KeyLine(Length.inches("0.06"), PaperColour.parse("#FF0000"))),
                Optional.empty())));
        float[] total = whole(plan);
        int width = plan.total().width();
        // 0.06 in at 50 ppi are 3 px outside the sheet that begins at 20.
        float[] across = new float[width];
        for (int x = 0; x < width; x++) {
            across[x] = total[(40 * width + x) * 3 + 1];
        }
        assertThat(across[16]).isEqualTo(1);
        assertThat(new float[] {across[17], across[18], across[19]}).containsOnly(0);
        assertThat(across[width - 17]).isEqualTo(1);
        assertThat(across[width - 18]).isZero();
        assertThat(total[(18 * width + 18) * 3 + 1]).as("corner").isZero();
    }

    @Test
    void aCaptionIsLaidWhereThePlanSays() {
        Edges captioned = new Edges.Border(
                new BorderSize.Even(Length.inches("0.4")),
                PaperColour.WHITE,
                Optional.empty(),
                Optional.of(new Caption(
                        List.of(new Caption.Part.FileName()), Length.inches("0.2"), PaperColour.parse("#0000FF"))));
        Plan plan = ((Planning.Ready) Planner.plan(
                        embrick.core.Sample.picture(WIDTH, HEIGHT),
                        FACE.withEdges(captioned),
                        FRAMING,
                        MeasuredWords.ofCaption(Optional.of(new CaptionText("x", 0.5, "")))))
                .plan();
        PixelRect place = new PixelRect(50, 100, 2, 1);
        CaptionRenderer half = _ -> new CaptionRenderer.Coverage(place, new byte[] {(byte) 255, 51});
        float[] samples = new float[plan.total().width() * plan.total().height() * 3];
        Printer.print(plan, raster, NONE, half).render(PixelRect.whole(plan.total()), samples);
        int at = (100 * plan.total().width() + 50) * 3;
        assertThat(List.of(samples[at], samples[at + 1], samples[at + 2])).containsExactly(0f, 0f, 1f);
        // 51 of 255 is a fifth of blue on white.
        assertThat(samples[at + 3]).isCloseTo(0.8f, within(1e-6f));
        assertThat(samples[at + 5]).isEqualTo(1f);
        assertThatThrownBy(() -> Printer.print(plan, raster, NONE)).hasMessageContaining("letters");
    }

    /** Scaled down for the screen, bands stand where they do on the whole. */
    @Test
    void aReducedPlanKeepsItsBands() {
        Ticket wrapped = ticket().withSize(onPaper("8 in", "10 in"))
                .withPpi(Resolution.perInch(100))
                .withFit(new Fit.Fill(PaperColour.WHITE))
                .withEdges(wrap(Sides.even(Length.inches("1")), new EdgeFill.Plain(PaperColour.BLACK)));
        Plan plan = plan(WIDTH, HEIGHT, wrapped, Framing.centred());
        Plan reduced = ReducedPlan.of(plan, 4);
        assertThat(reduced.total()).isEqualTo(new PixelSize(300, 250));
        assertThat(reduced.sheetOnTotal()).isEqualTo(new PixelRect(25, 25, 250, 200));
        float[] samples = whole(reduced);
        assertThat(samples[(24 * 300 + 150) * 3]).isZero();
        assertThat(samples[(26 * 300 + 150) * 3]).isGreaterThan(0);
    }
}
