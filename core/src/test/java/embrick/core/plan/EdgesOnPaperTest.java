package embrick.core.plan;

import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static embrick.core.plan.EdgedTickets.NOTHING;
import static embrick.core.plan.EdgedTickets.bleed;
import static embrick.core.plan.EdgedTickets.even;
import static embrick.core.plan.EdgedTickets.paper;
import static embrick.core.plan.EdgedTickets.plan;
import static embrick.core.plan.EdgedTickets.problem;
import static embrick.core.plan.EdgedTickets.wrap;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.BorderSize;
import embrick.core.ticket.Caption;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Fit.TrimMarks;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.units.Length;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What edges put onto paper beside the picture: margins and marks, captions, the boxes of pages. */
class EdgesOnPaperTest {
    @Nested
    class WholeInsidePaper {
        /** CHECKS.md, arithmetic: 11.5 × 7.5 in at true size on 15 × 10 leaves 1.75 and 1.25 in of paper. */
        @Test
        void aPictureOfItsOwnSizeIsMarkedForCutting() {
            Ticket ticket = paper("15 in", "10 in", 100)
                    .withFit(new Fit.AtScale(
                            PaperColour.WHITE,
                            Optional.of(Resolution.perInch(400)),
                            Anchor.MIDDLE,
                            TrimMarks.AT_CORNERS));
            Plan plan = ((Planning.Ready) Planner.plan(picture(4600, 3000), ticket, Framing.centred())).plan();
            assertThat(plan.picture()).isEqualTo(new PixelRect(175, 125, 1150, 750));
            assertThat(plan.extension().marks()).hasSize(8);
            // All on paper: 2 mm (8 px) off the picture and 5 mm (20 px) long in all.
            assertThat(plan.extension().marks()).allSatisfy(mark -> {
                assertThat(Math.min(mark.y1(), mark.y2()) >= 125 && Math.max(mark.y1(), mark.y2()) <= 875
                                || Math.min(mark.x1(), mark.x2()) >= 175 && Math.max(mark.x1(), mark.x2()) <= 1325)
                        .isTrue();
                assertThat(Math.hypot(mark.x2() - mark.x1(), mark.y2() - mark.y1()))
                        .isEqualTo(12);
            });
        }

        @Test
        void itKeepsItsMarginAndStandsWhereItIsPut() {
            Ticket ticket = paper("15 in", "10 in", 100)
                    .withFit(new Fit.Inside(
                            PaperColour.WHITE, Anchor.BOTTOM_RIGHT, Length.inches("0.5"), TrimMarks.NONE));
            // 3:2 inside 14 × 9 in: 13.5 × 9 in, its bottom and right rims half an inch from the sheet's.
            assertThat(plan(ticket).picture()).isEqualTo(new PixelRect(100, 50, 1350, 900));
        }

        /** 8 of the picture's corners, and the wrap's own: 8 of its folds, 4 of its corners. */
        @Test
        void itsMarksStandBesideThoseOfAWrap() {
            Edges marked = new Edges.Wrap(even("1"), even("0.5"), new EdgeFill.Mirror(), WrapMarks.FOLDS_AND_CORNERS);
            Ticket ticket = paper("15 in", "10 in", 100)
                    .withFit(new Fit.Inside(
                            PaperColour.WHITE, Anchor.MIDDLE, Length.inches("0.5"), TrimMarks.AT_CORNERS))
                    .withEdges(marked);
            assertThat(plan(ticket).extension().marks()).hasSize(8 + 12);
        }

        @Test
        void marksWithoutRoomAreRefused() {
            Ticket ticket = paper("15 in", "10 in", 100)
                    .withFit(new Fit.Inside(PaperColour.WHITE, Anchor.MIDDLE, NOTHING, TrimMarks.AT_CORNERS));
            assertThat(problem(ticket).code()).isEqualTo("marks-without-room");
            assertThat(problem(ticket).subject()).isEqualTo("fit");
        }

        @Test
        void aMarginMayNotTakeTheSheet() {
            Ticket ticket = paper("15 in", "10 in", 100)
                    .withFit(new Fit.Inside(PaperColour.WHITE, Anchor.MIDDLE, Length.inches("5"), TrimMarks.NONE));
            assertThat(problem(ticket).code()).isEqualTo("margin-too-wide");
        }
    }

    @Nested
    class Captions {
        private Ticket captioned(String letters, BorderSize size) {
            Caption caption =
                    new Caption(List.of(new Caption.Part.FileName()), Length.inches(letters), PaperColour.BLACK);
            return paper("8 in", "10 in", 100)
                    .withTurn(Turn.WIDE)
                    .withEdges(new Edges.Border(size, PaperColour.WHITE, Optional.empty(), Optional.of(caption)));
        }

        private Planning planned(Ticket ticket, double widthEm) {
            return Planner.plan(
                    picture(6000, 4000),
                    ticket,
                    Framing.centred(),
                    MeasuredWords.ofCaption(Optional.of(new CaptionText("pier", widthEm, ""))));
        }

        @Test
        void standInTheMiddleOfTheFoot() {
            Ticket ticket = captioned("0.2", new BorderSize.HeavierBottom(Length.inches("0.5"), Length.inches("1")));
            Plan plan = ((Planning.Ready) planned(ticket, 2)).plan();
            assertThat(plan.extension().caption()).hasValueSatisfying(line -> {
                assertThat(line.text()).isEqualTo("pier");
                assertThat(line.emPixels()).isCloseTo(20, within(1e-9));
                assertThat(line.middleX()).isEqualTo(550);
                // The bottom's middle is 50 + 800 + 50; small letters are about half an em high, half of it below.
                assertThat(line.baseline()).isBetween(900.0, 910.0);
            });
        }

        @Test
        void mayNotBeLongerThanTheSheetOrHigherThanTheFoot() {
            Ticket ticket = captioned("0.2", new BorderSize.Even(Length.inches("1")));
            assertThat(planned(ticket, 50)).isInstanceOf(Planning.Ready.class);
            assertThat(((Planning.Refused) planned(ticket, 50.1)).problems())
                    .extracting(Problem::code)
                    .containsExactly("caption-too-long");
            Ticket high = captioned("1.1", new BorderSize.Even(Length.inches("1")));
            assertThat(((Planning.Refused) planned(high, 1)).problems())
                    .extracting(Problem::code)
                    .containsExactly("caption-too-high");
        }

        @Test
        void areLaidFromParts() {
            Caption caption = new Caption(
                    List.of(
                            new Caption.Part.Number(3),
                            new Caption.Part.Words("  "),
                            new Caption.Part.Title(),
                            new Caption.Part.Words(" · "),
                            new Caption.Part.FileName()),
                    Length.millimetres(4),
                    PaperColour.BLACK);
            assertThat(caption.textFor(new Caption.Filling("kite-7", "Low tide", 12)))
                    .isEqualTo("012  Low tide · kite-7");
        }
    }

    @Nested
    class Pages {
        private Plan page(Edges edges, PageMarks marks, Fit fit) {
            return plan(paper("8 in", "10 in", 300)
                    .withTurn(Turn.UPRIGHT)
                    .withFit(fit)
                    .withEdges(edges)
                    .withFile(new FileFormat.Pdf(new PagePixels.Coded(new FileFormat.Jpeg(95)), marks)));
        }

        private static final Fit FILL = new Fit.Fill(PaperColour.WHITE);
        /** 9 mm in points: 9 / 25.4 × 72. */
        private static final double ROOM = 25.511811;

        /** ISO 32000-1, 14.11.2: a bleed's trim is the sheet, 8 × 10 in are 576 × 720 pt; 36 px are 8.64 pt. */
        @Test
        void aBleedIsTrimmedAtTheSheet() {
            PageLayout layout =
                    PageLayout.of(page(bleed(Length.millimetres(3), new EdgeFill.Mirror()), PageMarks.NONE, FILL));
            assertThat(layout.trim().apart(new PageLayout.Box(8.64, 8.64, 584.64, 728.64)))
                    .isLessThan(1e-6);
            assertThat(layout.bleed().apart(new PageLayout.Box(0, 0, 593.28, 737.28)))
                    .isLessThan(1e-6);
            assertThat(layout.media()).isEqualTo(layout.bleed());
            assertThat(layout.marks()).isEmpty();
        }

        @Test
        void marksStandOutsideTheTrimAndTheBleed() {
            PageLayout layout = PageLayout.of(
                    page(bleed(Length.millimetres(3), new EdgeFill.Mirror()), PageMarks.CROP_AND_FOLD, FILL));
            assertThat(layout.bleed().left()).isCloseTo(ROOM, within(1e-5));
            assertThat(layout.marks()).hasSize(8).allSatisfy(line -> {
                boolean beside = Math.max(line.x1(), line.x2()) < layout.bleed().left()
                        || Math.min(line.x1(), line.x2()) > layout.bleed().right()
                        || Math.max(line.y1(), line.y2()) < layout.bleed().bottom()
                        || Math.min(line.y1(), line.y2()) > layout.bleed().top();
                assertThat(beside).isTrue();
                assertThat(Math.min(line.x1(), line.y1())).isPositive();
                assertThat(line.x2()).isLessThan(layout.media().right());
            });
        }

        @Test
        void aWrapIsCutAtItsTotalAndFoldedAtItsFace() {
            PageLayout layout =
                    PageLayout.of(page(wrap("1", "0.5", new EdgeFill.Mirror()), PageMarks.CROP_AND_FOLD, FILL));
            assertThat(layout.trim()).isEqualTo(layout.bleed());
            assertThat(layout.trim().right() - layout.trim().left()).isCloseTo(11 * 72, within(1e-6));
            assertThat(layout.marks())
                    .filteredOn(line -> line.meaning() == PageLayout.Meaning.FOLD)
                    .hasSize(8)
                    // The face begins 1.5 in inside the total.
                    .anySatisfy(line -> assertThat(line.x1()).isCloseTo(ROOM + 108, within(1e-5)));
        }

        @Test
        void aPictureWithTrimMarksIsCutToItsOwnSize() {
            Fit inside = new Fit.Inside(PaperColour.WHITE, Anchor.MIDDLE, Length.inches("1"), TrimMarks.AT_CORNERS);
            PageLayout layout = PageLayout.of(page(new Edges.None(), PageMarks.NONE, inside));
            // 3:2 inside 6 × 8 in: 6 × 4 in, in the middle of 8 × 10.
            assertThat(layout.trim().apart(new PageLayout.Box(72, 216, 504, 504)))
                    .isLessThan(1e-6);
        }
    }
}
