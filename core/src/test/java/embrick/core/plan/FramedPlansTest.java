package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Plans of framings: what the frame shows, and that it never leaves the picture unless that was asked for. */
class FramedPlansTest {
    private static final PixelSize STORED = new PixelSize(6000, 4000);
    private static final SourceFacts PICTURE = picture(6000, 4000);
    private static final Ticket FREE = ticket().withSize(new Size.FreeShape());

    static Plan plan(SourceFacts facts, Ticket ticket, Framing framing) {
        return switch (Planner.plan(facts, ticket, framing)) {
            case Planning.Ready ready -> ready.plan();
            case Planning.Refused refused ->
                throw new AssertionError(refused.problems().toString());
        };
    }

    private static Ticket atScale(String width, String height, int printedPpi, Anchor anchor) {
        return ticket().withSize(onPaper(width, height))
                .withFit(new Fit.AtScale(PaperColour.WHITE, Optional.of(Resolution.perInch(printedPpi)), anchor));
    }

    private static void assertInside(Plan made) {
        PixelSize seen = made.seen();
        for (int corner = 0; corner < 4; corner++) {
            double u = (corner & 1) * made.window().output().width();
            double v = (corner >> 1) * made.window().output().height();
            assertThat(made.window().seenX(u, v)).isBetween(-1e-6, seen.width() + 1e-6);
            assertThat(made.window().seenY(u, v)).isBetween(-1e-6, seen.height() + 1e-6);
        }
    }

    private static Framing anyFraming(Random random) {
        return new Framing(
                random.nextDouble(),
                random.nextDouble(),
                1 + random.nextDouble() * 4,
                random.nextDouble() * 90 - 45,
                random.nextInt(4),
                random.nextBoolean() ? Mirror.MIRRORED : Mirror.AS_IT_IS,
                SheetTurn.values()[random.nextInt(3)],
                Corners.COVERED,
                Optional.of(new FreeSides(0.01 + 0.99 * random.nextDouble(), 0.01 + 0.99 * random.nextDouble())));
    }

    /** What a hand does on the bench, in any order: each edit starts from where the one before it ended. */
    private static Framing anyAct(Framing now, Random random) {
        double step = random.nextGaussian() * 0.3;
        return switch (random.nextInt(8)) {
            case 0 -> now.withCentre(Math.clamp(now.centreX() + step, 0, 1), now.centreY());
            case 1 -> now.withCentre(now.centreX(), Math.clamp(now.centreY() + step, 0, 1));
            case 2 -> now.withTightness(Math.clamp(now.tightness() * Math.exp(step), 1, 100));
            case 3 -> now.withTilt(Math.clamp(now.tiltDegrees() + step * 30, -45, 45));
            case 4 -> now.withQuarterTurns(now.quarterTurns() + 1);
            case 5 -> now.withMirror(now.mirror() == Mirror.MIRRORED ? Mirror.AS_IT_IS : Mirror.MIRRORED);
            case 6 -> now.withTurn(SheetTurn.values()[random.nextInt(3)]);
            default ->
                now.withFree(new FreeSides(0.01 + 0.99 * random.nextDouble(), 0.01 + 0.99 * random.nextDouble()));
        };
    }

    @Nested
    class WhenThePictureIsTilted {
        @Test
        void theLargestFrameOfItsOwnShapeFitsTheTurnedPicture() {
            // min(w/(W cos + H sin), h/(W sin + H cos)) for 3:2 turned 5° is 0.8874 of the side.
            Plan made = plan(
                    PICTURE,
                    ticket().withSize(onPaper("3 in", "2 in")),
                    Framing.centred().withTilt(5));
            assertThat(made.figures().frameWidth() / 6000).isCloseTo(0.8874, within(5e-5));
        }

        @Test
        void noSequenceOfActsLetsTheFrameLeaveThePicture() {
            Random random = new Random(20261125);
            List<Ticket> tickets = List.of(
                    ticket(),
                    ticket().withFit(new Fit.Inside(PaperColour.WHITE)),
                    ticket().withSize(new Size.OwnShape()),
                    FREE);
            for (Ticket ticket : tickets) {
                Framing framing = Framing.centred();
                for (int edit = 0; edit < 1500; edit++) {
                    framing = anyAct(framing, random);
                    Plan made = plan(PICTURE, ticket, framing);
                    assertInside(made);
                    assertThat(made.corners()).isEqualTo(Corners.COVERED);
                }
            }
        }

        @Test
        void theLimitsSentAgreeWithWhereThePlanHoldsTheFrame() {
            Random random = new Random(7);
            for (Ticket ticket : List.of(ticket(), FREE)) {
                for (int i = 0; i < 2000; i++) {
                    Framing asked = anyFraming(random);
                    asked = asked.withTilt(asked.tiltDegrees() / 5);
                    Framing framing = asked;
                    Plan made = plan(PICTURE, ticket, framing);
                    boolean allowed = made.limits().planes().stream().allMatch(limit -> limit.holds(framing, 1e-9));
                    assertThat(isWhereAsked(made, framing)).as("%s", framing).isEqualTo(allowed);
                }
            }
        }

        private boolean isWhereAsked(Plan made, Framing asked) {
            // The centre asked for, brought through mirror and turns by hand: the same steps on the seen picture.
            double x = asked.mirror() == Mirror.MIRRORED ? 1 - asked.centreX() : asked.centreX();
            double y = asked.centreY();
            for (int turn = 0; turn < asked.quarterTurns(); turn++) {
                double before = x;
                x = 1 - y;
                y = before;
            }
            boolean sidesKept = true;
            if (made.shapeKey().equals("free")) {
                double all = asked.free().orElseThrow().width()
                        * asked.free().orElseThrow().height();
                // Sides round down to whole pixels, at most one on each.
                double rounding = (made.sheet().width() + made.sheet().height() + 1.0) / STORED.pixels();
                sidesKept = all - (double) made.sheet().pixels() / STORED.pixels() <= rounding;
            }
            double slack = made.window().isTilted() || made.window().scale() != 1 ? 1e-4 : 0.5;
            PixelSize seen = made.seen();
            return sidesKept
                    && Math.abs(made.window().centreX() - x * seen.width()) < slack
                    && Math.abs(made.window().centreY() - y * seen.height()) < slack;
        }
    }

    @Nested
    class WhenCornersMayStayBare {
        private static final Framing BARE = Framing.centred().withTilt(10).withCorners(Corners.PAPER);

        @Test
        void theFrameIsAsLooseAsIfNothingWereTilted() {
            Plan made = plan(PICTURE, ticket(), BARE);
            assertThat(made.window().scale()).isCloseTo(4000.0 / 2400, within(1e-12));
            assertThat(made.corners()).isEqualTo(Corners.PAPER);
        }

        @Test
        void whatIsBareIsSaid() {
            // A frame 5000 × 4000 in the middle of 6000 × 4000, turned by 10°. Above and below the turned frame hangs
            // over
            // with one right-angled triangle each; its corner stands h = 2500 sin 10° + 2000 cos 10° − 2000 = 403.74
            // beyond the rim, and a triangle of that height on its right angle has h² ÷ (2 sin 10° cos 10°) = 476 610.
            // Across it reaches 2500 cos 10° + 2000 sin 10° = 2809 of 3000: nothing hangs over there.
            Plan made = plan(PICTURE, ticket(), BARE);
            assertThat(made.figures().bareShare()).isCloseTo(2 * 476_610.0 / 20_000_000, within(1e-5));
            Planning.Ready ready = (Planning.Ready) Planner.plan(PICTURE, ticket(), BARE);
            assertThat(ready.notices()).extracting(Notice::code).contains("corners-bare");
        }

        @Test
        void untiltedNothingIsBare() {
            Plan made = plan(PICTURE, ticket(), BARE.withTilt(0));
            assertThat(made.corners()).isEqualTo(Corners.COVERED);
            assertThat(made.figures().bareShare()).isZero();
        }

        @Test
        void aTighterFrameThatReachesNoRimIsCovered() {
            assertThat(plan(PICTURE, ticket(), BARE.withTightness(1.6)).corners())
                    .isEqualTo(Corners.COVERED);
        }
    }

    @Nested
    class InTheFreeShape {
        @Test
        void eachSideIsAsPulled() {
            Framing pulled = Framing.centred().withCentre(0.4, 0.3).withFree(new FreeSides(0.5, 0.25));
            Plan made = plan(PICTURE, FREE, pulled);
            assertThat(made.sheet()).isEqualTo(new PixelSize(3000, 1000));
            assertThat(made.window().centreX()).isEqualTo(2400);
            assertThat(made.window().centreY()).isEqualTo(1200);
            assertThat(made.keepsPixels()).isTrue();
            assertThat(made.shapeKey()).isEqualTo("free");
        }

        @Test
        void aQuarterTurnTakesTheSidesWithIt() {
            Framing pulled =
                    Framing.centred().withFree(new FreeSides(0.5, 0.25)).withQuarterTurns(1);
            assertThat(plan(PICTURE, FREE, pulled).sheet()).isEqualTo(new PixelSize(1000, 3000));
        }

        @Test
        void nothingPulledIsTheWholePicture() {
            assertThat(plan(PICTURE, FREE, Framing.centred()).sheet()).isEqualTo(STORED);
        }
    }

    @Nested
    class AtScale {
        @Test
        void thePictureKeepsItsPrintedSizeWhateverThePaper() {
            for (String side : List.of("10 in", "15 in", "30 in")) {
                Plan made = plan(PICTURE, atScale(side, side, 400, Anchor.MIDDLE), Framing.centred());
                assertThat(made.figures().realPpi()).isCloseTo(400, within(1e-9));
                // 6000 × 4000 px at 400 to an inch are 15 × 10 in, 4500 × 3000 px at 300 ppi, or what the paper holds.
                assertThat(made.picture().width())
                        .isEqualTo(Math.min(4500, made.sheet().width()));
                assertThat(made.picture().height()).isEqualTo(3000);
            }
        }

        @ParameterizedTest
        @CsvSource({
            // A picture of 15 × 10 in on 20 × 16 in paper: 1500 and 1800 px of paper are left at 300 ppi.
            "TOP_LEFT, 0, 0",
            "TOP, 750, 0",
            "TOP_RIGHT, 1500, 0",
            "LEFT, 0, 900",
            "MIDDLE, 750, 900",
            "RIGHT, 1500, 900",
            "BOTTOM_LEFT, 0, 1800",
            "BOTTOM, 750, 1800",
            "BOTTOM_RIGHT, 1500, 1800"
        })
        void itStandsAtItsAnchor(Anchor anchor, int x, int y) {
            Plan made = plan(PICTURE, atScale("20 in", "16 in", 400, anchor), Framing.centred());
            assertThat(made.picture()).isEqualTo(new PixelRect(x, y, 4500, 3000));
            assertThat(made.window().centreX()).isCloseTo(3000, within(1e-9));
        }

        @Test
        void itIsMovedFromAnyAnchorToAnyRim() {
            for (Anchor anchor : Anchor.values()) {
                Ticket ticket = atScale("20 in", "16 in", 400, anchor);
                Plan low = plan(PICTURE, ticket, Framing.centred().withCentre(0, 0));
                Plan high = plan(PICTURE, ticket, Framing.centred().withCentre(1, 1));
                // The centre is a place of the picture: its start brings the picture's far end into view last.
                assertThat(low.picture()).isEqualTo(new PixelRect(1500, 1800, 4500, 3000));
                assertThat(high.picture()).isEqualTo(new PixelRect(0, 0, 4500, 3000));
            }
        }

        @Test
        void onSmallerPaperItIsCutAtItsAnchor() {
            Plan made = plan(PICTURE, atScale("4 in", "4 in", 400, Anchor.BOTTOM_RIGHT), Framing.centred());
            assertThat(made.picture()).isEqualTo(new PixelRect(0, 0, 1200, 1200));
            // 4 in at 400 are 1600 px of the picture, its last.
            assertThat(made.window().centreX()).isCloseTo(6000 - 800, within(1e-9));
            assertThat(made.window().centreY()).isCloseTo(4000 - 800, within(1e-9));
            assertThat(made.figures().lostShare()).isCloseTo(1 - 1600.0 * 1600 / 24e6, within(1e-9));
        }

        @Test
        void tiltedItsOwnRimShowsOnThePaper() {
            Plan made = plan(
                    PICTURE,
                    atScale("20 in", "16 in", 400, Anchor.MIDDLE),
                    Framing.centred().withTilt(3));
            assertThat(made.corners()).isEqualTo(Corners.PAPER);
            // All of 15 × 10 in shows on 20 × 16.
            assertThat(made.figures().bareShare()).isCloseTo(1 - 150.0 / 320, within(1e-9));
            assertThat(made.figures().lostShare()).isCloseTo(0, within(1e-9));
        }

        @Test
        void theLimitsSentAgreeWithWhereItIsHeld() {
            Random random = new Random(17);
            int movedWays = 0;
            for (int i = 0; i < 2000; i++) {
                Ticket ticket = atScale(
                        2 + random.nextInt(30) + " in",
                        2 + random.nextInt(30) + " in",
                        100 + random.nextInt(500),
                        Anchor.values()[random.nextInt(9)]);
                Framing framing = anyFraming(random);
                Plan made = plan(PICTURE, ticket, framing);
                for (int axis = 0; axis < 2; axis++) {
                    double more = axis == 0 ? framing.centreX() + 1e-3 : framing.centreX();
                    double down = axis == 1 ? framing.centreY() + 1e-3 : framing.centreY();
                    Framing moved = framing.withCentre(Math.min(more, 1), Math.min(down, 1));
                    boolean free = made.limits().planes().stream()
                            .allMatch(limit -> limit.holds(framing, -1e-9) && limit.holds(moved, -1e-9));
                    Plan after = plan(PICTURE, ticket, moved);
                    if (free && framing.tiltDegrees() != 0) {
                        double way = Math.hypot(
                                after.window().centreX() - made.window().centreX(),
                                after.window().centreY() - made.window().centreY());
                        double travel = framing.quarterTurns() % 2 == axis
                                ? made.limits().travelX()
                                : made.limits().travelY();
                        assertThat(way).isCloseTo(travel * 1e-3, within(1e-3));
                        movedWays++;
                    }
                }
            }
            assertThat(movedWays).isGreaterThan(500);
        }

        @Test
        void asMarkedTakesTheFilesOwnPpiOrSaysThatThereIsNone() {
            Ticket ticket = ticket().withFit(new Fit.AtScale(PaperColour.WHITE, Optional.empty(), Anchor.MIDDLE));
            assertThat(Planner.plan(PICTURE, ticket, Framing.centred()))
                    .isInstanceOfSatisfying(
                            Planning.Refused.class,
                            refused -> assertThat(refused.problems())
                                    .extracting(Problem::code)
                                    .containsExactly("no-own-ppi"));
            SourceFacts marked = new SourceFacts(
                    PICTURE.kind(),
                    STORED,
                    Orientation.UPRIGHT,
                    Optional.of(new SourceFacts.MarkedPpi(Resolution.perInch(500), Resolution.perInch(500))),
                    PICTURE.colour(),
                    1000);
            assertThat(plan(marked, ticket, Framing.centred()).figures().realPpi())
                    .isCloseTo(500, within(1e-9));
        }
    }

    @Test
    void theLargestFineSizeIsWhereTheVerdictTurns() {
        Plan made = plan(PICTURE, ticket(), Framing.centred());
        // 5000 × 4000 px under an 8 × 10 frame, fine from 225 ppi: 22.2 × 17.8 in, 2.22 times each side.
        assertThat(made.figures().fineEnlargement()).isCloseTo(4000 / 8.0 / 225, within(1e-9));
    }
}
