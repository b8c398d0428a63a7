package embrick.formats.bytes;

import java.io.IOException;

/**
 * The bytes of a file are not what they should be, as a reader or a library found. Any other {@link IOException} of reading is
 * a failure of the disk or of the machine, and says nothing of the file.
 */
public final class DamagedDataException extends IOException {
    private static final long serialVersionUID = 1L;

    public DamagedDataException(String message) {
        super(message);
    }
}
