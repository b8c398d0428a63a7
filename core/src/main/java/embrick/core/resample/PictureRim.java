package embrick.core.resample;

import embrick.core.units.PixelSize;

/** How much of each output pixel a picture covers, where a tilted one leaves corners bare. */
public final class PictureRim {
    private final PixelSize seen;
    private final double scale;
    /** Where the output's corner lies in the seen picture, and how far one goes there by an output pixel across and down. */
    private final double cornerX;

    private final double cornerY;
    private final double acrossX;
    private final double acrossY;
    private final double downX;
    private final double downY;

    public PictureRim(Window window, PixelSize seen) {
        this.seen = seen;
        this.scale = window.scale();
        this.cornerX = window.seenX(0, 0);
        this.cornerY = window.seenY(0, 0);
        this.acrossX = window.seenX(1, 0) - cornerX;
        this.acrossY = window.seenY(1, 0) - cornerY;
        this.downX = window.seenX(0, 1) - cornerX;
        this.downY = window.seenY(0, 1) - cornerY;
    }

    /** By the distance to the nearest rim in output pixels: half of a pixel whose middle lies on it. Units: 0 to 1. */
    public float covered(int x, int y) {
        double seenX = cornerX + (y + 0.5) * downX + (x + 0.5) * acrossX;
        double seenY = cornerY + (y + 0.5) * downY + (x + 0.5) * acrossY;
        double inside = Math.min(Math.min(seenX, seen.width() - seenX), Math.min(seenY, seen.height() - seenY));
        return (float) Math.clamp(inside / scale + 0.5, 0, 1);
    }
}
