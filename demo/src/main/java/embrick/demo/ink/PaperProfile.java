package embrick.demo.ink;

import embrick.core.colour.Lab;
import embrick.formats.icc.IccFile;
import java.nio.ByteBuffer;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * Makes an output profile of tables from a chart that was printed and read (ICC.1:2001-04, 6.3.4 and 6.5.8, lut16Type).
 *
 * <p>From device to colour the chart itself is the table, for all intents. From colour to device three tables are worked
 * out by inversion: relative colorimetric finely, perceptual and saturation, which are smoother, less so.
 */
public final class PaperProfile {
    private static final LabGrid FINE = new LabGrid(33, 13);
    private static final LabGrid SMOOTH = new LabGrid(25, 10);
    private static final LabGrid GAMUT = new LabGrid(17, 6);
    /** lut16Type's L*: 100 is FF00 of FFFF (ICC.1:2001-04, annex A). */
    private static final double LIGHTNESS_UNIT = 652.8;

    /** What counts as had, in the gamut table. */
    private static final double NEAR = 1;

    private final ReadChart chart;
    private final Inversion inversion;
    private final double reach;

    private PaperProfile(ReadChart chart, double mostInk) {
        this.chart = chart;
        this.inversion = new Inversion(chart, mostInk);
        this.reach = reach(chart);
    }

    /**
     * @param description plain ASCII
     * @param mostInk the sum of four inks that the paper holds; for RGB it does not count
     */
    public static byte[] of(String description, ReadChart chart, double mostInk) {
        return new PaperProfile(chart, mostInk).bytes(description);
    }

    private byte[] bytes(String description) {
        GamutFit fit = new GamutFit(new GamutRim(inversion));
        byte[] toColour = toColour();
        return new IccFile("prtr", chart.channels() == 4 ? "CMYK" : "RGB ", "Lab ", description, chart.white())
                .tag("A2B0", toColour)
                .tag("A2B1", toColour)
                .tag("A2B2", toColour)
                .tag("B2A0", toDevice(SMOOTH, fit::perceptual))
                .tag("B2A1", toDevice(FINE, UnaryOperator.identity()))
                .tag("B2A2", toDevice(SMOOTH, fit::saturated))
                .tag("gamt", gamut())
                .bytes();
    }

    /** Half the width of a* and b* in which the device's colours lie, and a little over. */
    private static double reach(ReadChart chart) {
        double most = 0;
        for (int patch = 0; patch < chart.patches(); patch++) {
            most = Math.max(most, Math.max(Math.abs(chart.at(patch, 1)), Math.abs(chart.at(patch, 2))));
        }
        return Math.min(120, most * 1.1);
    }

    private byte[] toColour() {
        int channels = chart.channels();
        int patches = chart.patches();
        ByteBuffer lut = lut16(channels, 3, chart.side(), 2, patches);
        for (int channel = 0; channel < channels; channel++) {
            lut.putShort((short) 0).putShort((short) 0xFFFF);
        }
        for (int patch = 0; patch < patches; patch++) {
            lut.putShort(count(chart.at(patch, 0) * LIGHTNESS_UNIT));
            lut.putShort(count((chart.at(patch, 1) + 128) * 256));
            lut.putShort(count((chart.at(patch, 2) + 128) * 256));
        }
        return ended(lut, 3);
    }

    private byte[] toDevice(LabGrid grid, UnaryOperator<Lab> fit) {
        int channels = chart.channels();
        double[][] nodes = IntStream.range(0, grid.nodes())
                .parallel()
                .mapToObj(node ->
                        inversion.find(fit.apply(grid.colour(node, reach))).values())
                .toArray(double[][]::new);
        ByteBuffer lut = lut16(3, channels, grid.side(), LabGrid.INPUT_ENTRIES, nodes.length);
        grid.putInputTables(lut, reach);
        for (double[] node : nodes) {
            for (double value : node) {
                lut.putShort(count(value * 65535));
            }
        }
        return ended(lut, channels);
    }

    /** 0 where the device has the colour, else how far it is, roughly. */
    private byte[] gamut() {
        int[] far = IntStream.range(0, GAMUT.nodes())
                .parallel()
                .map(node -> {
                    double error = inversion.find(GAMUT.colour(node, reach)).error();
                    return error < NEAR ? 0 : (int) Math.round(error * 1000);
                })
                .toArray();
        ByteBuffer lut = lut16(3, 1, GAMUT.side(), LabGrid.INPUT_ENTRIES, far.length);
        GAMUT.putInputTables(lut, reach);
        for (int value : far) {
            lut.putShort(count(value));
        }
        return ended(lut, 1);
    }

    private static ByteBuffer lut16(int in, int out, int side, int inputEntries, int nodes) {
        ByteBuffer lut = ByteBuffer.allocate(52 + 2 * (in * inputEntries + nodes * out + out * 2));
        lut.put(IccFile.ascii("mft2")).putInt(0);
        lut.put((byte) in).put((byte) out).put((byte) side).put((byte) 0);
        for (int i = 0; i < 9; i++) {
            lut.putInt(IccFile.fixed(i % 4 == 0 ? 1 : 0));
        }
        return lut.putShort((short) inputEntries).putShort((short) 2);
    }

    /** Output tables that change nothing. */
    private static byte[] ended(ByteBuffer lut, int out) {
        for (int channel = 0; channel < out; channel++) {
            lut.putShort((short) 0).putShort((short) 0xFFFF);
        }
        if (lut.hasRemaining()) {
            throw new AssertionError("lut: " + lut.remaining() + " bytes were not written");
        }
        return lut.array();
    }

    private static short count(double value) {
        return (short) Math.clamp(Math.round(value), 0, 65535);
    }

    /**
     * Where a table over L*a*b* has its nodes: evenly along L*; along a* and b* dense where the device has colours, sparse
     * beyond, with 0 on a node, so that greys are exact.
     *
     * @param side nodes along each axis, an odd number
     * @param inner steps from the middle to the end of the dense part
     */
    private record LabGrid(int side, int inner) {
        static final int INPUT_ENTRIES = 257;

        private static final double END = 128;

        int nodes() {
            return side * side * side;
        }

        Lab colour(int node, double reach) {
            return new Lab(
                    node / (side * side) * 100.0 / (side - 1),
                    opponent(node / side % side, reach),
                    opponent(node % side, reach));
        }

        private int half() {
            return (side - 1) / 2;
        }

        private double opponent(int step, double reach) {
            int from = step - half();
            int steps = Math.abs(from);
            double far =
                    steps <= inner ? reach * steps / inner : reach + (END - reach) * (steps - inner) / (half() - inner);
            return Math.copySign(far, from);
        }

        /** Where on the grid, 0..1, a value of a* or b* lies. */
        private double place(double value, double reach) {
            double far = Math.abs(value);
            double steps =
                    far <= reach ? inner * far / reach : inner + (half() - inner) * (far - reach) / (END - reach);
            return 0.5 + Math.copySign(Math.min(half(), steps), value) / (side - 1);
        }

        void putInputTables(ByteBuffer lut, double reach) {
            // Entry 255 of 256 is FF00 but for a two-hundredth of a step: white is on a node.
            for (int i = 0; i < INPUT_ENTRIES; i++) {
                lut.putShort(count(Math.min(1, i / 255.0) * 65535));
            }
            for (int axis = 0; axis < 2; axis++) {
                for (int i = 0; i < INPUT_ENTRIES; i++) {
                    double value = 65535.0 * i / (INPUT_ENTRIES - 1) / 256 - 128;
                    lut.putShort(count(place(value, reach) * 65535));
                }
            }
        }
    }
}
