package embrick.server.workers;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in two sentences, and not in a page of calls, why a process did not start. */
public final class StartRefusedWords extends AbstractFailureAnalyzer<StartRefusedException> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, StartRefusedException refused) {
        return new FailureAnalysis(refused.getMessage(), refused.remedy(), failure);
    }
}
