package embrick.server.workers;

import org.springframework.boot.ExitCodeGenerator;

/** This process has another storage than its database says. Starting again and again would not mend it. */
class WrongStorageException extends RuntimeException implements ExitCodeGenerator {
    private static final long serialVersionUID = 1L;

    private final String remedy;

    WrongStorageException(String text, String remedy) {
        super(text);
        this.remedy = remedy;
    }

    String remedy() {
        return remedy;
    }

    @Override
    public int getExitCode() {
        return 2;
    }
}
