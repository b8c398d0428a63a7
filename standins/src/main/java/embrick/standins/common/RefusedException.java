package embrick.standins.common;

import org.springframework.http.HttpStatus;

/** Why a stand-in does not do what it was asked. */
public final class RefusedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final String code;

    /**
     * @param code stable, in kebab case
     * @param text a sentence
     */
    public RefusedException(HttpStatus status, String code, String text) {
        super(text);
        this.status = status;
        this.code = code;
    }

    public static RefusedException notFound(String what) {
        return new RefusedException(HttpStatus.NOT_FOUND, "not-found", "There is no such " + what + ".");
    }

    public static RefusedException invalid(String code, String text) {
        return new RefusedException(HttpStatus.UNPROCESSABLE_CONTENT, code, text);
    }

    public HttpStatus status() {
        return status;
    }

    public String code() {
        return code;
    }
}
