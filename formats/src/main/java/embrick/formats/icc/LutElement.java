package embrick.formats.icc;

import embrick.core.colour.chain.Affine;
import embrick.core.colour.chain.Curves;
import embrick.core.colour.chain.Step;
import embrick.core.colour.chain.Table;
import embrick.core.colour.chain.Table.Between;
import embrick.formats.icc.CurveElement.Curve;
import embrick.formats.icc.IccProfile.Connection;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Conversions by tables as profiles hold them: lut8Type, lut16Type, lutAToBType, lutBToAType (ICC.1:2022, 10.10 to 10.13),
 * read as steps between device values 0..1 and XYZ or L*a*b* as they are.
 */
final class LutElement {
    private static final int LUT_HEADER = 48;
    /** Entries of a table for all its nodes: 33 steps of four channels, and more than anybody makes. */
    private static final long MOST_VALUES = 8_000_000;

    private static final double[] NOTHING = new double[3];

    private final String tag;
    private final ByteBuffer element;
    private final Connection connection;
    private final Direction direction;
    private final List<Step> steps = new ArrayList<>();
    private int in;
    private int out;

    enum Direction {
        TO_COLOUR,
        TO_DEVICE
    }

    private LutElement(String tag, ByteBuffer element, Connection connection, Direction direction) {
        this.tag = tag;
        this.element = element;
        this.connection = connection;
        this.direction = direction;
    }

    /**
     * @param device how many channels the device has
     * @throws UnusableProfileException if it is damaged or of a type that does not belong there
     */
    static List<Step> read(String tag, ByteBuffer element, Connection connection, Direction direction, int device)
            throws UnusableProfileException {
        LutElement lut = new LutElement(tag, element, connection, direction);
        return IccProfile.within(tag, () -> lut.read(device));
    }

    private List<Step> read(int device) throws UnusableProfileException {
        in = element.get(8) & 0xff;
        out = element.get(9) & 0xff;
        boolean fits = direction == Direction.TO_COLOUR ? in == device && out == 3 : in == 3 && out == device;
        if (!fits) {
            throw IccProfile.damaged("has a tag “" + tag + "” from " + in + " to " + out + " channels");
        }
        String type = IccProfile.type(element);
        boolean newer = type.equals("mAB ") || type.equals("mBA ");
        if (direction == Direction.TO_DEVICE) {
            steps.add(encoding(type));
        }
        switch (type) {
            case "mft1" -> table(1);
            case "mft2" -> table(2);
            case "mAB " -> aToB();
            case "mBA " -> bToA();
            default -> throw IccProfile.damaged("has a tag “" + tag + "” of the unknown type “" + type.strip() + "”");
        }
        if (newer && type.equals("mAB ") != (direction == Direction.TO_COLOUR)) {
            throw IccProfile.damaged("has a tag “" + tag + "” of the type for the other direction");
        }
        if (direction == Direction.TO_COLOUR) {
            steps.add(decoding(type));
        }
        return steps;
    }

    /** From XYZ or L*a*b* as it is to 0..1. */
    private Affine encoding(String type) {
        if (connection == Connection.XYZ) {
            return Affine.ofEach(new double[] {32768 / 65535.0, 32768 / 65535.0, 32768 / 65535.0}, NOTHING);
        }
        double[] units = labUnits(type);
        return Affine.ofEach(
                new double[] {units[0], units[1], units[1]}, new double[] {0, 128 * units[1], 128 * units[1]});
    }

    private Affine decoding(String type) {
        if (connection == Connection.XYZ) {
            return Affine.ofEach(new double[] {65535 / 32768.0, 65535 / 32768.0, 65535 / 32768.0}, NOTHING);
        }
        double[] units = labUnits(type);
        return Affine.ofEach(new double[] {1 / units[0], 1 / units[1], 1 / units[1]}, new double[] {0, -128, -128});
    }

    /** What a unit of L*, and of a* or b*, is of 0..1: lut16Type has FF00 for L* 100, the others FF or FFFF. */
    private static double[] labUnits(String type) {
        return type.equals("mft2") ? new double[] {652.8 / 65535, 256 / 65535.0} : new double[] {1 / 100.0, 1 / 255.0};
    }

    /** lut8Type or lut16Type. */
    private void table(int width) throws UnusableProfileException {
        int side = element.get(10) & 0xff;
        boolean takesXyz = connection == Connection.XYZ && direction == Direction.TO_DEVICE;
        if (takesXyz) {
            steps.add(new Affine(matrix(12)));
        }
        int inputEntries = width == 1 ? 256 : Short.toUnsignedInt(element.getShort(LUT_HEADER));
        int outputEntries = width == 1 ? 256 : Short.toUnsignedInt(element.getShort(LUT_HEADER + 2));
        int at = width == 1 ? LUT_HEADER : LUT_HEADER + 4;
        at = evenCurves(at, in, inputEntries, width);
        int[] sides = new int[in];
        Arrays.fill(sides, side);
        at = clut(at, sides, width);
        evenCurves(at, out, outputEntries, width);
    }

    private double[][] matrix(int at) {
        double[][] matrix = new double[3][3];
        for (int i = 0; i < 9; i++) {
            matrix[i / 3][i % 3] = IccProfile.fixed(element, at + 4 * i);
        }
        return matrix;
    }

    private int evenCurves(int at, int channels, int entries, int width) {
        float[][] tables = new float[channels][];
        for (int channel = 0; channel < channels; channel++) {
            tables[channel] = values(at + channel * entries * width, entries, width);
        }
        if (entries != 2 || !Arrays.stream(tables).allMatch(t -> t[0] == 0 && t[1] == 1)) {
            steps.add(new Curves(tables));
        }
        return at + channels * entries * width;
    }

    private int clut(int at, int[] sides, int width) throws UnusableProfileException {
        long count = out;
        for (int side : sides) {
            count *= side;
        }
        if (count > MOST_VALUES) {
            throw IccProfile.damaged("has a tag “" + tag + "” with a table of " + count + " values");
        }
        boolean takesLab = connection == Connection.LAB && direction == Direction.TO_DEVICE;
        steps.add(
                new Table(sides, out, values(at, (int) count, width), takesLab ? Between.CORNERS : Between.TETRAHEDRA));
        return at + (int) count * width;
    }

    private float[] values(int at, int count, int width) {
        if (at < 0 || at + (long) count * width > element.limit()) {
            throw new IndexOutOfBoundsException(at);
        }
        float[] values = new float[count];
        for (int i = 0; i < count; i++) {
            values[i] = width == 1
                    ? (element.get(at + i) & 0xff) / 255f
                    : Short.toUnsignedInt(element.getShort(at + 2 * i)) / 65535f;
        }
        return values;
    }

    /** A curves, table, M curves, matrix, B curves; each may be missing but the last. */
    private void aToB() throws UnusableProfileException {
        curves(28, in);
        looseClut();
        curves(20, 3);
        looseMatrix();
        curves(12, 3);
        requireChannels();
    }

    private void bToA() throws UnusableProfileException {
        curves(12, 3);
        looseMatrix();
        curves(20, 3);
        looseClut();
        curves(28, out);
        requireChannels();
    }

    /** Without a table, as many channels must leave as come. */
    private void requireChannels() throws UnusableProfileException {
        if (in != out && steps.stream().noneMatch(Table.class::isInstance)) {
            throw IccProfile.damaged("has a tag “" + tag + "” without the table it needs");
        }
    }

    private void curves(int offsetAt, int channels) throws UnusableProfileException {
        int at = element.getInt(offsetAt);
        if (at == 0) {
            return;
        }
        float[][] tables = new float[channels][];
        boolean straight = true;
        for (int channel = 0; channel < channels; channel++) {
            Curve curve = CurveElement.read(element, at);
            straight &= curve.isStraight();
            tables[channel] = new float[curve.values().length];
            for (int i = 0; i < tables[channel].length; i++) {
                tables[channel][i] = (float) curve.values()[i];
            }
            at += Math.ceilDiv(curve.bytes(), 4) * 4;
        }
        if (!straight) {
            steps.add(new Curves(tables));
        }
    }

    private void looseMatrix() {
        int at = element.getInt(16);
        if (at == 0) {
            return;
        }
        double[] offset = new double[3];
        for (int i = 0; i < 3; i++) {
            offset[i] = IccProfile.fixed(element, at + 36 + 4 * i);
        }
        steps.add(new Affine(matrix(at), offset));
    }

    private void looseClut() throws UnusableProfileException {
        int at = element.getInt(24);
        if (at == 0) {
            return;
        }
        int[] sides = new int[in];
        for (int channel = 0; channel < in; channel++) {
            sides[channel] = element.get(at + channel) & 0xff;
        }
        int width = element.get(at + 16);
        if (width != 1 && width != 2) {
            throw IccProfile.damaged("has a tag “" + tag + "” with values of " + width + " bytes");
        }
        clut(at + 20, sides, width);
    }
}
