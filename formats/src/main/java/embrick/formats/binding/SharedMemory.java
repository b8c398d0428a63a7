package embrick.formats.binding;

import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Zeroed memory that another process of the same user can write into (Linux: memfd_create). It has no name in any folder and
 * goes away with the last process that holds it, however that ends. Only what is written takes memory.
 */
public final class SharedMemory implements AutoCloseable {
    private static final int CLOSE_ON_EXEC = 1;

    private static final MethodHandle CREATE = function(
            "memfd_create", FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.ADDRESS, ValueLayout.JAVA_INT));
    private static final MethodHandle TRUNCATE = function(
            "ftruncate", FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.JAVA_INT, ValueLayout.JAVA_LONG));
    private static final MethodHandle CLOSE =
            function("close", FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.JAVA_INT));

    private final int descriptor;
    private final long bytes;

    private SharedMemory(int descriptor, long bytes) {
        this.descriptor = descriptor;
        this.bytes = bytes;
    }

    private static MethodHandle function(String name, FunctionDescriptor descriptor) {
        Linker linker = Linker.nativeLinker();
        return linker.downcallHandle(
                linker.defaultLookup()
                        .find(name)
                        .orElseThrow(() -> new UnfitMachineException(name + " is missing: Linux is needed")),
                descriptor);
    }

    public static SharedMemory ofBytes(long bytes) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment name = arena.allocateFrom("embrick-picture");
            int descriptor = NativeLibrary.call(() -> (int) CREATE.invokeExact(name, CLOSE_ON_EXEC));
            if (descriptor < 0) {
                throw new IOException("the system gave no memory to share");
            }
            SharedMemory memory = new SharedMemory(descriptor, bytes);
            if (NativeLibrary.call(() -> (int) TRUNCATE.invokeExact(descriptor, bytes)) != 0) {
                memory.close();
                throw new IOException("the system gave no " + bytes + " bytes to share");
            }
            return memory;
        }
    }

    public long bytes() {
        return bytes;
    }

    /** Where another process of this user finds it, as long as it is not closed here. */
    public Path place() {
        return Path.of("/proc/" + ProcessHandle.current().pid() + "/fd/" + descriptor);
    }

    /** Maps memory that a process shares; it stays as long as the arena does. */
    public static MemorySegment map(Path place, long bytes, Arena arena) throws IOException {
        try (FileChannel channel = FileChannel.open(place, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            if (channel.size() < bytes) {
                throw new IOException("expected " + bytes + " bytes of shared memory, got " + channel.size());
            }
            return channel.map(FileChannel.MapMode.READ_WRITE, 0, bytes, arena);
        }
    }

    /** Lets go of it here; what is mapped stays mapped. */
    @Override
    public void close() {
        int ignored = NativeLibrary.call(() -> (int) CLOSE.invokeExact(descriptor));
        assert ignored == 0;
    }
}
