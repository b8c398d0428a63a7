package embrick.server.jobs;

import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * Where deliveries go, as it is sent.
 *
 * @param root the folder of the server; null but for {@code FOLDER}
 * @param path below it, parted by {@code /}; null but for {@code FOLDER}
 */
public record TargetView(
        @NotNull Kind kind,
        @Schema(nullable = true) @Size(max = 255) String root,
        @Schema(nullable = true) @Size(max = 4000) String path) {
    /** The kinds of place. */
    public enum Kind {
        /** The storage's own deliveries, in a folder of the job's. */
        DELIVERIES,
        /** A new folder in the one that holds all pictures of the run. */
        BESIDE_ORIGINALS,
        /** A folder of the server's that is named. */
        FOLDER
    }

    /** A target as it is sent. */
    public static TargetView of(DeliveryTarget target) {
        return switch (target) {
            case DeliveryTarget.Deliveries _ -> new TargetView(Kind.DELIVERIES, null, null);
            case DeliveryTarget.BesideOriginals _ -> new TargetView(Kind.BESIDE_ORIGINALS, null, null);
            case DeliveryTarget.Folder folder -> new TargetView(Kind.FOLDER, folder.root(), folder.path());
        };
    }

    /** @throws ProblemException if a folder is meant and none is named */
    public DeliveryTarget toTarget() {
        return switch (kind) {
            case DELIVERIES -> new DeliveryTarget.Deliveries();
            case BESIDE_ORIGINALS -> new DeliveryTarget.BesideOriginals();
            case FOLDER -> {
                if (root == null || path == null) {
                    throw ProblemException.invalid(
                            "no-folder", "target", "The folder to deliver to is not named.", "Name its root and path.");
                }
                yield new DeliveryTarget.Folder(root, path);
            }
        };
    }
}
