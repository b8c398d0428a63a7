package embrick.server.storage;

/** Whoever asked for a picture has left. */
public final class AskerGoneException extends RuntimeException {
    private static final long serialVersionUID = 1L;
}
