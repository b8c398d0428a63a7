package embrick.server.runs;

/** A piece could not be made now, for a reason that is not its own; the queue tries it again. */
final class TryLaterException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TryLaterException(Throwable cause) {
        super(cause);
    }
}
