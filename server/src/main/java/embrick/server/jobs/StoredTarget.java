package embrick.server.jobs;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;

/** Where deliveries go, in the columns of whatever says it. */
@Embeddable
public class StoredTarget {
    private enum Kind {
        DELIVERIES,
        BESIDE,
        FOLDER
    }

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private Kind target;

    @Column(columnDefinition = "text")
    private String targetRoot;

    @Column(columnDefinition = "text")
    private String targetPath;

    protected StoredTarget() {}

    private StoredTarget(Kind target, String root, String path) {
        this.target = target;
        this.targetRoot = root;
        this.targetPath = path;
    }

    /** A target as it is stored. */
    public static StoredTarget of(DeliveryTarget target) {
        return switch (target) {
            case DeliveryTarget.Deliveries _ -> new StoredTarget(Kind.DELIVERIES, null, null);
            case DeliveryTarget.BesideOriginals _ -> new StoredTarget(Kind.BESIDE, null, null);
            case DeliveryTarget.Folder folder -> new StoredTarget(Kind.FOLDER, folder.root(), folder.path());
        };
    }

    public DeliveryTarget toTarget() {
        return switch (target) {
            case DELIVERIES -> new DeliveryTarget.Deliveries();
            case BESIDE -> new DeliveryTarget.BesideOriginals();
            case FOLDER -> new DeliveryTarget.Folder(targetRoot, targetPath);
        };
    }
}
