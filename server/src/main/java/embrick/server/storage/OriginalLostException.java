package embrick.server.storage;

import java.io.IOException;

/** The storage no longer has an original as it was added. Adding the same picture again mends it. */
public final class OriginalLostException extends IOException {
    private static final long serialVersionUID = 1L;

    /** How it was lost. */
    public enum How {
        /** There is no file of its name. */
        GONE,
        /** The file of its name holds something else; it was set aside. */
        CHANGED
    }

    private final How how;

    OriginalLostException(String digest, How how) {
        super("original " + digest + " is " + how);
        this.how = how;
    }

    public How how() {
        return how;
    }

    /** Continues a sentence that begins with the picture's name. */
    public String text() {
        return switch (how) {
            case GONE -> "is no longer in the storage folder";
            case CHANGED -> "was changed in the storage folder after it was added, and is not printed";
        };
    }

    public static String remedy() {
        return "Add the same picture to the job again, then try this again.";
    }
}
