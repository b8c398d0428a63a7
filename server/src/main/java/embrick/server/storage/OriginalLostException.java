package embrick.server.storage;

import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OriginalPlace.Kept;
import java.io.IOException;

/** An original is no longer where it was, as it was taken in. */
public final class OriginalLostException extends IOException {
    private static final long serialVersionUID = 1L;

    /** How it was lost. */
    public enum How {
        /** There is no file of its name. */
        GONE,
        /** The file of its name holds something else. */
        CHANGED,
        /** A link in its path leads to what is not allowed. */
        LEADS_OUT
    }

    private final transient OriginalPlace place;
    private final How how;

    OriginalLostException(OriginalPlace place, How how) {
        super("original " + place + " is " + how);
        this.place = place;
        this.how = how;
    }

    public How how() {
        return how;
    }

    /** Continues a sentence that begins with the picture's name. */
    public String text() {
        return switch (place) {
            case Kept _ ->
                how == How.CHANGED
                        ? "was changed in the storage folder after it was added, and is not printed"
                        : "is no longer in the storage folder";
            case InPlace inPlace ->
                switch (how) {
                    case GONE -> "is no longer in its folder (" + where(inPlace) + ")";
                    case CHANGED ->
                        "was changed in its folder (" + where(inPlace) + ") after it was added, and is not printed";
                    case LEADS_OUT -> "lies behind a link that leads out of the folder “" + inPlace.root() + "”";
                };
        };
    }

    private static String where(InPlace place) {
        return place.root() + "/" + place.path();
    }

    /** What to do about it. */
    public String remedy() {
        return switch (place) {
            case Kept _ -> "Add the same picture to the job again, then try this again.";
            case InPlace _ ->
                how == How.CHANGED
                        ? "Take the changed file into the job in the pile, or put the former one back; then try this again."
                        : "Put it back in its folder, or remove it from the job; then try this again.";
        };
    }
}
