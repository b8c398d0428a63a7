package embrick.server.originals;

import java.io.IOException;

/** Somebody is writing to a file that is to be taken in where it lies. */
public final class StillWrittenException extends IOException {
    private static final long serialVersionUID = 1L;

    StillWrittenException(String path) {
        super(path + " is being written to");
    }
}
