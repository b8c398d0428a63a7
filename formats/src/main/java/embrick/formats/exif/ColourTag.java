package embrick.formats.exif;

/** What Exif's ColorSpace tag says (Exif 2.32, 4.6.5): 1 for sRGB, else 65535. */
public enum ColourTag {
    SRGB(1),
    UNCALIBRATED(0xFFFF);

    private final int value;

    ColourTag(int value) {
        this.value = value;
    }

    public int value() {
        return value;
    }
}
