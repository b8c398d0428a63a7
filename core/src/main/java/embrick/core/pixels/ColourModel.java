package embrick.core.pixels;

/** How many inks or lights a pixel has, alpha not counted. */
public enum ColourModel {
    GREY(1),
    RGB(3),
    CMYK(4);

    private final int channels;

    ColourModel(int channels) {
        this.channels = channels;
    }

    public int channels() {
        return channels;
    }
}
