package embrick.server.storage;

import java.io.IOException;

/** A picture that no mark can be. Its message goes behind the picture's name: "is larger than 4 MB". */
public final class StencilRefusedException extends IOException {
    private static final long serialVersionUID = 1L;

    private final String remedy;

    StencilRefusedException(String message, String remedy) {
        super(message);
        this.remedy = remedy;
    }

    public String remedy() {
        return remedy;
    }
}
