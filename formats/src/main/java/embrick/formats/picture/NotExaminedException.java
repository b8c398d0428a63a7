package embrick.formats.picture;

import java.io.IOException;

/**
 * A file could not be examined because the machine failed: its disk, its memory, or the decoder's process. The file may be
 * sound; trying again may help.
 *
 * <p>The message ends the sentence "NAME could not be examined: …".
 */
public final class NotExaminedException extends IOException {
    private static final long serialVersionUID = 1L;

    public static final String REMEDY = "It may be sound: try again.";

    public NotExaminedException(String reason) {
        super(reason);
    }

    public NotExaminedException(String reason, Throwable cause) {
        super(reason, cause);
    }

    /** Reading failed below us, as the system says it. */
    public static NotExaminedException reading(IOException failed) {
        return failed instanceof NotExaminedException known
                ? known
                : new NotExaminedException("it could not be read (" + failed.getMessage() + ")", failed);
    }
}
