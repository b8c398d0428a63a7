package embrick.server.workers;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in two sentences, and not in a page of calls, why a process did not start. */
public final class WrongStorageWords extends AbstractFailureAnalyzer<WrongStorageException> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, WrongStorageException wrong) {
        return new FailureAnalysis(wrong.getMessage(), wrong.remedy(), failure);
    }
}
