package embrick.server.problems;

import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;

/** The version that a change was made on, as the headers If-Match and If-None-Match carry it (RFC 9110, 13.1). */
public final class IfMatch {
    /** The version of what is not there yet. */
    public static final long NONE = -1;

    private IfMatch() {}

    /** What is answered, with its version as ETag: the next change is made on it. */
    public static <T> ResponseEntity<T> tagged(HttpStatus status, long version, T body) {
        return ResponseEntity.status(status).eTag("\"" + version + "\"").body(body);
    }

    /**
     * @throws ProblemException {@code stale-version} if the header holds no version of ours
     */
    public static long version(String header, String what) {
        try {
            return Long.parseLong(
                    header.replaceFirst("^\\s*W/", "").replace("\"", "").strip());
        } catch (NumberFormatException foreign) {
            throw ProblemException.stale(what);
        }
    }

    /**
     * The version of something that need not be there yet: {@code If-None-Match: *} says that it is not.
     *
     * @param ifMatch null where the header is missing, and so {@code ifNoneMatch}
     * @throws ProblemException 428 if neither is sent
     */
    public static long version(String ifMatch, String ifNoneMatch, String what) {
        if (ifNoneMatch != null && ifNoneMatch.strip().equals("*")) {
            return NONE;
        }
        if (ifMatch == null) {
            throw new ProblemException(
                    HttpStatus.PRECONDITION_REQUIRED,
                    "precondition-required",
                    what,
                    "A change says which version of the " + what + " it was made on.",
                    "Send If-Match with the version's ETag, or If-None-Match: * where there is none yet.");
        }
        return version(ifMatch, what);
    }
}
