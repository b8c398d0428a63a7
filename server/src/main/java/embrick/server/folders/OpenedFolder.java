package embrick.server.folders;

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

/** A folder that pictures of a job lie in. */
@Entity
@Table(name = "opened_folder")
class OpenedFolder {
    /** What is taken in. */
    enum Wish {
        /** Files that the job does not have. */
        NEW,
        /** These, and files that were changed since they were taken in. */
        NEW_AND_CHANGED
    }

    @Id
    private UUID id;

    private UUID jobId;

    @Column(columnDefinition = "text")
    private String root;

    @Column(columnDefinition = "text")
    private String path;

    private Instant openedAt;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private Wish intake;

    @Version
    private Long version;

    protected OpenedFolder() {}

    OpenedFolder(UUID id, UUID jobId, String root, String path, Instant openedAt) {
        this.id = id;
        this.jobId = jobId;
        this.root = root;
        this.path = path;
        this.openedAt = openedAt;
    }

    /** Begins an intake, or makes one that is under way take more. */
    void want(Wish wish) {
        if (intake != Wish.NEW_AND_CHANGED) {
            intake = wish;
        }
    }

    void endIntake() {
        intake = null;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    String root() {
        return root;
    }

    /** Below the root, parted by {@code /}; empty for the root itself. */
    String path() {
        return path;
    }

    Instant openedAt() {
        return openedAt;
    }

    /** What is being taken in; it goes on after a restart. */
    Optional<Wish> intake() {
        return Optional.ofNullable(intake);
    }
}
