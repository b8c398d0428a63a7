package embrick.server.storage;

import jakarta.validation.constraints.NotNull;

/**
 * The folder of one delivery.
 *
 * @param root the folder of the server that it lies below; null for the storage's own deliveries
 * @param folder below that, parted by {@code /}
 */
public record DeliveryPlace(String root, @NotNull String folder) {
    /** Below the storage's own deliveries. */
    public static DeliveryPlace own(String folder) {
        return new DeliveryPlace(null, folder);
    }

    /** A folder in it. */
    DeliveryPlace child(String name) {
        return new DeliveryPlace(root, folder.isEmpty() ? name : folder + "/" + name);
    }

    boolean isOwn() {
        return root == null;
    }
}
