package embrick.server.hotfolders;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** A file that was dropped into a hot folder. */
@Entity
@Table(name = "hot_file")
public class HotFile {
    /** How far it is. */
    public enum State {
        /** About to be taken out of the folder. */
        SEEN,
        /** Out of the folder; to be taken into the day's job. */
        TAKEN,
        /** In the job; to be run. */
        LISTED,
        /** Its run has been started. */
        RUNNING,
        PRINTED,
        FAILED
    }

    @Id
    private UUID id;

    private UUID hotFolderId;

    @Column(columnDefinition = "text")
    private String path;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private State state;

    private UUID jobId;
    private UUID originalId;
    private UUID batchId;
    private UUID runId;

    @Column(columnDefinition = "text")
    private String reason;

    @Column(columnDefinition = "text")
    private String movedTo;

    private boolean moved;
    private Instant seenAt;
    private Instant settledAt;

    @Version
    private Long version;

    protected HotFile() {}

    HotFile(UUID id, UUID hotFolderId, String path, Instant seenAt) {
        this.id = id;
        this.hotFolderId = hotFolderId;
        this.path = path;
        this.seenAt = seenAt;
        this.state = State.SEEN;
    }

    void take() {
        this.state = State.TAKEN;
        this.originalId = null;
        this.batchId = null;
        this.runId = null;
    }

    void list(UUID job, UUID original) {
        this.state = State.LISTED;
        this.jobId = job;
        this.originalId = original;
    }

    /** Those of a batch are run together. */
    void join(UUID batch) {
        this.batchId = batch;
    }

    void run(UUID run) {
        this.state = State.RUNNING;
        this.runId = run;
    }

    void print(Instant now) {
        this.state = State.PRINTED;
        this.settledAt = now;
    }

    /** @param why sentences: what happened, and what to do */
    void fail(String why, Instant now) {
        this.state = State.FAILED;
        this.reason = why;
        this.settledAt = now;
    }

    /** Notes under which name it is moved apart, before it is. */
    void moveTo(String name) {
        this.movedTo = name;
    }

    void noteMoved() {
        this.moved = true;
    }

    UUID id() {
        return id;
    }

    /** Below the hot folder, as it was dropped. */
    String path() {
        return path;
    }

    State state() {
        return state;
    }

    Optional<UUID> jobId() {
        return Optional.ofNullable(jobId);
    }

    Optional<UUID> originalId() {
        return Optional.ofNullable(originalId);
    }

    Optional<UUID> batchId() {
        return Optional.ofNullable(batchId);
    }

    Optional<UUID> runId() {
        return Optional.ofNullable(runId);
    }

    Optional<String> reason() {
        return Optional.ofNullable(reason);
    }

    Optional<String> movedTo() {
        return Optional.ofNullable(movedTo);
    }

    boolean isSettled() {
        return state == State.PRINTED || state == State.FAILED;
    }

    Instant seenAt() {
        return seenAt;
    }

    Optional<Instant> settledAt() {
        return Optional.ofNullable(settledAt);
    }
}
