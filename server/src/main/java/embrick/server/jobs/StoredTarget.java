package embrick.server.jobs;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;

/** Where deliveries go, in the columns of whatever says it. */
@Embeddable
public class StoredTarget {
    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private TargetView.Kind target;

    @Column(columnDefinition = "text")
    private String targetRoot;

    @Column(columnDefinition = "text")
    private String targetPath;

    protected StoredTarget() {}

    private StoredTarget(TargetView target) {
        this.target = target.kind();
        this.targetRoot = target.root();
        this.targetPath = target.path();
    }

    /** A target as it is stored. */
    public static StoredTarget of(DeliveryTarget target) {
        return new StoredTarget(TargetView.of(target));
    }

    public DeliveryTarget toTarget() {
        return new TargetView(target, targetRoot, targetPath).toTarget();
    }
}
