package embrick.server.jobs;

/** Where the deliveries of a job go. Each run makes a new folder there. */
public sealed interface DeliveryTarget {
    /** To the storage's own deliveries, in a folder of the job's. */
    record Deliveries() implements DeliveryTarget {}

    /** Into the folder of the server that holds all pictures of the run. */
    record BesideOriginals() implements DeliveryTarget {}

    /**
     * Into a folder of the server.
     *
     * @param path below the root; empty for the root itself
     */
    record Folder(String root, String path) implements DeliveryTarget {}
}
