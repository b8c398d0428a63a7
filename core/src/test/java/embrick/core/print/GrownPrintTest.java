package embrick.core.print;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.ticket;
import static embrick.core.print.PrintTest.NONE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.Sample;
import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.grown.BareArea;
import embrick.core.grown.GapSamples;
import embrick.core.grown.Grown;
import embrick.core.grown.GrownLayer;
import embrick.core.grown.ReducedGrown;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.ReducedPlan;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.lang.foreign.ValueLayout;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Outputs with a grown background, held against the same output without it. */
class GrownPrintTest {
    private static final int WIDTH = 300;
    private static final int HEIGHT = 240;
    private static final Ticket FACE =
            ticket().withSize(onPaper("2 in", "1.6 in")).withPpi(Resolution.perInch(60));
    private static final Edges WRAP = new Edges.Wrap(
            Sides.even(Length.inches("0.3")), Sides.even(Length.millimetres(0)), new EdgeFill.Grown(), WrapMarks.NONE);

    private static final Map<Plan, GapSamples> GROWN = new HashMap<>();

    private final Raster raster = sand();

    private static Raster sand() {
        Raster raster = Raster.allocate(new PixelSize(WIDTH, HEIGHT), 3, 1);
        Random random = new Random(5);
        for (long i = 0; i < raster.samples().byteSize(); i++) {
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) (110 + random.nextInt(60)));
        }
        return raster;
    }

    @AfterEach
    void close() {
        raster.close();
    }

    private static Planning planning(Ticket ticket, Framing framing) {
        return Planner.plan(Sample.picture(WIDTH, HEIGHT), ticket, framing);
    }

    private static Plan plan(Ticket ticket, Framing framing) {
        return ((Planning.Ready) planning(ticket, framing)).plan();
    }

    /** Grown once for each plan: all tests have the same picture, and what is grown is only read. */
    private GapSamples grow(Plan plan) {
        return GROWN.computeIfAbsent(plan, _ -> {
            GapSamples layer = GapSamples.inMemory(plan.bareArea().orElseThrow(), 3);
            assertThat(Printer.grow(plan, raster, NONE, layer, _ -> {})).isInstanceOf(Grown.Done.class);
            return layer;
        });
    }

    private float[] printed(Plan plan, Optional<GrownLayer> layer) {
        Print print = Printer.print(plan, raster, NONE, line -> null, layer);
        float[] all = new float[print.size().width() * print.size().height() * 3];
        print.render(PixelRect.whole(print.size()), all);
        return all;
    }

    /** Paper would be 1. */
    private static void assertSand(float[] samples) {
        for (float sample : samples) {
            assertThat(sample).isBetween(0.3f, 0.8f);
        }
    }

    @Test
    void theFaceInsideGrownBandsIsTheFaceWithoutThem() {
        Plan wrapped = plan(FACE.withEdges(WRAP), Framing.centred());
        Plan plain = plan(FACE, Framing.centred());

        float[] total = printed(wrapped, Optional.of(grow(wrapped)));
        float[] face = printed(plain, Optional.empty());

        PixelRect place = wrapped.sheetOnTotal();
        for (int y = 0; y < place.height(); y++) {
            for (int i = 0; i < place.width() * 3; i++) {
                int at = ((place.y() + y) * wrapped.total().width() + place.x()) * 3 + i;
                assertThat(total[at]).isEqualTo(face[y * place.width() * 3 + i]);
            }
        }
        assertSand(total);
    }

    @Test
    void anyStripAndPartHasThePixelsOfTheWhole() {
        Plan plan = plan(FACE.withEdges(WRAP), Framing.centred().withTilt(4).withCorners(Corners.GROWN));
        GapSamples layer = grow(plan);
        float[] whole = printed(plan, Optional.of(layer));

        for (PixelRect part : new PixelRect[] {
            new PixelRect(0, 0, plan.total().width(), 7), new PixelRect(5, 9, 40, 61), new PixelRect(90, 80, 60, 50)
        }) {
            Print print = Printer.print(plan, raster, NONE, line -> null, Optional.of(layer));
            float[] samples = new float[part.width() * part.height() * 3];
            print.render(part, samples);
            for (int i = 0; i < samples.length; i++) {
                int x = part.x() + i / 3 % part.width();
                int y = part.y() + i / 3 / part.width();
                assertThat(samples[i]).isEqualTo(whole[(y * plan.total().width() + x) * 3 + i % 3]);
            }
        }
    }

    @Test
    void onlyTheSideThatThePictureIsNotAnchoredAtIsGrown() {
        Ticket ticket =
                FACE.withSize(onPaper("2 in", "1.8 in")).withFit(new Fit.Grown(PaperColour.WHITE, Anchor.BOTTOM));
        Plan plan = plan(ticket, Framing.centred());
        BareArea area = plan.bareArea().orElseThrow();

        assertThat(area.known().bottom()).isEqualTo(plan.total().height());
        assertThat(area.known().y()).isEqualTo(12);
        float[] samples = printed(plan, Optional.of(grow(plan)));
        assertSand(samples);
    }

    @Test
    void cornersThatLevellingLeftAreGrownAndNothingElse() {
        Framing tilted = Framing.centred().withTilt(4);
        Plan grown = plan(FACE, tilted.withCorners(Corners.GROWN));
        Plan paper = plan(FACE, tilted.withCorners(Corners.PAPER));

        float[] samples = printed(grown, Optional.of(grow(grown)));
        float[] onPaper = printed(paper, Optional.empty());

        BareArea area = grown.bareArea().orElseThrow();
        int bare = 0;
        for (int i = 0; i < samples.length; i += 3) {
            if (area.isBare(i / 3 % area.size().width(), i / 3 / area.size().width())) {
                bare++;
                assertThat(samples[i]).isBetween(0.3f, 0.8f);
            } else {
                assertThat(samples[i]).isEqualTo(onPaper[i]);
            }
        }
        assertThat((double) bare / area.size().pixels())
                .isCloseTo(grown.figures().bareShare(), within(0.01));
    }

    @Test
    void aReducedPrintShowsTheSameBackground() {
        Plan plan = plan(FACE.withEdges(WRAP), Framing.centred());
        GapSamples layer = grow(plan);
        float[] whole = printed(plan, Optional.of(layer));
        Plan small = ReducedPlan.of(plan, 3);
        GrownLayer reduced = new ReducedGrown(
                layer, plan.bareArea().orElseThrow(), small.bareArea().orElseThrow(), 3);

        float[] samples = printed(small, Optional.of(reduced));

        int across = small.total().width();
        for (int x = 0; x < across; x++) {
            double mean = 0;
            for (int i = 0; i < 9; i++) {
                mean += whole[
                                (i / 3 * plan.total().width()
                                                + Math.min(
                                                        x * 3 + i % 3,
                                                        plan.total().width() - 1))
                                        * 3]
                        / 9;
            }
            assertThat((double) samples[x * 3]).isCloseTo(mean, within(1e-4));
        }
    }

    @Test
    void anotherAttemptGrowsAnother() {
        Ticket ticket = FACE.withEdges(WRAP);
        Plan first = plan(ticket, Framing.centred());
        Plan second = plan(ticket.withAttempt(2), Framing.centred());

        assertThat(printed(first, Optional.of(grow(first)))).isNotEqualTo(printed(second, Optional.of(grow(second))));
    }

    /** Of a panorama the band beside it is measured by the width, though it is wider than the picture is high. */
    @Test
    void aBandBesideAPanoramaIsMeasuredByItsWidth() {
        Edges beside = new Edges.Wrap(
                new Sides(Length.millimetres(0), Length.inches("0.4"), Length.millimetres(0), Length.millimetres(0)),
                Sides.even(Length.millimetres(0)),
                new EdgeFill.Grown(),
                WrapMarks.NONE);

        assertThat(planning(FACE.withSize(onPaper("3 in", "0.35 in")).withEdges(beside), Framing.centred()))
                .isInstanceOf(Planning.Ready.class);
    }

    @Test
    void aBandDeeperThanAThirdOfThePictureIsRefused() {
        Edges deep = new Edges.Wrap(
                Sides.even(Length.inches("0.9")),
                Sides.even(Length.millimetres(0)),
                new EdgeFill.Grown(),
                WrapMarks.NONE);

        assertThat(planning(FACE.withEdges(deep), Framing.centred()))
                .isInstanceOfSatisfying(
                        Planning.Refused.class,
                        refused -> assertThat(refused.problems())
                                .singleElement()
                                .satisfies(problem -> assertThat(problem.code()).isEqualTo("too-deep-to-grow")));
    }

    @Test
    void aPrintWithoutItsBackgroundIsRefused() {
        Plan plan = plan(FACE.withEdges(WRAP), Framing.centred());

        assertThatThrownBy(() -> Printer.print(plan, raster, NONE))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("background");
    }
}
