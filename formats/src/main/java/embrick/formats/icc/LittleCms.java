package embrick.formats.icc;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_DOUBLE;
import static java.lang.foreign.ValueLayout.JAVA_FLOAT;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.colour.Intent;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.colour.Xyz;
import embrick.core.pixels.ColourModel;
import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.lang.ref.Cleaner;
import java.lang.ref.Reference;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Little CMS 2 (lcms2.h), as far as it is used. Buffer sizes are checked here, before every call. */
final class LittleCms {
    /** No one-pixel cache, so that one transform may serve several threads. */
    private static final int FLAGS_NOCACHE = 0x0040;

    private static final int FLAGS_NOOPTIMIZE = 0x0100;
    /** 16-bit conversions are precalculated into a grid: the finer one, or wide RGB is off by up to 2 counts of 255. */
    private static final int FLAGS_HIGHRESPRECALC = 0x0400;

    private static final int INFO_DESCRIPTION = 0;

    private static final NativeLibrary LIBRARY = new NativeLibrary("liblcms2.so.2", "liblcms2-2");
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
    private static final MethodHandle CREATE = LIBRARY.function(
            "cmsCreateExtendedTransform",
            FunctionDescriptor.of(
                    ADDRESS, ADDRESS, JAVA_INT, ADDRESS, ADDRESS, ADDRESS, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT,
                    JAVA_INT, JAVA_INT));
    private static final MethodHandle DELETE =
            LIBRARY.function("cmsDeleteTransform", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle APPLY =
            LIBRARY.shortFunction("cmsDoTransform", FunctionDescriptor.ofVoid(ADDRESS, ADDRESS, ADDRESS, JAVA_INT));

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
        private final MemorySegment handle;

        private Profile() {
            handle = NativeLibrary.call(() -> (MemorySegment) OPEN_PCS.invokeExact(MemorySegment.NULL));
        }

        static Profile of(Link link) {
            return switch (link) {
                case Link.Icc icc -> new Profile(icc.bytes());
                case Link.Pcs _ -> new Profile();
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

    /** One profile of a chain. */
    sealed interface Link {
        record Icc(byte[] bytes) implements Link {}

        /** The profile connection space itself, L*a*b*. */
        record Pcs() implements Link {}
    }

    /** How samples lie in memory: COLORSPACE_SH, CHANNELS_SH, BYTES_SH and FLOAT_SH of lcms2.h, interleaved. */
    enum Samples {
        SHORTS(2, ValueLayout.JAVA_SHORT),
        DOUBLES(1 << 22, ValueLayout.JAVA_DOUBLE);

        private final int code;
        private final ValueLayout layout;

        Samples(int code, ValueLayout layout) {
            this.code = code;
            this.layout = layout;
        }

        /** @param model empty for L*a*b* */
        private int format(Optional<ColourModel> model) {
            int space = model.map(Samples::space).orElse(10);
            return code | space << 16 | channels(model) << 3;
        }

        private static int space(ColourModel model) {
            return switch (model) {
                case GREY -> 3;
                case RGB -> 4;
                case CMYK -> 6;
            };
        }

        private static int channels(Optional<ColourModel> model) {
            return model.map(ColourModel::channels).orElse(3);
        }
    }

    /** Whether a chain is worked out into a grid first, which is quick, or step by step, which is exact. */
    enum Working {
        GRID(FLAGS_HIGHRESPRECALC),
        EXACT(FLAGS_NOOPTIMIZE);

        private final int flags;

        Working(int flags) {
            this.flags = flags;
        }
    }

    /** A conversion along a chain of profiles. It may serve several threads at once, until it is closed. */
    static final class Conversion implements AutoCloseable {
        private static final Cleaner CLEANER = Cleaner.create();

        private final MemorySegment handle;
        /** Frees it once; at the latest when nobody has it any more, since caches let go of what others may still use. */
        private final Cleaner.Cleanable freeing;

        private final Samples samples;
        private final int channelsIn;
        private final int channelsOut;

        /**
         * @param links two or more
         * @param renderings how each link is come to from the one before; the first is that of the second
         * @throws IllegalArgumentException if there is no such conversion
         */
        Conversion(List<Link> links, List<Rendering> renderings, Samples samples, Working working) {
            List<Profile> profiles = new ArrayList<>();
            try (Arena arena = Arena.ofConfined()) {
                for (Link link : links) {
                    profiles.add(Profile.of(link));
                }
                Optional<ColourModel> in = profiles.getFirst().model();
                Optional<ColourModel> out = profiles.getLast().model();
                this.samples = samples;
                this.channelsIn = Samples.channels(in);
                this.channelsOut = Samples.channels(out);
                this.handle =
                        create(arena, profiles, renderings, samples.format(in), samples.format(out), working.flags);
            } finally {
                profiles.forEach(Profile::close);
            }
            if (handle.address() == 0) {
                throw new IllegalArgumentException("profiles: expected some with a way from one to the next");
            }
            this.freeing = CLEANER.register(this, freeing(handle));
        }

        private static Runnable freeing(MemorySegment handle) {
            return () -> NativeLibrary.call(() -> {
                DELETE.invokeExact(handle);
                return null;
            });
        }

        private static MemorySegment create(
                Arena arena, List<Profile> profiles, List<Rendering> renderings, int in, int out, int flags) {
            int count = profiles.size();
            MemorySegment handles = arena.allocate(ADDRESS, count);
            MemorySegment compensated = arena.allocate(JAVA_INT, count);
            MemorySegment intents = arena.allocate(JAVA_INT, count);
            MemorySegment adapted = arena.allocate(JAVA_DOUBLE, count);
            for (int i = 0; i < count; i++) {
                Rendering rendering = renderings.get(Math.max(0, i - 1));
                handles.setAtIndex(ADDRESS, i, profiles.get(i).handle);
                compensated.setAtIndex(JAVA_INT, i, rendering.blackPoint() == BlackPoint.COMPENSATED ? 1 : 0);
                intents.setAtIndex(JAVA_INT, i, rendering.intent().number());
                adapted.setAtIndex(JAVA_DOUBLE, i, 1);
            }
            return NativeLibrary.call(() -> (MemorySegment) CREATE.invokeExact(
                    MemorySegment.NULL,
                    count,
                    handles,
                    compensated,
                    intents,
                    adapted,
                    MemorySegment.NULL,
                    0,
                    in,
                    out,
                    flags | FLAGS_NOCACHE));
        }

        int channelsIn() {
            return channelsIn;
        }

        int channelsOut() {
            return channelsOut;
        }

        @Override
        public void close() {
            freeing.clean();
        }

        /** Shapes: pixels × channels, interleaved. Units: counts of 16 bits; L*a*b* as ICC.1 version 4 encodes it. */
        void apply(short[] in, short[] out, int pixels) {
            require(Samples.SHORTS, in.length, out.length, pixels);
            apply(MemorySegment.ofArray(in), MemorySegment.ofArray(out), pixels);
        }

        /** Shapes: pixels × channels, interleaved. Units: 0..1, inks 0..100, L*a*b* as it is. */
        void apply(double[] in, double[] out, int pixels) {
            require(Samples.DOUBLES, in.length, out.length, pixels);
            apply(MemorySegment.ofArray(in), MemorySegment.ofArray(out), pixels);
        }

        private void require(Samples wanted, int in, int out, int pixels) {
            if (samples != wanted || in < (long) pixels * channelsIn || out < (long) pixels * channelsOut) {
                throw new IllegalArgumentException("arrays: expected " + pixels + " pixels as " + samples + ", got "
                        + in + " and " + out + " as " + wanted);
            }
        }

        private void apply(MemorySegment source, MemorySegment target, int pixels) {
            NativeLibrary.call(() -> {
                APPLY.invokeExact(handle, source, target, pixels);
                return null;
            });
            Reference.reachabilityFence(this);
        }
    }
}
