package embrick.server.jobs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** The pictures and all that is made from them for one purpose. */
@Entity
@Table(name = "job")
public class Job {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String name;

    private Instant createdAt;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private Target target = Target.DELIVERIES;

    @Column(columnDefinition = "text")
    private String targetRoot;

    @Column(columnDefinition = "text")
    private String targetPath;

    @Version
    private Long version;

    private enum Target {
        DELIVERIES,
        BESIDE,
        FOLDER
    }

    protected Job() {}

    Job(UUID id, String name, Instant createdAt) {
        this.id = id;
        this.name = name;
        this.createdAt = createdAt;
    }

    void rename(String newName) {
        this.name = newName;
    }

    void deliverTo(DeliveryTarget to) {
        this.targetRoot = null;
        this.targetPath = null;
        switch (to) {
            case DeliveryTarget.Deliveries _ -> this.target = Target.DELIVERIES;
            case DeliveryTarget.BesideOriginals _ -> this.target = Target.BESIDE;
            case DeliveryTarget.Folder folder -> {
                this.target = Target.FOLDER;
                this.targetRoot = folder.root();
                this.targetPath = folder.path();
            }
        }
    }

    /** Where its deliveries go. */
    public DeliveryTarget target() {
        return switch (target) {
            case DELIVERIES -> new DeliveryTarget.Deliveries();
            case BESIDE -> new DeliveryTarget.BesideOriginals();
            case FOLDER -> new DeliveryTarget.Folder(targetRoot, targetPath);
        };
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    public Instant createdAt() {
        return createdAt;
    }

    public Long version() {
        return version;
    }
}
