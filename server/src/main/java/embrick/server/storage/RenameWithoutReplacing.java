package embrick.server.storage;

import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.StructLayout;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.lang.invoke.VarHandle;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;

/** Linux's {@code renameat2(2)} with {@code RENAME_NOREPLACE}, which Java has no way to ask for. */
public final class RenameWithoutReplacing {
    /** fcntl.h, linux/fs.h and errno.h of Linux. */
    private static final int AT_FDCWD = -100;

    private static final int RENAME_NOREPLACE = 1;
    private static final int EEXIST = 17;

    private static final StructLayout STATE = Linker.Option.captureStateLayout();
    private static final VarHandle ERRNO = STATE.varHandle(MemoryLayout.PathElement.groupElement("errno"));
    private static final MethodHandle RENAME = Linker.nativeLinker()
            .downcallHandle(
                    Linker.nativeLinker().defaultLookup().findOrThrow("renameat2"),
                    FunctionDescriptor.of(
                            ValueLayout.JAVA_INT,
                            ValueLayout.JAVA_INT,
                            ValueLayout.ADDRESS,
                            ValueLayout.JAVA_INT,
                            ValueLayout.ADDRESS,
                            ValueLayout.JAVA_INT),
                    Linker.Option.captureCallState("errno"));

    private RenameWithoutReplacing() {}

    /**
     * @throws FileAlreadyExistsException if something has the name
     * @throws FileSystemException if the file system can not do it
     */
    public static void rename(Path from, Path to) throws IOException {
        int failed;
        int errno;
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment state = arena.allocate(STATE);
            failed = (int) RENAME.invokeExact(
                    state,
                    AT_FDCWD,
                    arena.allocateFrom(from.toString()),
                    AT_FDCWD,
                    arena.allocateFrom(to.toString()),
                    RENAME_NOREPLACE);
            errno = (int) ERRNO.get(state, 0L);
        } catch (Throwable impossible) {
            throw new IllegalStateException("renameat2 throws nothing", impossible);
        }
        if (failed != 0) {
            throw errno == EEXIST
                    ? new FileAlreadyExistsException(to.toString())
                    : new FileSystemException(
                            to.toString(),
                            null,
                            "its file system can neither link a file nor rename one without replacing (errno " + errno
                                    + ")");
        }
    }
}
