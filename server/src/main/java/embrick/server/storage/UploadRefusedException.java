package embrick.server.storage;

import java.io.IOException;

/** An upload that is not taken in: too large, or too slow. */
public final class UploadRefusedException extends IOException {
    private static final long serialVersionUID = 1L;

    /** Why. */
    public enum Reason {
        TOO_LARGE,
        TOO_SLOW,
        /** It ended before its length was reached. */
        BROKEN_OFF
    }

    private final Reason reason;

    UploadRefusedException(Reason reason, String message) {
        super(message);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
