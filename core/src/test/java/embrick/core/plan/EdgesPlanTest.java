package embrick.core.plan;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static embrick.core.plan.EdgedTickets.NOTHING;
import static embrick.core.plan.EdgedTickets.bleed;
import static embrick.core.plan.EdgedTickets.border;
import static embrick.core.plan.EdgedTickets.even;
import static embrick.core.plan.EdgedTickets.paper;
import static embrick.core.plan.EdgedTickets.plan;
import static embrick.core.plan.EdgedTickets.planning;
import static embrick.core.plan.EdgedTickets.problem;
import static embrick.core.plan.EdgedTickets.wrap;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.edge.Bands;
import embrick.core.edge.Rim;
import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Fit.TrimMarks;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EdgesPlanTest {
    @Nested
    class Sizes {
        /** CHECKS.md: practice (20 × 24, 3/4 in frame), arithmetic (11 × 7.25), Embrick's rule (bleed rounds up). */
        @ParameterizedTest
        @CsvSource({
            "20 in, 24 in, 100, 2.5, 0.5, 2600, 3000",
            "20 in, 24 in, 300, 2.5, 0.5, 7800, 9000",
            "11 in, 7.25 in, 300, 1, 0, 3900, 2775",
            "8 in, 10 in, 300, 0.75, 0.25, 3000, 3600",
        })
        void aWrapAddsBarAndAllowanceOnEverySide(
                String width, String height, int ppi, String bar, String allowance, int across, int down) {
            Ticket ticket = paper(width, height, ppi)
                    .withTurn(across > down ? Turn.WIDE : Turn.UPRIGHT)
                    .withEdges(wrap(bar, allowance, new EdgeFill.Mirror()));
            assertThat(plan(ticket).total()).isEqualTo(new PixelSize(across, down));
        }

        @Test
        void aBleedRoundsUpOutwardFromTheFace() {
            Plan plan = plan(paper("8 in", "10 in", 300)
                    .withTurn(Turn.UPRIGHT)
                    .withEdges(bleed(Length.millimetres(3), new EdgeFill.Mirror())));
            // 3 mm at 300 ppi are 35.43 px: 36, never narrower than asked.
            assertThat(plan.sheet()).isEqualTo(new PixelSize(2400, 3000));
            assertThat(plan.total()).isEqualTo(new PixelSize(2472, 3072));
            // 4 mm are 47.2 px.
            assertThat(plan.extension().rim()).isEqualTo(new Rim.Trimmed(48));
        }

        @Test
        void barAndAllowanceRoundEachByItself() {
            Edges edges = new Edges.Wrap(
                    Sides.even(Length.millimetres(18)),
                    Sides.even(Length.millimetres(12)),
                    new EdgeFill.Mirror(),
                    WrapMarks.NONE);
            Plan plan = plan(paper("8 in", "10 in", 100).withEdges(edges));
            // 18 mm are 70.87 px, 12 mm are 47.24: 71 + 48, where 30 mm together would be 118.11.
            assertThat(plan.extension().bands()).isEqualTo(new Bands(119, 119, 119, 119));
            assertThat(plan.extension().rim()).isEqualTo(new Rim.Folded(new Bands(71, 71, 71, 71)));
        }

        @Test
        void sidesMayDiffer() {
            Sides bar = new Sides(Length.inches("1"), Length.inches("2"), Length.inches("3"), NOTHING);
            Edges edges = new Edges.Wrap(bar, even("0.5"), new EdgeFill.Mirror(), WrapMarks.NONE);
            Plan plan = plan(paper("8 in", "10 in", 100).withEdges(edges));
            assertThat(plan.extension().bands()).isEqualTo(new Bands(50, 150, 250, 350));
            assertThat(plan.sheetOnTotal()).isEqualTo(new PixelRect(50, 150, 1000, 800));
        }

        @Test
        void aBorderIsEvenHeavierOrGrown() {
            Ticket upright = paper("8 in", "10 in", 100).withTurn(Turn.UPRIGHT);
            assertThat(plan(upright.withEdges(border(new BorderSize.Even(Length.inches("1")))))
                            .total())
                    .isEqualTo(new PixelSize(1000, 1200));
            assertThat(plan(upright.withEdges(
                                    border(new BorderSize.HeavierBottom(Length.inches("1"), Length.inches("2.5")))))
                            .extension()
                            .bands())
                    .isEqualTo(new Bands(100, 100, 100, 250));
            Edges grown = border(new BorderSize.GrownTo(new PaperSize(Length.inches("14.01"), Length.inches("11"))));
            // Turned as the sheet is; the odd pixel of 401 goes to the bottom.
            assertThat(plan(upright.withEdges(grown)).extension().bands()).isEqualTo(new Bands(150, 200, 150, 201));
            assertThat(plan(upright.withTurn(Turn.WIDE).withEdges(grown)).total())
                    .isEqualTo(new PixelSize(1401, 1100));
        }

        @Test
        void edgesGoRoundShapesWithoutPaperToo() {
            Plan plan = plan(ticket().withSize(new Size.OwnShape())
                    .withPpi(Resolution.perInch(100))
                    .withEdges(wrap("1", "0", new EdgeFill.DrawnOut())));
            assertThat(plan.sheet()).isEqualTo(new PixelSize(6000, 4000));
            assertThat(plan.total()).isEqualTo(new PixelSize(6200, 4200));
        }
    }

    @Nested
    class ThePictureItself {
        /** The frame covers the total: the same frame as on a sheet as large as the total. */
        @Test
        void aWrapsFrameCoversTheTotal() {
            Framing framing =
                    Framing.centred().withTightness(1.3).withCentre(0.4, 0.45).withTilt(2);
            Plan wrapped =
                    plan(paper("20 in", "24 in", 100).withEdges(wrap("2.5", "0.5", new EdgeFill.Picture())), framing);
            Plan total = plan(paper("26 in", "30 in", 100), framing);
            assertThat(wrapped.window()).isEqualTo(total.window());
            assertThat(wrapped.picture()).isEqualTo(new PixelRect(-300, -300, 3000, 2600));
            assertThat(wrapped.bandsRoundGround().isNone()).isTrue();
            assertThat(wrapped.shapeKey()).isEqualTo("5:6");
        }

        @Test
        void aBleedTakesWhatLiesBeyondTheFrame() {
            Edges edges = bleed(Length.inches("0.125"), new EdgeFill.Picture());
            Ticket ticket = paper("8 in", "10 in", 100).withEdges(edges);
            Plan tight = plan(ticket, Framing.centred().withTightness(1.2));
            assertThat(tight.picture()).isEqualTo(new PixelRect(-13, -13, 1026, 826));
            assertThat(tight.bandsRoundGround().isNone()).isTrue();
            // The sheet's own pixels stay where they were.
            Plan without =
                    plan(ticket.withEdges(new Edges.None()), Framing.centred().withTightness(1.2));
            assertThat(tight.window().seenX(13, 13)).isCloseTo(without.window().seenX(0, 0), within(1e-9));
            assertThat(tight.window().seenY(13, 13)).isCloseTo(without.window().seenY(0, 0), within(1e-9));
            assertThat(tight.figures())
                    .usingRecursiveComparison()
                    .ignoringFields("unpackedBytes", "expectedFileBytes")
                    .isEqualTo(without.figures());
        }

        /** The loosest frame of a 3:2 picture on 5:4 takes its whole height: nothing lies above or below. */
        @Test
        void whereAPictureEndsItsBleedIsMirroredAndThatIsSaid() {
            Edges edges = bleed(Length.inches("0.125"), new EdgeFill.Picture());
            Planning.Ready ready =
                    (Planning.Ready) planning(paper("8 in", "10 in", 100).withEdges(edges), Framing.centred());
            assertThat(ready.plan().picture()).isEqualTo(new PixelRect(-13, 0, 1026, 800));
            assertThat(ready.plan().bandsRoundGround()).isEqualTo(new Bands(0, 13, 0, 13));
            // 13 px at 100 ppi are 3.3 mm.
            assertThat(ready.notices())
                    .filteredOn(notice -> notice.code().equals("bleed-filled"))
                    .extracting(Notice::text)
                    .containsExactly("the picture does not reach into all of the bleed: mirrored 3.3 mm at the top,"
                            + " 3.3 mm at the bottom");
        }

        @ParameterizedTest
        @CsvSource({"3, 1.02", "-8, 1.1", "20, 1.005", "0.5, 1"})
        void aTiltedPictureIsFollowedToItsRimAndNoFurther(double tilt, double tightness) {
            Edges edges = bleed(Length.inches("1"), new EdgeFill.Picture());
            Plan plan = plan(
                    paper("8 in", "10 in", 100).withEdges(edges),
                    Framing.centred().withTilt(tilt).withTightness(tightness).withCentre(0.45, 0.52));
            int[][] corners = {{0, 0}, {1, 0}, {0, 1}, {1, 1}};
            double nearest = Double.MAX_VALUE;
            for (int[] corner : corners) {
                double u = corner[0] * plan.picture().width();
                double v = corner[1] * plan.picture().height();
                double x = plan.window().seenX(u, v);
                double y = plan.window().seenY(u, v);
                double inside = Math.min(Math.min(x, 6000 - x), Math.min(y, 4000 - y));
                assertThat(inside).isGreaterThan(-1e-5);
                nearest = Math.min(nearest, inside);
            }
            // The next pixel on any side that stopped short would leave the picture: some corner is within a pixel.
            assertThat(nearest).isLessThan(plan.window().scale() * 1.5);
        }

        /** Whatever its shape, also one that covers the face alone: paper on a bar is no wrap of the picture. */
        @ParameterizedTest
        @CsvSource({"6000, 4000", "4000, 6000", "4000, 4000", "4000, 3000", "1000, 4001"})
        void aWrapOfThePictureItselfIsRefusedWherePaperShows(int width, int height) {
            Ticket ticket = paper("8 in", "10 in", 100).withEdges(wrap("1", "0", new EdgeFill.Picture()));
            for (Fit fit : List.of(
                    new Fit.Inside(PaperColour.WHITE),
                    new Fit.AtScale(
                            PaperColour.WHITE, Optional.of(Resolution.perInch(2000)), Anchor.MIDDLE, TrimMarks.NONE))) {
                Planning planning = Planner.plan(picture(width, height), ticket.withFit(fit), Framing.centred());
                assertThat(planning)
                        .isInstanceOfSatisfying(
                                Planning.Refused.class,
                                refused -> assertThat(refused.problems())
                                        .extracting(Problem::code)
                                        .contains("wrap-not-covered"));
            }
        }

        /** 12 × 10 in with its wrap: a picture of that very shape, or at a scale that covers it, is wrapped whole. */
        @Test
        void aWholePictureOfTheTotalsShapeIsWrapped() {
            Ticket ticket = paper("8 in", "10 in", 100).withEdges(wrap("1", "0", new EdgeFill.Picture()));
            Plan inside = ((Planning.Ready) Planner.plan(
                            picture(6000, 5000), ticket.withFit(new Fit.Inside(PaperColour.WHITE)), Framing.centred()))
                    .plan();
            assertThat(inside.picture()).isEqualTo(new PixelRect(-100, -100, 1200, 1000));
            Plan atScale = ((Planning.Ready) Planner.plan(
                            picture(6000, 5000),
                            ticket.withFit(new Fit.AtScale(
                                    PaperColour.WHITE,
                                    Optional.of(Resolution.perInch(400)),
                                    Anchor.MIDDLE,
                                    TrimMarks.NONE)),
                            Framing.centred()))
                    .plan();
            assertThat(atScale.picture()).isEqualTo(new PixelRect(-100, -100, 1200, 1000));
        }
    }

    @Nested
    class WhatCannotBe {
        @Test
        void bandsBeyondTheirBoundsAndNegativeOnes() {
            assertThatThrownBy(() -> bleed(Length.inches("2.1"), new EdgeFill.Mirror()))
                    .hasMessage("bleed: expected at most 2 in, got 2.1 in");
            assertThatThrownBy(() -> bleed(NOTHING, new EdgeFill.Mirror()))
                    .hasMessage("bleed: expected a band above 0, got 0 mm");
            assertThatThrownBy(() -> wrap("12.5", "0", new EdgeFill.Mirror()))
                    .hasMessage("bar depth: expected at most 12 in, got 12.5 in");
            assertThatThrownBy(() -> Length.of(-3, LengthUnit.MM)).hasMessage("length: expected 0 or more, got -3 mm");
            assertThatThrownBy(() -> new BorderSize.HeavierBottom(Length.inches("2"), Length.inches("1")))
                    .hasMessage("border's bottom: expected 2 in or more, got 1 in");
        }

        @Test
        void marksNeedAnAllowanceToStandOn() {
            assertThatThrownBy(() -> new Edges.Wrap(
                            even("1"),
                            Sides.even(Length.millimetres(4)),
                            new EdgeFill.Mirror(),
                            WrapMarks.FOLDS_AND_CORNERS))
                    .hasMessage("marks: expected a staple allowance of 5 mm or more on every side, got 4 mm");
        }

        /** 20 × 24 in at 2000 ppi is 48 000 px high; with 10 in round it 68 000, more than a JPEG holds. */
        @Test
        void aTotalLargerThanTheFormatHolds() {
            Ticket ticket = paper("4 in", "24 in", 2000).withEdges(wrap("10", "0", new EdgeFill.Mirror()));
            assertThat(problem(ticket).code()).isEqualTo("side-too-long");
            assertThat(problem(ticket).subject()).isEqualTo("edges");
            assertThat(problem(ticket).text()).endsWith(", got 88000 px.");
            // 199 in and 9 mm on either side are more than a page's 200 in.
            Ticket page = paper("199.5 in", "2 in", 20)
                    .withFile(
                            new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(90)), PageMarks.CROP_AND_FOLD));
            assertThat(problem(page).code()).isEqualTo("page-too-large");
        }

        @Test
        void anOuterSizeSmallerThanTheSheet() {
            Edges edges = border(new BorderSize.GrownTo(new PaperSize(Length.inches("9"), Length.inches("9"))));
            assertThat(problem(paper("8 in", "10 in", 100).withEdges(edges)).code())
                    .isEqualTo("outer-too-small");
        }

        @Test
        void aKeyLineAsWideAsItsBorder() {
            Edges edges = new Edges.Border(
                    new BorderSize.Even(Length.millimetres(2)),
                    PaperColour.WHITE,
                    Optional.of(new Edges.KeyLine(Length.millimetres(2), PaperColour.BLACK)),
                    Optional.empty());
            assertThat(problem(paper("8 in", "10 in", 100).withEdges(edges)).code())
                    .isEqualTo("key-line-without-room");
        }

        @Test
        void aWrapOfThePictureItselfRoundAShapeWithoutSize() {
            Ticket ticket = ticket().withSize(new Size.FreeShape()).withEdges(wrap("1", "0", new EdgeFill.Picture()));
            assertThat(problem(ticket).code()).isEqualTo("wrap-needs-paper");
        }
    }
}
