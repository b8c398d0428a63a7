package embrick.core.found.scan;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.Thorough;
import embrick.core.found.Confidence;
import embrick.core.found.scan.DrawnScan.Laid;
import embrick.core.found.scan.DrawnScan.Wander;
import embrick.core.found.scan.FoundPrint.Kind;
import embrick.core.found.scan.FoundPrint.Side;
import embrick.core.found.scan.ScanBorder.Scan;
import embrick.core.found.scan.ScanBorder.Why;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Scans drawn from seeds: their sides and tilts are known before anything is looked for. {@code -Dembrick.scans=200} tries as
 * many as docs/measured.md tells of.
 */
class ScanBorderTest {
    private static final int WIDTH = 1500;
    private static final int HEIGHT = 1100;
    private static final double NOISE = 0.008;

    /** Two of the four beds, all of them if all are asked for. */
    static IntStream grounds() {
        return Thorough.isAsked() ? IntStream.range(0, 4) : IntStream.of(1, 2);
    }

    @Test
    void findsSidesAndTilts() {
        int scans = Thorough.cases(6, 200);
        List<String> wrong = new ArrayList<>();
        long right = IntStream.range(0, scans)
                .parallel()
                .filter(seed -> {
                    Random random = DrawnScan.random(seed);
                    Rectangle truth = DrawnScan.somewhere(random, WIDTH, HEIGHT);
                    DrawnScan scan = scan(seed % 4, seed)
                            .shadow(
                                    truth,
                                    between(random, 2, 8),
                                    between(random, 2, 8),
                                    between(random, 4, 12),
                                    between(random, 0.1, 0.4))
                            .lay(new Laid(truth, DrawnScan.landscape(seed), Wander.NONE))
                            .dust(60);
                    return isRight(ScanBorder.find(scan.scanned(between(random, 0.004, 0.016))), truth, seed, wrong);
                })
                .count();
        assertThat(wrong).as("offered, and wrong").isEmpty();
        assertThat(right).as("of %d scans", scans).isGreaterThanOrEqualTo(Math.round(0.95 * scans));
    }

    /** Within a tenth of a degree and one pixel on every side; what is declined is not right, and not wrong. */
    static boolean isRight(Scan found, Rectangle truth, Object seed, List<String> wrong) {
        if (!(found instanceof Scan.Prints(List<FoundPrint> prints))
                || prints.size() != 1
                || prints.getFirst().confidence() == Confidence.NOT_SURE) {
            return false;
        }
        Rectangle outline = prints.getFirst().outline();
        double[] off = DrawnScan.off(outline, truth);
        if (Math.abs(outline.degrees() - truth.degrees()) < 0.1
                && Arrays.stream(off).allMatch(one -> Math.abs(one) < 1)) {
            return true;
        }
        wrong.add(seed + ": off " + Arrays.toString(off) + " " + found + " truth " + truth);
        return false;
    }

    @ParameterizedTest
    @MethodSource("grounds")
    void declinesAnEmptyBedAndAPictureThatFillsTheScan(int ground) {
        assertThat(ScanBorder.find(scan(ground, 3).dust(80).scanned(NOISE))).isEqualTo(new Scan.Nothing(Why.EMPTY));
        Rectangle whole = new Rectangle(WIDTH / 2.0, HEIGHT / 2.0, WIDTH, HEIGHT, 0);
        DrawnScan full = scan(ground, 3).lay(new Laid(whole, DrawnScan.landscape(7), Wander.NONE));
        assertThat(ScanBorder.find(full.scanned(NOISE))).isEqualTo(new Scan.Nothing(Why.NO_BED));
    }

    @ParameterizedTest
    @MethodSource("grounds")
    void isNotSureOfASkyAsPaleAsTheBed(int ground) {
        for (int seed = 0; seed < Thorough.cases(1, 2); seed++) {
            Rectangle where = DrawnScan.somewhere(DrawnScan.random(seed + 1000), WIDTH, HEIGHT);
            float[] bed = DrawnScan.grounds().get(ground);
            double off = seed % 2 * 0.004;
            DrawnScan scan = scan(ground, seed)
                    .shadow(where, 3, 3, 5, 0.2)
                    .lay(new Laid(where, DrawnScan.paleSky(bed, off, seed), Wander.NONE))
                    .dust(60);
            if (ScanBorder.find(scan.scanned(NOISE)) instanceof Scan.Prints(List<FoundPrint> prints)) {
                assertThat(prints).as("seed %d", seed).allMatch(one -> one.confidence() == Confidence.NOT_SURE);
                assertThat(prints.getFirst().doubts())
                        .extracting(FoundPrint.Doubt::side)
                        .contains(Side.TOP);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("grounds")
    void findsSeveralPrints(int ground) {
        List<Rectangle> where = List.of(
                new Rectangle(350, 300, 500, 350, 3),
                new Rectangle(1100, 320, 560, 380, -4),
                new Rectangle(500, 800, 520, 360, 1.5));
        DrawnScan scan = scan(ground, 3);
        for (Rectangle one : where) {
            scan.shadow(one, 4, 4, 5, 0.2).lay(new Laid(one, DrawnScan.landscape(where.indexOf(one)), Wander.NONE));
        }
        assertThat(ScanBorder.find(scan.dust(50).scanned(NOISE))).isInstanceOfSatisfying(Scan.Prints.class, found -> {
            assertThat(found.prints()).hasSize(3).allMatch(one -> one.confidence() == Confidence.SURE);
            for (int i = 0; i < 3; i++) {
                Rectangle outline = found.prints().get(i).outline();
                assertThat(Arrays.stream(DrawnScan.off(outline, where.get(i)))
                                .map(Math::abs)
                                .max()
                                .orElseThrow())
                        .isLessThan(1);
            }
        });
    }

    /** A sky that fades through the bed's own grey cuts the print in two for everybody who looks for the bed. */
    @Test
    void takesTwoPartsOfOnePrintForOne() {
        DrawnScan.Print fading = (c, u, v) -> DrawnScan.GREY[c] + (float) (0.5 - v) * (c == 2 ? 0.5f : -0.4f);
        Rectangle where = new Rectangle(740, 540, 900, 650, -3);
        Scan found = ScanBorder.find(
                scan(1, 3).lay(new Laid(where, fading, Wander.NONE)).scanned(NOISE));
        assertThat(isRight(found, where, 1, new ArrayList<>())).as("%s", found).isTrue();
    }

    @Test
    void declinesPicturesLaidOutAsOnAPageAndThoseThatOverlap() {
        DrawnScan page = scan(0, 3);
        DrawnScan heap = scan(0, 3);
        for (int i = 0; i < 4; i++) {
            Rectangle square = new Rectangle(390 + 720 * (i % 2), 290 + 520 * (i >> 1), 640, 460, 0);
            page.lay(new Laid(square, DrawnScan.landscape(i), Wander.NONE));
            Rectangle over = new Rectangle(500 + 200 * (i % 2), 420 + 230 * (i >> 1), 500, 380, 4 * i - 6);
            heap.lay(new Laid(over, DrawnScan.landscape(i), Wander.NONE));
        }
        assertThat(ScanBorder.find(page.scanned(0))).isEqualTo(new Scan.Nothing(Why.LAID_OUT));
        assertThat(ScanBorder.find(heap.scanned(NOISE))).isEqualTo(new Scan.Nothing(Why.NO_RECTANGLE));
    }

    /** The line lies inside all but the deepest few of what wanders. */
    @ParameterizedTest
    @MethodSource("grounds")
    void cutsInsideADeckledEdge(int ground) {
        double[] phases = DrawnScan.random(ground).doubles(8, 0, 2 * Math.PI).toArray();
        Rectangle where = new Rectangle(740, 540, 900, 650, -3);
        Wander deckle = (side, share) ->
                2 + 1.5 * Math.sin(200 * share + phases[side]) + 0.5 * Math.sin(330 * share + phases[side + 4]);
        assertInside(ground, where, deckle, new double[] {3.5, 3.5, 3.5, 3.5});
    }

    /** On grey this one is declined: too little of its torn side stands out. */
    @ParameterizedTest
    @ValueSource(ints = {0, 2, 3})
    void cutsInsideATornEdge(int ground) {
        Rectangle where = new Rectangle(740, 540, 900, 650, -3);
        Wander torn = (side, share) ->
                side == 1 ? 6 + 2 * Math.sin(30 * share) + 2 * Math.sin(71 * share) + Math.sin(190 * share) : 0;
        assertInside(ground, where, torn, new double[] {0, 10, 0, 0});
    }

    private static void assertInside(int ground, Rectangle where, Wander wander, double[] deepest) {
        DrawnScan scan = scan(ground, 3)
                .shadow(where, 3, 3, 5, 0.2)
                .lay(new Laid(where, DrawnScan.landscape(9), wander))
                .dust(40);
        assertThat(ScanBorder.find(scan.scanned(NOISE))).isInstanceOfSatisfying(Scan.Prints.class, found -> {
            FoundPrint print = found.prints().getFirst();
            assertThat(print.confidence()).isNotEqualTo(Confidence.NOT_SURE);
            assertThat(print.doubts()).extracting(FoundPrint.Doubt::kind).isSubsetOf(Kind.RAGGED, Kind.ASKEW);
            double[] off = DrawnScan.off(print.outline(), where);
            double[] inwards = {off[0], -off[1], -off[2], off[3]};
            for (int side = 0; side < 4; side++) {
                // The inset of 0.3 % takes two pixels more.
                assertThat(inwards[side]).as("side %d", side).isBetween(deepest[side] - 4, deepest[side] + 1);
            }
        });
    }

    static DrawnScan scan(int ground, long seed) {
        return new DrawnScan(WIDTH, HEIGHT, DrawnScan.grounds().get(ground), seed);
    }

    static double between(Random random, double low, double high) {
        return low + (high - low) * random.nextDouble();
    }
}
