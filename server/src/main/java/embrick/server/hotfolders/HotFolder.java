package embrick.server.hotfolders;

import embrick.server.jobs.DeliveryTarget;
import embrick.server.jobs.StoredTarget;
import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;

/** A watched folder of the server and the saved ticket that it runs. */
@Entity
@Table(name = "hot_folder")
class HotFolder {
    @Id
    private UUID id;

    @Column(columnDefinition = "text")
    private String name;

    @Column(columnDefinition = "text")
    private String root;

    @Column(columnDefinition = "text")
    private String path;

    private UUID savedTicketId;

    @Embedded
    private StoredTarget target;

    private boolean isOn;
    private UUID jobId;
    private LocalDate jobDay;
    private Instant ticketSavedAt;
    private Instant addedAt;

    @Version
    private Long version;

    protected HotFolder() {}

    HotFolder(UUID id, String root, String path, Instant addedAt) {
        this.id = id;
        this.root = root;
        this.path = path;
        this.addedAt = addedAt;
    }

    /** What a person says of it. */
    record Settings(String name, UUID savedTicketId, DeliveryTarget target, boolean isOn) {}

    void set(Settings settings) {
        this.name = settings.name();
        this.savedTicketId = settings.savedTicketId();
        this.isOn = settings.isOn();
        this.target = StoredTarget.of(settings.target());
    }

    /** Files of a day go into one job, as long as the ticket is the same. */
    void workIn(UUID job, LocalDate day, Instant savedAt) {
        this.jobId = job;
        this.jobDay = day;
        this.ticketSavedAt = savedAt;
    }

    /** The job that is worked in, if it is that of this day and this ticket. */
    Optional<UUID> job(LocalDate day, Instant savedAt) {
        return Optional.ofNullable(jobId).filter(_ -> day.equals(jobDay) && savedAt.equals(ticketSavedAt));
    }

    boolean worksIn(UUID job, LocalDate day) {
        return job.equals(jobId) && day.equals(jobDay);
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    String root() {
        return root;
    }

    String path() {
        return path;
    }

    /** Empty once the saved ticket was deleted. */
    Optional<UUID> savedTicketId() {
        return Optional.ofNullable(savedTicketId);
    }

    DeliveryTarget target() {
        return target.toTarget();
    }

    boolean isOn() {
        return isOn;
    }
}
