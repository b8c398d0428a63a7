package embrick.core.print;

import static embrick.core.Sample.onPaper;
import static embrick.core.Sample.picture;
import static embrick.core.Sample.ticket;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.ColourPath;
import embrick.core.colour.Encoding;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.framing.Framing;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.SmallPlan;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.ticket.Fit;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.lang.foreign.ValueLayout;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class PrintTest {
    /** sRGB to sRGB needs no transform. */
    static final Transforms NONE = new Transforms() {
        @Override
        public Transform toLab(ProfileRef profile) {
            throw new IllegalStateException("nothing is looked at here");
        }

        @Override
        public Transform along(ColourPath path) {
            throw new AssertionError("no transform is needed");
        }

        @Override
        public Encoding encoding(ProfileRef profile) {
            return Encoding.srgb();
        }
    };

    static Plan plan(int width, int height, Ticket ticket, Framing framing) {
        return ((Planning.Ready) Planner.plan(picture(width, height), ticket, framing)).plan();
    }

    static Raster disc(int width, int height, double centreX, double centreY, double radius) {
        Raster raster = Raster.allocate(new PixelSize(width, height), 3, 1);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double distance = Math.hypot(x + 0.5 - centreX, y + 0.5 - centreY);
                byte value = (byte) Math.round(255 * Math.clamp(radius - distance + 0.5, 0, 1));
                for (int c = 0; c < 3; c++) {
                    raster.samples().set(ValueLayout.JAVA_BYTE, ((long) y * width + x) * 3 + c, value);
                }
            }
        }
        return raster;
    }

    /** A drawn circle stays one within half a pixel: its reach is measured in many directions by its half-bright rim. */
    @ParameterizedTest
    @CsvSource({"8 in, 10 in, 0", "210 mm, 297 mm, 0", "4 in, 10 in, 0", "8 in, 10 in, 3.3", "3.5 in, 5 in, -12"})
    void aCircleStaysACircle(String width, String height, double tilt) {
        Ticket ticket = ticket().withSize(onPaper(width, height)).withPpi(Resolution.perInch(100));
        Plan plan = plan(1500, 1000, ticket, Framing.centred().withTilt(tilt));
        double radius = 150;
        try (Raster raster = disc(1500, 1000, 750, 500, radius)) {
            Print print = Printer.print(plan, raster, NONE);
            int w = print.size().width();
            int h = print.size().height();
            float[] samples = new float[w * h * 3];
            print.render(PixelRect.whole(print.size()), samples);
            double expected = radius / plan.window().scale();
            for (int degrees = 0; degrees < 360; degrees += 5) {
                double measured = reach(samples, w, w / 2.0, h / 2.0, Math.toRadians(degrees), expected * 1.2);
                assertThat(measured).as("reach at %d°", degrees).isCloseTo(expected, within(0.5));
            }
        }
    }

    private static double reach(float[] samples, int width, double x0, double y0, double angle, double most) {
        for (double r = 0; r < most; r += 0.05) {
            int x = (int) Math.floor(x0 + r * Math.cos(angle));
            int y = (int) Math.floor(y0 + r * Math.sin(angle));
            if (samples[(y * width + x) * 3] < 0.5f) {
                return r;
            }
        }
        return most;
    }

    @Test
    void insideLaysThePaperRoundThePicture() {
        Ticket inside = ticket().withSize(onPaper("4 in", "4 in"))
                .withPpi(Resolution.perInch(50))
                .withFit(new Fit.Inside(PaperColour.parse("#F0E0D0")));
        Plan plan = plan(400, 200, inside, Framing.centred());
        try (Raster raster = Raster.allocate(new PixelSize(400, 200), 3, 1)) {
            Print print = Printer.print(plan, raster, NONE);
            Strip strip = print.rows(0, 200);
            assertThat(Strip.toByte(strip.samples()[0])).isEqualTo(0xF0);
            assertThat(Strip.toByte(strip.samples()[(49 * 200 + 100) * 3 + 2])).isEqualTo(0xD0);
            assertThat(Strip.toByte(strip.samples()[(50 * 200 + 100) * 3 + 2])).isZero();
            assertThat(Strip.toByte(strip.samples()[(150 * 200) * 3 + 1])).isEqualTo(0xE0);
        }
    }

    /** A white picture on black paper: each sample is the share of its pixel that the picture covers. */
    @Test
    void bareCornersShowThePaperAndAreAsLargeAsThePlanSays() {
        Ticket black = ticket().withSize(onPaper("6 in", "4 in"))
                .withPpi(Resolution.perInch(50))
                .withFit(new Fit.Fill(PaperColour.parse("#000000")));
        Framing framing = Framing.centred().withTilt(7).withCorners(Framing.Corners.PAPER);
        Plan plan = plan(600, 400, black, framing);
        try (Raster raster = white(600, 400)) {
            float[] samples = Printer.print(plan, raster, NONE).rows(0, 200).samples();
            double bare = 0;
            for (int pixel = 0; pixel < 300 * 200; pixel++) {
                bare += 1 - samples[pixel * 3];
            }
            assertThat(samples[0]).isZero();
            assertThat(samples[(100 * 300 + 150) * 3]).isEqualTo(1f);
            // A pixel's share is taken along the nearest rim's own direction: exact to a few thousandths of its area.
            assertThat(bare / (300 * 200)).isCloseTo(plan.figures().bareShare(), within(2e-4));
        }
    }

    /** Whatever the method, a place outside the picture is the rim's: white stays white, and no weight blows up. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void drawnOutCornersTakeTheRim(Method method) {
        Ticket ticket = ticket().withSize(onPaper("6 in", "4 in"))
                .withPpi(Resolution.perInch(50))
                .withResampling(new ResamplingChoice(Optional.of(method), Light.ENCODED, Ringing.FREE));
        Plan plan = plan(600, 400, ticket, Framing.centred().withTilt(9).withCorners(Framing.Corners.DRAWN_OUT));
        assertThat(plan.corners()).isEqualTo(Framing.Corners.DRAWN_OUT);
        try (Raster raster = white(600, 400)) {
            float[] samples = Printer.print(plan, raster, NONE).rows(0, 200).samples();
            for (int i = 0; i < 300 * 200 * 3; i++) {
                assertThat(samples[i]).isCloseTo(1f, within(1e-4f));
            }
        }
        try (Raster raster = disc(600, 400, 300, 200, 150)) {
            // The rim is all one tone, and so is what is drawn out of it.
            float[] samples = Printer.print(plan, raster, NONE).rows(0, 200).samples();
            assertThat(samples[0]).isEqualTo(samples[(100 * 300 + 5) * 3], within(1e-4f));
        }
    }

    private static Raster white(int width, int height) {
        Raster raster = Raster.allocate(new PixelSize(width, height), 3, 1);
        raster.samples().fill((byte) 255);
        return raster;
    }

    static Stream<Arguments> plansOfEveryKind() {
        Ticket inside = ticket().withSize(onPaper("5 in", "4 in"))
                .withPpi(Resolution.perInch(40))
                .withFit(new Fit.Inside(PaperColour.WHITE));
        Sharpening edges = new Sharpening.Exact(60, Length.parse("0.8 mm", LengthUnit.MM), 0.5);
        Sharpening wide = new Sharpening.LocalContrast(30, Length.parse("7.5 mm", LengthUnit.MM));
        Framing tighter = Framing.centred().withTightness(1.2);
        Framing bare = Framing.centred().withTilt(12).withCorners(Framing.Corners.PAPER);
        return Stream.of(
                Arguments.of(inside, tighter),
                Arguments.of(inside, tighter.withTilt(4)),
                Arguments.of(inside.withFit(new Fit.Fill(PaperColour.parse("#F0E0D0"))), bare),
                Arguments.of(inside.withSharpening(edges), tighter),
                Arguments.of(inside.withSharpening(wide), tighter),
                Arguments.of(inside.withSharpening(edges).withResampling(inLight(Method.KEYS)), tighter.withTilt(-9)),
                Arguments.of(ticket().withSize(new Size.OwnShape()).withSharpening(edges), Framing.centred()));
    }

    private static ResamplingChoice inLight(Method method) {
        return new ResamplingChoice(Optional.of(method), Light.LINEAR, Ringing.LIMITED);
    }

    @ParameterizedTest
    @MethodSource("plansOfEveryKind")
    void anyStripHeightGivesTheSameSamples(Ticket ticket, Framing framing) {
        Plan plan = plan(333, 222, ticket, framing);
        try (Raster raster = disc(333, 222, 150, 100, 60)) {
            Print whole = Printer.print(plan, raster, NONE);
            int row = whole.size().width() * 3;
            float[] samples = whole.rows(0, whole.size().height()).samples().clone();
            for (int height : new int[] {1, 7, 64}) {
                Print print = Printer.print(plan, raster, NONE);
                for (int y = 0; y < print.size().height(); y += height) {
                    Strip strip = print.rows(y, Math.min(height, print.size().height() - y));
                    for (int i = 0; i < strip.rows() * row; i++) {
                        assertThat(strip.samples()[i]).isEqualTo(samples[y * row + i]);
                    }
                }
                assertThat(print.halo()).isEqualTo(whole.halo());
            }
        }
    }

    /** Parts of 64 rows, as threads take them: the second print begins anew at each of its own. */
    @ParameterizedTest
    @MethodSource("plansOfEveryKind")
    void severalPrintsOfOneOutputGiveItsSamplesAndItsHalo(Ticket ticket, Framing framing) {
        Plan plan = plan(333, 222, ticket, framing);
        try (Raster raster = disc(333, 222, 150, 100, 60)) {
            Print whole = Printer.print(plan, raster, NONE);
            int row = whole.size().width() * 3;
            float[] samples = whole.rows(0, whole.size().height()).samples().clone();
            Print first = Printer.print(plan, raster, NONE);
            Print second = first.another();
            for (int y = 0; y < first.size().height(); y += 64) {
                Print print = y / 64 % 3 == 1 ? second : first;
                Strip strip = print.rows(y, Math.min(64, print.size().height() - y));
                for (int i = 0; i < strip.rows() * row; i++) {
                    assertThat(strip.samples()[i]).isEqualTo(samples[y * row + i]);
                }
            }
            assertThat(first.halo()).isEqualTo(whole.halo());
            assertThat(second.halo()).isEqualTo(whole.halo());
        }
    }

    @ParameterizedTest
    @MethodSource("plansOfEveryKind")
    void anyRegionHasTheSheetsSamples(Ticket ticket, Framing framing) {
        Plan plan = plan(333, 222, ticket, framing);
        try (Raster raster = disc(333, 222, 150, 100, 60)) {
            Print print = Printer.print(plan, raster, NONE);
            int row = print.size().width() * 3;
            float[] samples = print.rows(0, print.size().height()).samples().clone();
            Random random = new Random(5);
            for (int n = 0; n < 25; n++) {
                int x = random.nextInt(print.size().width());
                int y = random.nextInt(print.size().height());
                PixelRect region = new PixelRect(
                        x,
                        y,
                        1 + random.nextInt(print.size().width() - x),
                        1 + random.nextInt(print.size().height() - y));
                float[] part = new float[region.width() * region.height() * 3];
                print.render(region, part);
                for (int i = 0; i < part.length; i++) {
                    int at = (y + i / (region.width() * 3)) * row + x * 3 + i % (region.width() * 3);
                    assertThat(part[i]).isEqualTo(samples[at]);
                }
            }
        }
    }

    @Test
    void strengthNoneIsNoSharpeningToTheLastBit() {
        Ticket none = ticket().withPpi(Resolution.perInch(30));
        Ticket zero = none.withSharpening(new Sharpening.Exact(0, Length.parse("1 mm", LengthUnit.MM), 0));
        try (Raster raster = disc(333, 222, 150, 100, 60)) {
            Print without = Printer.print(plan(333, 222, none, Framing.centred()), raster, NONE);
            Print with = Printer.print(plan(333, 222, zero, Framing.centred()), raster, NONE);
            int height = without.size().height();
            assertThat(with.rows(0, height).samples())
                    .isEqualTo(without.rows(0, height).samples());
            assertThat(with.halo()).isEmpty();
        }
    }

    @Test
    void reMarkedPixelsAreTheOriginals() {
        // No method, no light and no bound touches a pixel that is only marked with another ppi.
        Ticket ticket = ticket().withSize(new Size.OwnShape()).withResampling(inLight(Method.MITCHELL));
        try (Raster raster = disc(60, 40, 30, 20, 15)) {
            Plan plan = plan(60, 40, ticket, Framing.centred());
            assertThat(plan.keepsPixels()).isTrue();
            float[] samples = Printer.print(plan, raster, NONE).rows(0, 40).samples();
            for (int i = 0; i < 60 * 40 * 3; i++) {
                assertThat(Strip.toByte(samples[i])).isEqualTo(raster.samples().get(ValueLayout.JAVA_BYTE, i) & 0xff);
            }
        }
    }

    /** Vector code is only taken up by a process that was given it, so each way has a process of its own. */
    @Test
    void vectorCodeMakesNoDifference() throws Exception {
        String with = PrintDigest.inOwnProcess("--add-modules=jdk.incubator.vector");
        String without = PrintDigest.inOwnProcess("-Dembrick.vectors=off");
        assertThat(with).startsWith("VectorLanes ");
        assertThat(without).startsWith("PlainLanes ");
        assertThat(with.substring(with.indexOf(' '))).isEqualTo(without.substring(without.indexOf(' ')));
    }

    @Test
    void aRasterThatIsNotThePlansIsRefused() {
        Plan plan = plan(333, 222, ticket(), Framing.centred());
        try (Raster raster = Raster.allocate(new PixelSize(222, 333), 3, 1)) {
            assertThatThrownBy(() -> Printer.print(plan, raster, NONE))
                    .hasMessageContaining("original: expected 333 × 222");
        }
    }

    @Test
    void smallPicturesKeepTheirShape() {
        Planning planning = SmallPlan.of(picture(6000, 4000), 384);
        assertThat(planning)
                .isInstanceOfSatisfying(
                        Planning.Ready.class,
                        ready -> assertThat(ready.plan().sheet()).isEqualTo(new PixelSize(384, 256)));
        assertThat(SmallPlan.of(picture(30, 2), 384))
                .isInstanceOfSatisfying(
                        Planning.Ready.class,
                        ready -> assertThat(ready.plan().sheet()).isEqualTo(new PixelSize(30, 2)));
    }
}
