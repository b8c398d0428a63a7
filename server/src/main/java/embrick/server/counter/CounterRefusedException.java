package embrick.server.counter;

import java.io.IOException;

/** The counter was reached, and does not do what it was asked. */
final class CounterRefusedException extends IOException {
    private static final long serialVersionUID = 1L;

    private final int status;
    private final String code;

    /**
     * @param code the counter's own
     * @param text a sentence of the counter's
     */
    CounterRefusedException(int status, String code, String text) {
        super(text);
        this.status = status;
        this.code = code;
    }

    /** It may do it later: it is closed, or full. */
    boolean isForNow() {
        return status >= 500 || status == 429;
    }

    boolean isUnknown() {
        return status == 404;
    }

    String code() {
        return code;
    }
}
