package embrick.formats.binding;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.Optional;

/**
 * Zeroed memory for pictures outside the heap.
 *
 * <p>From a few MiB on it comes straight from the system (mmap) with the wish for large pages (madvise): a picture of 24 MP
 * is then some 36 pages to be given and cleared instead of 18 000, which is a tenth of its decoding. Where the system is
 * not Linux the arena's own memory serves.
 */
public final class HugePages {
    private static final long LARGE_PAGE = 2 << 20;
    private static final long FROM = 2 * LARGE_PAGE;

    // Linux, asm-generic/mman.h, the same on x86-64 and arm64.
    private static final int READ_AND_WRITE = 3;
    private static final int PRIVATE_AND_ANONYMOUS = 0x22;
    private static final int HUGE_PAGE = 14;

    private static final Optional<Calls> CALLS = Calls.find();

    private HugePages() {}

    /** Zeroed memory for a picture. */
    public static Raster raster(PixelSize stored, int channels, int bytesPerSample) {
        Arena arena = Arena.ofShared();
        try {
            MemorySegment samples = allocate(stored.bytes(channels, bytesPerSample), arena);
            return Raster.over(samples, arena, stored, channels, bytesPerSample);
        } catch (RuntimeException | Error failed) {
            arena.close();
            throw failed;
        }
    }

    /** Zeroed memory that is given back when the arena closes. */
    private static MemorySegment allocate(long bytes, Arena arena) {
        return bytes < FROM || CALLS.isEmpty()
                ? arena.allocate(bytes, 16)
                : CALLS.get().allocate(bytes, arena);
    }

    private record Calls(MethodHandle mmap, MethodHandle madvise, MethodHandle munmap) {
        static Optional<Calls> find() {
            if (!System.getProperty("os.name").equals("Linux")) {
                return Optional.empty();
            }
            return Optional.of(new Calls(
                    function(
                            "mmap",
                            FunctionDescriptor.of(
                                    ValueLayout.ADDRESS,
                                    ValueLayout.ADDRESS,
                                    ValueLayout.JAVA_LONG,
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.JAVA_LONG)),
                    function(
                            "madvise",
                            FunctionDescriptor.of(
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.ADDRESS,
                                    ValueLayout.JAVA_LONG,
                                    ValueLayout.JAVA_INT)),
                    function(
                            "munmap",
                            FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.ADDRESS, ValueLayout.JAVA_LONG))));
        }

        private static MethodHandle function(String name, FunctionDescriptor descriptor) {
            Linker linker = Linker.nativeLinker();
            return linker.downcallHandle(linker.defaultLookup().find(name).orElseThrow(), descriptor);
        }

        MemorySegment allocate(long bytes, Arena arena) {
            long whole = bytes + LARGE_PAGE;
            MemorySegment area = map(whole).reinterpret(whole, arena, this::giveBack);
            long skipped = Math.floorMod(-area.address(), LARGE_PAGE);
            MemorySegment memory = area.asSlice(skipped, bytes);
            wishForLargePages(memory);
            return memory;
        }

        private MemorySegment map(long bytes) {
            MemorySegment area;
            try {
                area = (MemorySegment)
                        mmap.invokeExact(MemorySegment.NULL, bytes, READ_AND_WRITE, PRIVATE_AND_ANONYMOUS, -1, 0L);
            } catch (Throwable impossible) {
                throw new AssertionError("mmap throws nothing", impossible);
            }
            if (area.address() == -1) {
                throw new OutOfMemoryError("the system gave no " + bytes + " bytes for a picture");
            }
            return area;
        }

        /** Only a wish: without it the memory is the same, in small pages. */
        private void wishForLargePages(MemorySegment memory) {
            try {
                int ignored = (int) madvise.invokeExact(memory, memory.byteSize(), HUGE_PAGE);
                assert ignored == 0 || ignored == -1;
            } catch (Throwable impossible) {
                throw new AssertionError("madvise throws nothing", impossible);
            }
        }

        private void giveBack(MemorySegment area) {
            try {
                int failed = (int) munmap.invokeExact(area, area.byteSize());
                assert failed == 0;
            } catch (Throwable impossible) {
                throw new AssertionError("munmap throws nothing", impossible);
            }
        }
    }
}
