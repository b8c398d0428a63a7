package embrick.formats.binding;

import java.util.Optional;

/** This machine lacks something that is needed, a library for instance; no picture is to blame. */
public final class UnfitMachineException extends IllegalStateException {
    private static final long serialVersionUID = 1L;

    public UnfitMachineException(String message) {
        super(message);
    }

    /** The one that a failure comes from: a class that cannot be initialised wraps it once and then names only itself. */
    public static Optional<UnfitMachineException> behind(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (cause instanceof UnfitMachineException unfit) {
                return Optional.of(unfit);
            }
        }
        return failed instanceof LinkageError
                ? Optional.of(new UnfitMachineException("a library is missing: " + failed.getMessage()))
                : Optional.empty();
    }
}
