package embrick.server.workers;

import org.springframework.boot.ExitCodeGenerator;

/** This process may not work on this database, or with this storage. Starting again and again would not mend it. */
class StartRefusedException extends RuntimeException implements ExitCodeGenerator {
    private static final long serialVersionUID = 1L;

    private final String remedy;

    StartRefusedException(String text, String remedy) {
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
