package embrick.server.storage;

import java.io.IOException;

/** There is no room on the storage disk for what is to be written. */
public final class StorageFullException extends IOException {
    private static final long serialVersionUID = 1L;

    StorageFullException(String message) {
        super(message);
    }
}
