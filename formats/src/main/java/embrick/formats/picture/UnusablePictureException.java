package embrick.formats.picture;

import java.io.IOException;
import java.util.Objects;

/** A file that cannot be taken as a picture, with the reason and what to do, in words for people. */
public class UnusablePictureException extends IOException {
    private static final long serialVersionUID = 1L;

    /** What kind of problem it is. */
    public enum Kind {
        /** Meant to be a picture, but damaged. */
        BROKEN,
        /** Sound perhaps, but not a picture that Embrick works with. */
        NOT_FOR_EMBRICK,
        /** Larger than the limits set here. */
        TOO_LARGE
    }

    private final Kind kind;
    private final String code;
    private final String remedy;

    public UnusablePictureException(Kind kind, String code, String reason, String remedy) {
        super(reason);
        this.kind = Objects.requireNonNull(kind);
        this.code = Objects.requireNonNull(code);
        this.remedy = Objects.requireNonNull(remedy);
    }

    public static UnusablePictureException broken(String code, String reason) {
        return new UnusablePictureException(Kind.BROKEN, code, reason, "Add an intact copy.");
    }

    public static UnusablePictureException notRead(String code, String reason, String remedy) {
        return new UnusablePictureException(Kind.NOT_FOR_EMBRICK, code, reason, remedy);
    }

    public Kind kind() {
        return kind;
    }

    public String code() {
        return code;
    }

    public String remedy() {
        return remedy;
    }
}
