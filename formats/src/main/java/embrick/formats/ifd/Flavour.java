package embrick.formats.ifd;

/** The two layouts of directories: TIFF 6.0 with offsets of 32 bits, BigTIFF with 64. */
public enum Flavour {
    CLASSIC(42, 2, 12, 4, 8),
    BIG(43, 8, 20, 8, 16);

    private final int version;
    private final int countBytes;
    private final int entryBytes;
    private final int offsetBytes;
    private final int headerBytes;

    Flavour(int version, int countBytes, int entryBytes, int offsetBytes, int headerBytes) {
        this.version = version;
        this.countBytes = countBytes;
        this.entryBytes = entryBytes;
        this.offsetBytes = offsetBytes;
        this.headerBytes = headerBytes;
    }

    /** The number behind the byte order mark. */
    public int version() {
        return version;
    }

    /** Of the number of entries. */
    int countBytes() {
        return countBytes;
    }

    int entryBytes() {
        return entryBytes;
    }

    public int offsetBytes() {
        return offsetBytes;
    }

    public int headerBytes() {
        return headerBytes;
    }
}
