package embrick.formats.binding;

import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SymbolLookup;
import java.lang.invoke.MethodHandle;

/** A shared library of the system, opened once for the life of the process. */
public final class NativeLibrary {
    private static final Linker LINKER = Linker.nativeLinker();

    private final String debianPackage;
    private final SymbolLookup symbols;

    /**
     * @param soName as the dynamic linker knows it, {@code libturbojpeg.so.0}
     * @param debianPackage what to install where it is missing
     */
    public NativeLibrary(String soName, String debianPackage) {
        this.debianPackage = debianPackage;
        try {
            this.symbols = SymbolLookup.libraryLookup(soName, Arena.global());
        } catch (IllegalArgumentException missing) {
            throw new UnfitMachineException(
                    soName + " is not on this machine: install the Debian package " + debianPackage);
        }
    }

    public MethodHandle function(String name, FunctionDescriptor descriptor, Linker.Option... options) {
        return LINKER.downcallHandle(address(name), descriptor, options);
    }

    /** A function of the C library. */
    public MethodHandle common(String name, FunctionDescriptor descriptor) {
        return LINKER.downcallHandle(LINKER.defaultLookup().findOrThrow(name), descriptor);
    }

    /** A function of ours that the library can call, as long as the arena lives. It must not throw. */
    public MemorySegment callback(MethodHandle function, FunctionDescriptor descriptor, Arena arena) {
        return LINKER.upcallStub(function, descriptor, arena);
    }

    private MemorySegment address(String name) {
        return symbols.find(name)
                .orElseThrow(
                        () -> new UnfitMachineException(name + " is missing from the library of " + debianPackage));
    }

    /** A function that is short, calls nothing back, and may be handed arrays of the heap without a copy. */
    public MethodHandle shortFunction(String name, FunctionDescriptor descriptor) {
        return LINKER.downcallHandle(address(name), descriptor, Linker.Option.critical(true));
    }

    /** Calls go through here, so that no binding has to treat Throwable on its own. */
    public interface Call<T> {
        T run() throws Throwable;
    }

    public static <T> T call(Call<T> call) {
        try {
            return call.run();
        } catch (RuntimeException | Error unchecked) {
            throw unchecked;
        } catch (Throwable impossible) {
            throw new AssertionError("native functions throw nothing checked", impossible);
        }
    }
}
