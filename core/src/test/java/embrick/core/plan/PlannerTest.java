package embrick.core.plan;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.SheetTurn;
import embrick.core.metadata.MetadataChoice;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.PixelSize;
import embrick.core.units.Ratio;
import embrick.core.units.Resolution;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class PlannerTest {
    private static Plan plan(SourceFacts facts, Ticket ticket, Framing framing) {
        return switch (Planner.plan(facts, ticket, framing)) {
            case Planning.Ready ready -> ready.plan();
            case Planning.Refused refused ->
                throw new AssertionError(refused.problems().toString());
        };
    }

    private static Plan plan(SourceFacts facts, Ticket ticket) {
        return plan(facts, ticket, Framing.centred());
    }

    @Nested
    class WhenTheSheetIsFilled {
        /** ISO 216 and inch papers at 300 ppi, by arithmetic. */
        @ParameterizedTest
        @CsvSource({
            "210 mm, 297 mm, 2480, 3508",
            "297 mm, 420 mm, 3508, 4961",
            "420 mm, 594 mm, 4961, 7016",
            "4 in, 6 in, 1200, 1800",
            "5 in, 7 in, 1500, 2100",
            "8 in, 10 in, 2400, 3000",
            "11 in, 14 in, 3300, 4200",
            "16 in, 20 in, 4800, 6000"
        })
        void thePaperGivesThePixels(String width, String height, int across, int down) {
            Plan made = plan(picture(4000, 6000), ticket().withSize(onPaper(width, height)));
            assertThat(made.sheet()).isEqualTo(new PixelSize(across, down));
        }

        @Test
        void eachPictureTurnsTheSheetToSuitItself() {
            assertThat(plan(picture(6000, 4000), ticket()).sheet()).isEqualTo(new PixelSize(3000, 2400));
            assertThat(plan(picture(4000, 6000), ticket()).sheet()).isEqualTo(new PixelSize(2400, 3000));
            assertThat(plan(picture(4000, 4000), ticket()).sheet()).isEqualTo(new PixelSize(2400, 3000));
        }

        @Test
        void theTagDecidesWhatIsUpright() {
            Plan made = plan(picture(6000, 4000, Orientation.QUARTER_RIGHT), ticket());
            assertThat(made.sheet()).isEqualTo(new PixelSize(2400, 3000));
        }

        @Test
        void ticketAndHandCanTurnTheSheet() {
            assertThat(plan(picture(6000, 4000), ticket().withTurn(Turn.UPRIGHT))
                            .sheet())
                    .isEqualTo(new PixelSize(2400, 3000));
            assertThat(plan(picture(4000, 6000), ticket(), Framing.centred().withTurn(SheetTurn.WIDE))
                            .sheet())
                    .isEqualTo(new PixelSize(3000, 2400));
        }

        @Test
        void theLoosestFrameTouchesTwoRimsAndCutsTheRest() {
            // 6000 × 4000 under 5:4: 5000 × 4000, a sixth is lost.
            Plan.Figures figures = plan(picture(6000, 4000), ticket()).figures();
            assertThat(figures.frameWidth()).isCloseTo(5000, within(1e-9));
            assertThat(figures.frameHeight()).isCloseTo(4000, within(1e-9));
            assertThat(figures.lostShare()).isCloseTo(1 / 6.0, within(1e-12));
        }

        /** 11:15 cut from 2:3, 4:5 and 3:4 loses 9.1, 8.3 and 2.2 per cent, by arithmetic. */
        @ParameterizedTest
        @CsvSource({"4000, 6000, 9.1", "4800, 6000, 8.3", "4500, 6000, 2.2"})
        void lossFollowsFromTheShapes(int width, int height, double percent) {
            Plan made = plan(picture(width, height), ticket().withSize(onPaper("11 in", "15 in")));
            assertThat(made.figures().lostShare() * 100).isCloseTo(percent, within(0.05));
        }

        @Test
        void realPpiIsOriginalPixelsPerInchOfSheet() {
            // 1920 × 1080 framed 3:2 is 1620 × 1080; on 6 × 4 in that is 270 ppi.
            Plan made = plan(picture(1920, 1080), ticket().withSize(onPaper("6 in", "4 in")));
            assertThat(made.figures().frameWidth()).isCloseTo(1620, within(1e-9));
            assertThat(made.figures().realPpi()).isCloseTo(270, within(1e-9));
        }

        @Test
        void realPpiDoesNotDependOnWhatIsMarked() {
            double at300 = plan(picture(6000, 4000), ticket()).figures().realPpi();
            double at360 = plan(picture(6000, 4000), ticket().withPpi(Resolution.perInch(360)))
                    .figures()
                    .realPpi();
            assertThat(at360).isCloseTo(at300, within(1e-9)).isCloseTo(500, within(1e-9));
        }

        @Test
        void tighteningHalvesTheFrame() {
            Plan.Figures figures = plan(
                            picture(6000, 4000), ticket(), Framing.centred().withTightness(2))
                    .figures();
            assertThat(figures.frameWidth()).isCloseTo(2500, within(1e-9));
            assertThat(figures.realPpi()).isCloseTo(250, within(1e-9));
        }
    }

    @Nested
    class WhenThePictureSitsInside {
        private final Ticket inside =
                ticket().withSize(onPaper("15 in", "10 in")).withFit(new Fit.Inside(PaperColour.WHITE));

        @Test
        void theWholePictureIsShownAndPaperRoundIt() {
            // 11.5 × 7.5 in is 23:15; on 15 × 10 in it is 15 × 9.783 in: 4500 × 2935 px on 4500 × 3000.
            Plan made = plan(picture(3450, 2250), inside);
            assertThat(made.sheet()).isEqualTo(new PixelSize(4500, 3000));
            assertThat(made.picture()).isEqualTo(new PixelRect(0, 32, 4500, 2935));
            assertThat(made.figures().lostShare()).isCloseTo(0, within(1e-12));
        }

        @Test
        void itsFramingBelongsToThePicturesOwnShape() {
            assertThat(plan(picture(3450, 2250), inside).shapeKey()).isEqualTo("own");
            assertThat(plan(picture(3450, 2250), ticket()).shapeKey()).isEqualTo("4:5");
        }
    }

    @Nested
    class WhenAShapeKeepsAllPixels {
        @Test
        void theLargestFrameOfTheShapeIsTakenPixelForPixel() {
            Plan made = plan(picture(6000, 4000), ticket().withSize(new Size.ShapeOnly(new Ratio(4, 5))));
            assertThat(made.sheet()).isEqualTo(new PixelSize(5000, 4000));
            assertThat(made.window().scale()).isEqualTo(1);
        }

        @Test
        void theFrameStandsOnWholePixels() {
            Framing aside = Framing.centred().withCentre(0.4512345, 0.5);
            Plan made = plan(picture(6001, 4000), ticket().withSize(new Size.ShapeOnly(new Ratio(1, 1))), aside);
            double left = made.window().centreX() - made.sheet().width() / 2.0;
            assertThat(left).isEqualTo(Math.rint(left));
        }

        @Test
        void thePicturesOwnShapeIsOnlyMarked() {
            Plan made = plan(picture(6000, 4000), ticket().withSize(new Size.OwnShape()));
            assertThat(made.sheet()).isEqualTo(new PixelSize(6000, 4000));
            assertThat(made.marked()).isEqualTo(Resolution.perInch(300));
            assertThat(made.figures().lostShare()).isZero();
        }
    }

    @Nested
    class Verdicts {
        /** Embrick's rule on common practice: in the hand fine from 225, soft from 120. */
        @ParameterizedTest
        @CsvSource({
            "225, HAND, FINE",
            "224, HAND, SOFT",
            "120, HAND, SOFT",
            "119, HAND, POOR",
            "124, HAND, SOFT",
            "72, HAND, POOR",
            "75, WALL, FINE",
            "39, WALL, POOR",
            "23, BANNER, FINE"
        })
        void areJudgedForTheDistance(double ppi, ViewingDistance viewing, Verdict verdict) {
            assertThat(Verdict.of(ppi, viewing)).isEqualTo(verdict);
        }

        @Test
        void aPhonePictureOnA4IsSoft() {
            // 1024 px on the long side of A4 are about 124 ppi across 210 mm.
            Plan made = plan(picture(1024, 1448), ticket().withSize(onPaper("210 mm", "297 mm")));
            assertThat(made.figures().realPpi()).isCloseTo(124, within(0.5));
            assertThat(made.figures().verdict()).isEqualTo(Verdict.SOFT);
        }
    }

    @Nested
    class WhenTheFileStaysAsItIs {
        private final Ticket renamed = ticket().withSize(new Size.OwnShape())
                .withColour(new OutputColour.Keep())
                .withFile(new FileFormat.AsItIs())
                .withMetadata(MetadataChoice.EVERYTHING);

        @Test
        void allOfItIsPlannedWhateverTheFraming() {
            Framing framing = Framing.centred().withTightness(3).withTilt(7);
            Plan plan = plan(picture(3000, 2000), renamed, framing);
            assertThat(plan.total()).isEqualTo(new PixelSize(3000, 2000));
            assertThat(plan.keepsPixels()).isTrue();
            assertThat(plan.figures().expectedFileBytes())
                    .isEqualTo(picture(3000, 2000).fileBytes());
            assertThat(Handling.of(renamed).moves()).isEqualTo(Handling.Moves.NOTHING);
        }

        /** Four inks without a profile cannot be printed; they can be renamed. */
        @Test
        void nothingOfThePictureStandsAgainstIt() {
            assertThat(Planner.plan(picture(3000, 2000, ColourModel.CMYK), renamed, Framing.centred()))
                    .isInstanceOfSatisfying(
                            Planning.Ready.class,
                            ready -> assertThat(ready.notices()).isEmpty());
        }

        @Test
        void whatWouldChangeItIsRefusedByItsPhrase() {
            Ticket changed = renamed.withSize(onPaper("8", "10"))
                    .withSharpening(new Sharpening.ForScreen())
                    .withColour(OutputColour.SRGB);
            assertThat(Planner.plan(picture(3000, 2000), changed, Framing.centred()))
                    .isInstanceOfSatisfying(
                            Planning.Refused.class,
                            refused -> assertThat(refused.problems())
                                    .extracting(Problem::subject)
                                    .containsExactly("size", "sharpening", "colour"));
        }
    }

    @Nested
    class WhenItCannotBeDone {
        @Test
        void cmykWithoutProfileIsRefusedWithARemedy() {
            Planning planning = Planner.plan(picture(3000, 2000, ColourModel.CMYK), ticket(), Framing.centred());
            assertThat(planning).isInstanceOfSatisfying(Planning.Refused.class, refused -> {
                assertThat(refused.problems()).extracting(Problem::code).containsExactly("cmyk-without-profile");
                assertThat(refused.problems().getFirst().remedy()).contains("Set its profile on the pile");
            });
        }

        @Test
        void allProblemsAreToldAtOnce() {
            Ticket large = ticket().withSize(onPaper("3000 mm", "6000 mm"))
                    .withPpi(Resolution.perInch(1200))
                    .withColour(new OutputColour.Keep());
            Planning planning = Planner.plan(picture(3000, 2000, ColourModel.CMYK), large, Framing.centred());
            assertThat(planning)
                    .isInstanceOfSatisfying(
                            Planning.Refused.class,
                            refused -> assertThat(refused.problems())
                                    .extracting(Problem::code)
                                    .containsExactly("cmyk-without-profile", "side-too-long", "too-many-pixels"));
        }

        @Test
        void moreThanAThousandMegapixelsAreRefused() {
            Ticket tiff = ticket().withSize(onPaper("100 in", "101 in"))
                    .withPpi(Resolution.perInch(320))
                    .withFile(new FileFormat.Tiff(FileFormat.Packing.PLAIN));
            assertThat(Planner.plan(picture(3000, 2000), tiff, Framing.centred()))
                    .isInstanceOfSatisfying(
                            Planning.Refused.class,
                            refused -> assertThat(refused.problems())
                                    .extracting(Problem::code)
                                    .containsExactly("too-many-pixels"));
        }

        /** 100 × 100 in at 300 ppi: 900 MP, of 16 bits 5.4 GB, which the 64-bit layout holds. */
        @Test
        void aPlainTiffPast4GigabytesIsPlanned() {
            Ticket tiff = ticket().withSize(onPaper("100 in", "100 in"))
                    .withPpi(Resolution.perInch(300))
                    .withFile(new FileFormat.Tiff(FileFormat.Packing.PLAIN, Depth.SIXTEEN));
            assertThat(plan(picture(3000, 2000), tiff).figures().unpackedBytes())
                    .isEqualTo(5_400_000_000L);
        }
    }

    @Nested
    class AlwaysTrue {
        /** The tag only says how stored pixels are seen: what is seen alike is planned alike. */
        @ParameterizedTest
        @EnumSource(Orientation.class)
        void whatIsSeenAlikeIsPlannedAlike(Orientation orientation) {
            SourceFacts tagged = picture(5472, 3648, orientation);
            PixelSize seen = tagged.seen();
            Framing framing =
                    Framing.centred().withTightness(1.3).withCentre(0.4, 0.55).withTilt(-2.4);
            Plan one = plan(tagged, ticket(), framing);
            Plan other = plan(picture(seen.width(), seen.height()), ticket(), framing);
            assertThat(one.window().seenAs()).isEqualTo(orientation);
            assertThat(one.sheet()).isEqualTo(other.sheet());
            assertThat(one.limits()).isEqualTo(other.limits());
            assertThat(one.figures()).isEqualTo(other.figures());
            assertThat(one.window().centreX()).isEqualTo(other.window().centreX());
            assertThat(one.window().centreY()).isEqualTo(other.window().centreY());
            assertThat(one.window().scale()).isEqualTo(other.window().scale());
        }

        @Test
        void picturesAreScaledEvenlyByConstruction() {
            // One scale is all there is: a unit square of the sheet covers a square of the picture, whatever the sizes.
            Plan made = plan(picture(6013, 3989), ticket().withSize(onPaper("210 mm", "297 mm")));
            double across = made.window().seenX(1, 0) - made.window().seenX(0, 0);
            double down = made.window().seenY(0, 1) - made.window().seenY(0, 0);
            assertThat(across).isCloseTo(down, within(1e-9));
        }

        @Test
        void weightUnpackedIsExact() {
            assertThat(plan(picture(6000, 4000), ticket()).figures().unpackedBytes())
                    .isEqualTo(2400L * 3000 * 3);
        }
    }
}
