package embrick.server.storage;

import java.io.IOException;

/** A folder that the settings of this machine do not allow. */
public final class RootUnknownException extends IOException {
    private static final long serialVersionUID = 1L;

    RootUnknownException(String root) {
        super("no folder “" + root + "” is allowed on this machine");
    }
}
