package embrick.formats.binding;

import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.Optional;

/** How much memory of its own a process of ours may take (Linux: prlimit with RLIMIT_DATA, which leaves shared memory out). */
public final class ProcessMemory {
    /** asm-generic/resource.h. */
    private static final int RLIMIT_DATA = 2;

    private static final Optional<MethodHandle> PRLIMIT = Linker.nativeLinker()
            .defaultLookup()
            .find("prlimit")
            .map(address -> Linker.nativeLinker()
                    .downcallHandle(
                            address,
                            FunctionDescriptor.of(
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.JAVA_INT,
                                    ValueLayout.ADDRESS,
                                    ValueLayout.ADDRESS)));

    private ProcessMemory() {}

    /** Bounds a process from now on; the bound can be moved again. A system without it bounds nothing. */
    public static void bound(long pid, long bytes) {
        if (PRLIMIT.isEmpty()) {
            return;
        }
        try (Arena arena = Arena.ofConfined()) {
            // The hard bound stays open, so that a larger picture can move the soft one up again.
            MemorySegment limit = arena.allocateFrom(ValueLayout.JAVA_LONG, bytes, -1L);
            int process = Math.toIntExact(pid);
            int ignored = NativeLibrary.call(
                    () -> (int) PRLIMIT.get().invokeExact(process, RLIMIT_DATA, limit, MemorySegment.NULL));
            assert ignored == 0 || ignored == -1;
        }
    }
}
