package embrick.formats.apart;

/** How a child's answer begins; sent as its place in this list. */
enum Answered {
    /** What was asked for follows. */
    ANSWER,
    /** The file cannot be used: kind, code, reason and remedy follow. */
    REFUSAL,
    /** The child itself cannot work, for instance for want of a library: why follows. */
    UNFIT,
    /** The file could not be read, for a reason of the disk's: why follows. */
    NOT_READ
}
