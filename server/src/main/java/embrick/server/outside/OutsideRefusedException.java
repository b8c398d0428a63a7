package embrick.server.outside;

import java.io.IOException;

/** A service outside was reached, and does not do what it was asked. */
public final class OutsideRefusedException extends IOException {
    private static final long serialVersionUID = 1L;

    private final int status;
    private final String code;

    /**
     * @param code the service's own
     * @param text a sentence of the service's
     */
    OutsideRefusedException(int status, String code, String text) {
        super(text);
        this.status = status;
        this.code = code;
    }

    /** It may do it later. */
    public boolean isForNow() {
        return status >= 500 || status == 429;
    }

    public boolean isUnknown() {
        return status == 404;
    }

    public String code() {
        return code;
    }
}
