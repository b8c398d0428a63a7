package embrick.server.storage;

import java.io.IOException;

/** A path that leads, by itself or by a link, to what no allowed folder holds. */
public final class OutsideRootException extends IOException {
    private static final long serialVersionUID = 1L;

    OutsideRootException(String root, String path) {
        super(path + " leads out of the folder “" + root + "”");
    }
}
