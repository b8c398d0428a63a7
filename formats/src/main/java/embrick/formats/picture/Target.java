package embrick.formats.picture;

import java.io.IOException;
import java.io.OutputStream;

/** A stream whose first bytes can be written again at the end. */
public interface Target {
    OutputStream stream();

    void writeAt(long offset, byte[] bytes) throws IOException;
}
