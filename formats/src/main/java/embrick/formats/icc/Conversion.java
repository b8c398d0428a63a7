package embrick.formats.icc;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_DOUBLE;
import static java.lang.foreign.ValueLayout.JAVA_INT;

import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.pixels.ColourModel;
import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.lang.ref.Cleaner;
import java.lang.ref.Reference;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A conversion along a chain of profiles. It may serve several threads at once, until it is closed. */
final class Conversion implements AutoCloseable {
    /** No one-pixel cache, so that one transform may serve several threads. */
    private static final int FLAGS_NOCACHE = 0x0040;

    private static final int FLAGS_NOOPTIMIZE = 0x0100;
    /** 16-bit conversions are precalculated into a grid: the finer one, or wide RGB is off by up to 2 counts of 255. */
    private static final int FLAGS_HIGHRESPRECALC = 0x0400;

    private static final MethodHandle CREATE = LittleCms.LIBRARY.function(
            "cmsCreateExtendedTransform",
            FunctionDescriptor.of(
                    ADDRESS, ADDRESS, JAVA_INT, ADDRESS, ADDRESS, ADDRESS, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT,
                    JAVA_INT, JAVA_INT));
    private static final MethodHandle DELETE =
            LittleCms.LIBRARY.function("cmsDeleteTransform", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle APPLY = LittleCms.LIBRARY.shortFunction(
            "cmsDoTransform", FunctionDescriptor.ofVoid(ADDRESS, ADDRESS, ADDRESS, JAVA_INT));

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
        List<LittleCms.Profile> profiles = new ArrayList<>();
        try (Arena arena = Arena.ofConfined()) {
            for (Link link : links) {
                profiles.add(LittleCms.Profile.of(link));
            }
            Optional<ColourModel> in = profiles.getFirst().model();
            Optional<ColourModel> out = profiles.getLast().model();
            this.samples = samples;
            this.channelsIn = Samples.channels(in);
            this.channelsOut = Samples.channels(out);
            this.handle = create(arena, profiles, renderings, samples.format(in), samples.format(out), working.flags);
        } finally {
            profiles.forEach(LittleCms.Profile::close);
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
            Arena arena, List<LittleCms.Profile> profiles, List<Rendering> renderings, int in, int out, int flags) {
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
            throw new IllegalArgumentException("arrays: expected " + pixels + " pixels as " + samples + ", got " + in
                    + " and " + out + " as " + wanted);
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
