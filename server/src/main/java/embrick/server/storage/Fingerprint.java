package embrick.server.storage;

/**
 * What a file's bytes come to.
 *
 * @param sha256 in hexadecimal digits
 * @param crc32 as ZIP and PNG reckon it (ISO 3309)
 */
public record Fingerprint(String sha256, long crc32, long bytes) {}
