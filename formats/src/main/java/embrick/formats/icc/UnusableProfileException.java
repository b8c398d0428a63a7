package embrick.formats.icc;

import java.io.Serial;

/** A file that cannot serve as a profile: why, and what to do. */
public final class UnusableProfileException extends Exception {
    @Serial
    private static final long serialVersionUID = 1;

    private final String code;
    private final String remedy;

    /**
     * @param code stable, for programs
     * @param text what is wrong, to follow the file's name: “is cut short …”
     */
    public UnusableProfileException(String code, String text, String remedy) {
        super(text);
        this.code = code;
        this.remedy = remedy;
    }

    public String code() {
        return code;
    }

    public String remedy() {
        return remedy;
    }
}
