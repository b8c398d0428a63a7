package embrick.server.storage;

import java.io.IOException;

/** A folder with originals or deliveries that is allowed is not there: its disk is not mounted, for instance. */
public final class RootAwayException extends IOException {
    private static final long serialVersionUID = 1L;

    private final String root;

    RootAwayException(String root) {
        super("the folder “" + root + "” is not there");
        this.root = root;
    }

    public String root() {
        return root;
    }
}
