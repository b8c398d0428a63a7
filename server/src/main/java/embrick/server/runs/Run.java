package embrick.server.runs;

import embrick.core.problem.Problem;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** Making all outputs that tickets of a job ask for: its orders, each a ticket as it was when the run started. */
@Entity
@Table(name = "run")
public class Run {
    @Id
    private UUID id;

    private UUID jobId;

    @Column(columnDefinition = "text")
    private String idempotencyKey;

    @Column(columnDefinition = "text")
    private String requestDigest;

    private boolean stopped;
    private boolean putFirst;

    @Column(columnDefinition = "text")
    private String pauseCode;

    @Column(columnDefinition = "text")
    private String pauseText;

    @Column(columnDefinition = "text")
    private String pauseRemedy;

    private Instant startedAt;
    private Instant finishedAt;
    private Instant clearedAt;
    private Instant stretchStartedAt;
    private int stretchChecked;

    @Version
    private Long version;

    protected Run() {}

    Run(UUID id, Start start, Instant startedAt) {
        this.id = id;
        this.jobId = start.jobId();
        this.idempotencyKey = start.idempotencyKey().orElse(null);
        this.requestDigest = start.requestDigest();
        this.startedAt = startedAt;
        this.stretchStartedAt = startedAt;
    }

    /**
     * What a run is started with.
     *
     * @param requestDigest of all that was asked for; the same key with another request is a mistake
     */
    record Start(UUID jobId, Optional<String> idempotencyKey, String requestDigest) {}

    void stop() {
        this.stopped = true;
        endPause();
    }

    /** Holds the run up for a reason that is no picture's: it goes on by itself when the reason is gone. */
    void pause(Problem reason) {
        this.pauseCode = reason.code();
        this.pauseText = reason.text();
        this.pauseRemedy = reason.remedy();
    }

    /** @param checked pieces that are finished as this stretch of work begins; its speed is reckoned without them */
    void resume(Instant now, long checked) {
        this.stopped = false;
        this.finishedAt = null;
        this.clearedAt = null;
        this.stretchStartedAt = now;
        this.stretchChecked = (int) checked;
        endPause();
    }

    /** Whether its pieces come before those of runs that nobody has put first. */
    void putFirst(boolean first) {
        this.putFirst = first;
    }

    /** Notes that its files were cleared away; what is made again ends that. */
    void clear(Instant now) {
        this.clearedAt = now;
    }

    private void endPause() {
        this.pauseCode = null;
        this.pauseText = null;
        this.pauseRemedy = null;
    }

    public UUID id() {
        return id;
    }

    public UUID jobId() {
        return jobId;
    }

    public boolean isStopped() {
        return stopped;
    }

    boolean isPutFirst() {
        return putFirst;
    }

    Optional<Problem> pause() {
        return Optional.ofNullable(pauseCode).map(code -> new Problem(code, "picture", pauseText, pauseRemedy));
    }

    boolean wasAskedAs(String digest) {
        // Runs of earlier versions did not keep it.
        return requestDigest == null || requestDigest.equals(digest);
    }

    Instant stretchStartedAt() {
        return stretchStartedAt;
    }

    int stretchChecked() {
        return stretchChecked;
    }

    Long version() {
        return version;
    }

    Optional<Instant> clearedAt() {
        return Optional.ofNullable(clearedAt);
    }

    public Instant startedAt() {
        return startedAt;
    }

    public Optional<Instant> finishedAt() {
        return Optional.ofNullable(finishedAt);
    }
}
