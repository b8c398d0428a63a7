package embrick.server.originals;

import java.io.IOException;

/** A file that lies in a folder and is not taken in from there. The message goes on after its name. */
public final class NotTakenException extends IOException {
    private static final long serialVersionUID = 1L;

    NotTakenException(String reason, Throwable cause) {
        super(reason, cause);
    }
}
