package embrick.bench.train;

import embrick.core.colour.Encoding;
import embrick.core.pixels.Raster;
import java.lang.foreign.ValueLayout;

/** A picture's luminance as encoded, in steps of a 65535th. */
record Luminance(int width, int height, short[] steps) {
    private static final float MOST = 65535;

    /** @param picture of three channels of 8 bits */
    static Luminance of(Raster picture) {
        Encoding encoding = Encoding.srgb();
        int width = picture.stored().width();
        int height = picture.stored().height();
        short[] steps = new short[width * height];
        for (int i = 0; i < steps.length; i++) {
            float sum = encoding.redLight() * tone(picture, 3L * i)
                    + encoding.greenLight() * tone(picture, 3L * i + 1)
                    + encoding.blueLight() * tone(picture, 3L * i + 2);
            steps[i] = (short) Math.round(sum / 255 * MOST);
        }
        return new Luminance(width, height, steps);
    }

    private static int tone(Raster picture, long at) {
        return Byte.toUnsignedInt(picture.samples().get(ValueLayout.JAVA_BYTE, at));
    }

    /** 0 to 1. */
    float at(int x, int y) {
        return Short.toUnsignedInt(steps[y * width + x]) / MOST;
    }
}
