package embrick.formats.icc;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_DOUBLE;
import static java.lang.foreign.ValueLayout.JAVA_FLOAT;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.colour.Intent;
import embrick.core.colour.Xyz;
import embrick.core.pixels.ColourModel;
import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.invoke.MethodHandle;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Stream;

/** Little CMS 2 (lcms2.h), as far as it is used. Buffer sizes are checked here, before every call. */
final class LittleCms {

    private static final int INFO_DESCRIPTION = 0;

    static final NativeLibrary LIBRARY = new NativeLibrary("liblcms2.so.2", "liblcms2-2");
    private static final MethodHandle OPEN =
            LIBRARY.function("cmsOpenProfileFromMem", FunctionDescriptor.of(ADDRESS, ADDRESS, JAVA_INT));
    private static final MethodHandle CLOSE =
            LIBRARY.function("cmsCloseProfile", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle COLOUR_SPACE =
            LIBRARY.function("cmsGetColorSpace", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle INFO = LIBRARY.function(
            "cmsGetProfileInfoASCII",
            FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, ADDRESS, ADDRESS, ADDRESS, JAVA_INT));
    private static final MethodHandle OPEN_PCS =
            LIBRARY.function("cmsCreateLab4Profile", FunctionDescriptor.of(ADDRESS, ADDRESS));

    private static final MethodHandle BLACK_POINT = LIBRARY.function(
            "cmsDetectBlackPoint", FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT));
    private static final MethodHandle DESTINATION_BLACK_POINT = LIBRARY.function(
            "cmsDetectDestinationBlackPoint", FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT));
    private static final MethodHandle HAS_TAG =
            LIBRARY.function("cmsIsTag", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle READ_TAG =
            LIBRARY.function("cmsReadTag", FunctionDescriptor.of(ADDRESS, ADDRESS, JAVA_INT));
    private static final MethodHandle EVALUATE =
            LIBRARY.function("cmsEvalToneCurveFloat", FunctionDescriptor.of(JAVA_FLOAT, ADDRESS, JAVA_FLOAT));

    private static final MethodHandle PARAMETRIC_TYPE =
            LIBRARY.function("cmsGetToneCurveParametricType", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle TABLE_ENTRIES =
            LIBRARY.function("cmsGetToneCurveEstimatedTableEntries", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle TABLE =
            LIBRARY.function("cmsGetToneCurveEstimatedTable", FunctionDescriptor.of(ADDRESS, ADDRESS));

    /** Samples of a curve that is a formula; between them it is a line. */
    private static final int CURVE_SAMPLES = 16_385;

    private static final int GREY_CURVE = signature("kTRC");
    private static final int RED_CURVE = signature("rTRC");
    private static final int GREEN_CURVE = signature("gTRC");
    private static final int BLUE_CURVE = signature("bTRC");
    private static final int[] COLOURANTS = {signature("rXYZ"), signature("gXYZ"), signature("bXYZ")};
    private static final int[] TABLES = Stream.of(
                    "A2B0", "A2B1", "A2B2", "B2A0", "B2A1", "B2A2", "D2B0", "D2B1", "D2B2", "D2B3", "B2D0", "B2D1",
                    "B2D2", "B2D3")
            .mapToInt(LittleCms::signature)
            .toArray();

    private LittleCms() {}

    /** Four letters as the number that stands for them. */
    private static int signature(String letters) {
        return ByteBuffer.wrap(letters.getBytes(StandardCharsets.US_ASCII)).getInt();
    }

    /** An opened profile; close it. */
    static final class Profile implements AutoCloseable {
        private final Arena arena = Arena.ofConfined();
        final MemorySegment handle;

        private Profile() {
            handle = NativeLibrary.call(() -> (MemorySegment) OPEN_PCS.invokeExact(MemorySegment.NULL));
        }

        static Profile of(Conversion.Link link) {
            return switch (link) {
                case Conversion.Link.Icc icc -> new Profile(icc.bytes());
                case Conversion.Link.Pcs _ -> new Profile();
            };
        }

        Profile(byte[] bytes) {
            MemorySegment memory = arena.allocate(Math.max(1, bytes.length));
            MemorySegment.copy(bytes, 0, memory, java.lang.foreign.ValueLayout.JAVA_BYTE, 0, bytes.length);
            handle = NativeLibrary.call(() -> (MemorySegment) OPEN.invokeExact(memory, bytes.length));
            if (handle.address() == 0) {
                arena.close();
                throw new IllegalArgumentException("profile: expected an ICC profile, got " + bytes.length + " bytes");
            }
        }

        Optional<ColourModel> model() {
            int signature = NativeLibrary.call(() -> (int) COLOUR_SPACE.invokeExact(handle));
            return switch (signature) {
                case 0x47524159 -> Optional.of(ColourModel.GREY);
                case 0x52474220 -> Optional.of(ColourModel.RGB);
                case 0x434D594B -> Optional.of(ColourModel.CMYK);
                default -> Optional.empty();
            };
        }

        String description() {
            int room = 512;
            MemorySegment text = arena.allocate(room);
            MemorySegment language = arena.allocateFrom("en");
            MemorySegment country = arena.allocateFrom("US");
            int length = NativeLibrary.call(
                    () -> (int) INFO.invokeExact(handle, INFO_DESCRIPTION, language, country, text, room));
            return length <= 0 ? "" : text.getString(0).strip();
        }

        /**
         * The light of evenly spaced values along the grey or green tone curve, from 0 to 1: a table's own entries, or
         * samples of a formula; empty for profiles without.
         */
        Optional<double[]> toneCurve() {
            return tag(GREY_CURVE).or(() -> tag(GREEN_CURVE)).map(Profile::lights);
        }

        boolean channelsShareTheCurve() {
            Optional<double[]> red = tag(RED_CURVE).map(Profile::lights);
            Optional<double[]> green = tag(GREEN_CURVE).map(Profile::lights);
            Optional<double[]> blue = tag(BLUE_CURVE).map(Profile::lights);
            return red.isPresent()
                    && green.isPresent()
                    && blue.isPresent()
                    && Arrays.equals(red.get(), green.get())
                    && Arrays.equals(green.get(), blue.get());
        }

        /** Tables are read as they are: evaluating them would round to 16 bits between entries. */
        private static double[] lights(MemorySegment curve) {
            int type = NativeLibrary.call(() -> (int) PARAMETRIC_TYPE.invokeExact(curve));
            if (type != 0) {
                double[] lights = new double[CURVE_SAMPLES];
                for (int i = 0; i < CURVE_SAMPLES; i++) {
                    float encoded = (float) i / (CURVE_SAMPLES - 1);
                    lights[i] = NativeLibrary.call(() -> (float) EVALUATE.invokeExact(curve, encoded));
                }
                return lights;
            }
            int entries = NativeLibrary.call(() -> (int) TABLE_ENTRIES.invokeExact(curve));
            MemorySegment table = NativeLibrary.call(() -> (MemorySegment) TABLE.invokeExact(curve))
                    .reinterpret(2L * entries);
            double[] lights = new double[entries];
            for (int i = 0; i < entries; i++) {
                lights[i] = Short.toUnsignedInt(table.getAtIndex(JAVA_SHORT, i)) / 65535.0;
            }
            return lights;
        }

        /** Rows X, Y, Z of red, green and blue; empty for profiles without colourants. */
        Optional<double[][]> colourants() {
            double[][] columns = new double[3][3];
            for (int c = 0; c < 3; c++) {
                Optional<MemorySegment> tag = tag(COLOURANTS[c]);
                if (tag.isEmpty()) {
                    return Optional.empty();
                }
                // cmsCIEXYZ: three doubles.
                MemorySegment xyz = tag.get().reinterpret(24);
                for (int row = 0; row < 3; row++) {
                    columns[row][c] = xyz.getAtIndex(JAVA_DOUBLE, row);
                }
            }
            return Optional.of(columns);
        }

        /** The darkest that the profile has as a source, in XYZ; 0 where it cannot be told (ISO 18619). */
        Xyz blackPoint(Intent intent) {
            return blackPoint(BLACK_POINT, intent);
        }

        /** The darkest that it has as a target. */
        Xyz targetBlackPoint(Intent intent) {
            return blackPoint(DESTINATION_BLACK_POINT, intent);
        }

        private Xyz blackPoint(MethodHandle detect, Intent intent) {
            // cmsCIEXYZ: three doubles.
            MemorySegment xyz = arena.allocate(JAVA_DOUBLE, 3);
            int ignored = NativeLibrary.call(() -> (int) detect.invokeExact(xyz, handle, intent.number(), 0));
            assert ignored == 0 || ignored == 1;
            return new Xyz(
                    xyz.getAtIndex(JAVA_DOUBLE, 0), xyz.getAtIndex(JAVA_DOUBLE, 1), xyz.getAtIndex(JAVA_DOUBLE, 2));
        }

        /** Whether any conversion is given by tables, which then go before curves and colourants. */
        boolean hasTables() {
            return Arrays.stream(TABLES).anyMatch(this::has);
        }

        private boolean has(int signature) {
            return NativeLibrary.call(() -> (int) HAS_TAG.invokeExact(handle, signature)) != 0;
        }

        private Optional<MemorySegment> tag(int signature) {
            if (!has(signature)) {
                return Optional.empty();
            }
            MemorySegment value = NativeLibrary.call(() -> (MemorySegment) READ_TAG.invokeExact(handle, signature));
            return value.address() == 0 ? Optional.empty() : Optional.of(value);
        }

        @Override
        public void close() {
            int ignored = NativeLibrary.call(() -> (int) CLOSE.invokeExact(handle));
            assert ignored != 0;
            arena.close();
        }
    }
}
