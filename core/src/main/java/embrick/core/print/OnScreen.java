package embrick.core.print;

import embrick.core.colour.Transform;
import embrick.core.pixels.Strip;
import embrick.core.units.PixelSize;

/** A print's rows converted for the screen: three channels of 8 bits. */
public final class OnScreen implements PixelRows {
    private static final int CHANNELS = 3;

    private final PixelRows print;
    private final Transform toScreen;
    private float[] strip = new float[0];

    /** @param toScreen from the print's profile to the screen's; shared by threads */
    public OnScreen(PixelRows print, Transform toScreen) {
        this.print = print;
        this.toScreen = toScreen;
    }

    @Override
    public PixelSize size() {
        return print.size();
    }

    @Override
    public int channels() {
        return CHANNELS;
    }

    @Override
    public int bitsPerChannel() {
        return 8;
    }

    @Override
    public Strip rows(int y, int rows) {
        int width = size().width();
        int needed = Math.multiplyExact(Math.multiplyExact(rows, width), CHANNELS);
        if (strip.length < needed) {
            strip = new float[needed];
        }
        toScreen.apply(print.rows(y, rows).samples(), 0, strip, 0, rows * width);
        return new Strip(y, rows, width, CHANNELS, strip);
    }

    @Override
    public OnScreen another() {
        return new OnScreen(print.another(), toScreen);
    }

    @Override
    public int rowsMadeAnew() {
        return print.rowsMadeAnew();
    }
}
