package embrick.server.storage;

/** More pictures are asked for than can be made in a reasonable time. */
public final class BusyException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    BusyException(int waiting) {
        super(waiting + " pictures are waiting to be made");
    }
}
