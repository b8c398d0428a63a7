package embrick.core.folds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.Thorough;
import embrick.core.folds.FoldGuard.Look;
import embrick.core.folds.FoldGuard.Place;
import embrick.core.found.SmallPixels;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Mirror;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An original of 3600 × 2700 px is looked at with 900 × 675; its face is 8 × 8 in at 300 px to the inch. */
class FoldGuardTest {
    private static final int WIDTH = 900;
    private static final int HEIGHT = 675;
    /** Original pixels to one that is looked at. */
    private static final int STEP = 4;

    /** Framings tried; {@code -Dembrick.framings=40} for more. */
    private static final int TRIALS = Thorough.cases(12, 40);

    private interface Tone {
        double at(double x, double y);
    }

    private static SmallPixels picture(Tone tone) {
        return grey(drawn(tone));
    }

    private static SmallPixels grey(float[] plane) {
        return new SmallPixels(WIDTH, HEIGHT, new float[][] {plane, plane, plane});
    }

    private static SmallPixels picture(Tone red, Tone others) {
        float[] other = drawn(others);
        return new SmallPixels(WIDTH, HEIGHT, new float[][] {drawn(red), other, other});
    }

    private static float[] drawn(Tone tone) {
        float[] plane = new float[WIDTH * HEIGHT];
        for (int i = 0; i < plane.length; i++) {
            plane[i] = (float) tone.at(i % WIDTH + 0.5, i / WIDTH + 0.5);
        }
        return plane;
    }

    private static Plan plan(Framing framing) {
        SourceFacts facts = new SourceFacts(
                FileKind.JPEG,
                new PixelSize(WIDTH * STEP, HEIGHT * STEP),
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.empty()),
                1000);
        Ticket ticket = Ticket.plain(
                        new Size.OnPaper(new PaperSize(Length.inches("8"), Length.inches("8"))),
                        Resolution.perInch(300),
                        new FileFormat.Png())
                .withEdges(new Edges.Wrap(
                        Sides.even(Length.inches("1")),
                        Sides.even(Length.inches("0.5")),
                        new EdgeFill.Mirror(),
                        Edges.WrapMarks.NONE));
        return ((Planning.Ready) Planner.plan(facts, ticket, framing)).plan();
    }

    private static FoldGuard guard(SmallPixels picture, Framing framing, double millimetres) {
        return new FoldGuard(picture, plan(framing), framing, millimetres / 25.4 * 300);
    }

    private static Look look(SmallPixels picture, Framing framing, double millimetres) {
        return guard(picture, framing, millimetres).look();
    }

    private static Tone box(double left, double top, double width, double height) {
        return (x, y) -> x > left && x < left + width && y > top && y < top + height ? 0.1 : 0.7;
    }

    /** The face is 2700 original px wide in the middle: its left fold lies at 112.5 px of those looked at. */
    private static final double FOLD = (WIDTH - HEIGHT) / 2.0;

    private static final double PER_MILLIMETRE = HEIGHT / (8 * 25.4);

    @ParameterizedTest
    @CsvSource({"0", "2", "5", "8"})
    void whatStandsNearAFoldIsToldWithItsDistance(double millimetres) {
        SmallPixels mast = picture(box(FOLD + millimetres * PER_MILLIMETRE, 200, 40, 120));
        Look look = look(mast, Framing.centred(), 10);
        Place place = look.places().getFirst();
        assertThat(place.side()).isEqualTo(Side.LEFT);
        // A pixel that is looked at is 0.3 mm; Sobel reaches one further.
        assertThat(place.distance() / 300 * 25.4).isCloseTo(millimetres, within(0.7));
        assertThat(look.figure()).isCloseTo((int) Math.round(100 * (1 - millimetres / 10)), within(8));
        assertThat(place.from()).isCloseTo(200.0 / HEIGHT, within(0.01));
        assertThat(place.end()).isCloseTo(320.0 / HEIGHT, within(0.01));
    }

    @ParameterizedTest
    @CsvSource({"11", "14", "30"})
    void beyondTheDistanceNothingIsSaid(double millimetres) {
        SmallPixels mast = picture(box(FOLD + millimetres * PER_MILLIMETRE, 200, 40, 120));
        assertThat(look(mast, Framing.centred(), 10)).isEqualTo(new Look(0, List.of()));
        assertThat(guard(mast, Framing.centred(), 10).offer())
                .map(FoldGuard.Offer::framing)
                .contains(Framing.centred());
    }

    @Test
    void softFormsFaintOnesAndAHorizonPass() {
        assertThat(look(picture((x, _) -> x / WIDTH), Framing.centred(), 10).figure())
                .isZero();
        assertThat(look(picture((x, _) -> x % 80 < 40 ? 0.5 : 0.65), Framing.centred(), 10)
                        .figure())
                .isZero();
        assertThat(look(picture((_, y) -> y < 300 ? 0.9 : 0.2), Framing.centred(), 10)
                        .figure())
                .isZero();
    }

    /** Bands of sand and water below a horizon, all across. */
    @Test
    void bandsThatHaveToGoThroughAFoldPassThere() {
        SmallPixels beach = picture((_, y) -> y > 300 && y < 360 && (int) y / 5 % 2 == 0 ? 0.2 : 0.8);
        assertThat(look(beach, Framing.centred(), 10).figure()).isZero();
        SmallPixels turned = picture((x, _) -> x > 430 && x < 470 && (int) x / 5 % 2 == 0 ? 0.2 : 0.8);
        assertThat(look(turned, Framing.centred().withQuarterTurns(1), 10).figure())
                .isZero();
    }

    /** A wide thing with its only upright sides off the fold lies on it all the same. */
    @Test
    void whatLiesAcrossAFoldIsOnIt() {
        SmallPixels kite = picture(box(FOLD - 60, 200, 75, 40));
        Look look = look(kite, Framing.centred(), 10);
        assertThat(look.figure()).isEqualTo(100);
        assertThat(look.places().getFirst().distance()).isZero();
    }

    @Test
    void coloursStandOutThoughTheyAreAsLight() {
        Tone kite = box(FOLD + 5, 200, 40, 60);
        SmallPixels red = picture((x, y) -> 1 - kite.at(x, y), kite);
        assertThat(look(red, Framing.centred(), 10).figure()).isPositive();
    }

    /** Hard steps all over: what a kite is on sky is nothing on gravel. */
    @Test
    void onGravelOnlyWhatStandsOutOfItIsTold() {
        Random random = new Random(5);
        float[] stones = new float[WIDTH * HEIGHT];
        for (int i = 0; i < stones.length; i++) {
            int stone = i / WIDTH / 6 * 1000 + i % WIDTH / 6;
            stones[i] = 0.5f + 0.35f * ((stone * 7919 % 101) / 101f - 0.5f) + 0.05f * random.nextFloat();
        }
        int share = look(grey(stones), Framing.centred(), 3).places().size();
        float[] louder = stones.clone();
        for (int y = 200; y < 320; y++) {
            for (int x = (int) FOLD + 3; x < FOLD + 30; x++) {
                louder[y * WIDTH + x] = (x / 5 + y / 5) % 2;
            }
        }
        assertThat(share).isZero();
        assertThat(look(grey(louder), Framing.centred(), 3).places())
                .isNotEmpty()
                .allMatch(place -> place.side() == Side.LEFT);
    }

    /** Things in the middle of the face and others near its folds, under every turn, mirrored, tilted, loosened. */
    @Test
    void theOfferedMoveClearsAndIsNoLargerThanItMustBe() {
        Random random = new Random(11);
        int offered = 0;
        for (int trial = 0; trial < TRIALS; trial++) {
            Framing framing = Framing.centred()
                    .withTightness(1.15)
                    .withTilt(trial % 3 == 0 ? 4 : 0)
                    .withQuarterTurns(trial % 4)
                    .withMirror(trial % 2 == 0 ? Mirror.AS_IT_IS : Mirror.MIRRORED);
            // The frame's half is 293 px.
            double near = 293 - 50 - random.nextDouble() * 40;
            double left = trial % 5 < 3 ? 450 + near : 450 - near - 50;
            double top = 150 + random.nextDouble() * 300;
            SmallPixels picture = picture(box(left, top, 50, 60));
            int before = look(picture, framing, 10).figure();
            Optional<Framing> offer = guard(picture, framing, 10).offer().map(FoldGuard.Offer::framing);
            if (before > 0) {
                assertThat(offer).as("trial %d", trial).isPresent();
                Look after = look(picture, offer.orElseThrow(), 10);
                assertThat(after.figure()).as("trial %d after %s", trial, offer).isLessThan(15);
                // 10 mm of a face of 203 mm, or a little more on two sides.
                assertThat(Math.hypot(
                                offer.get().centreX() - framing.centreX(),
                                offer.get().centreY() - framing.centreY()))
                        .isLessThan(0.25);
                offered++;
            }
        }
        assertThat(offered).isGreaterThan(TRIALS / 3);
    }

    /** Bars 12 px wide and 32 apart on both sides: a fold has to be 33 px away from each. */
    @Test
    void whereNoChangeHelpsNothingIsOffered() {
        SmallPixels fence = picture((x, _) -> Math.abs(x - 450) > 150 && x % 44 < 12 ? 0.1 : 0.9);
        assertThat(look(fence, Framing.centred(), 10).figure()).isPositive();
        assertThat(guard(fence, Framing.centred(), 10).offer()).isEmpty();
        assertThat(guard(fence, Framing.centred(), 4).offer()).isPresent();
    }

    /** Clouds, sand and soft hills under many framings: what is said there is a false alarm. */
    @Test
    void falseAlarmsOnSoftPicturesAreRare() {
        Random random = new Random(3);
        int alarms = 0;
        for (int scene = 0; scene < 5; scene++) {
            double[] waves = random.doubles(6, 0.01, 0.08).toArray();
            double[] turns = random.doubles(6, 0, 2 * Math.PI).toArray();
            SmallPixels soft = picture((x, y) -> {
                double tone = 0.5 + 0.02 * Math.sin(x * 12.9898 + y * 78.233);
                for (int i = 0; i < waves.length; i++) {
                    tone += 0.08 * Math.sin(waves[i] * (x * Math.cos(turns[i]) + y * Math.sin(turns[i])) + turns[i]);
                }
                return Math.clamp(tone, 0, 1);
            });
            for (int trial = 0; trial < TRIALS / 4; trial++) {
                Framing framing = Framing.centred()
                        .withTightness(1 + random.nextDouble() * 0.4)
                        .withTilt(random.nextDouble() * 4 - 2);
                alarms += look(soft, framing, 10).figure() > 0 ? 1 : 0;
            }
        }
        assertThat(alarms).isLessThanOrEqualTo(TRIALS / 16);
    }
}
