package embrick.formats.apart;

/** What a child may be asked for; sent as its place in this list. */
enum Asked {
    /** What a HEIF file says of itself. */
    HEIF_FACTS,
    /** The pixels of any file, whole or reduced, put into shared memory. */
    PIXELS
}
