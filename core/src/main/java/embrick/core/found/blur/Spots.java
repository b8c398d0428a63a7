package embrick.core.found.blur;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;

/** Cuts spots out of decoded pictures. */
public final class Spots {
    /** Wide enough for the widest blur that is undone, and for its ground on both sides. */
    private static final int SIDE = 97;
    /** Weights of red, green and blue in luminance: ITU-R BT.709. */
    private static final float[] LUMINANCE = {0.2126f, 0.7152f, 0.0722f};

    private Spots() {}

    /**
     * The spot whose middle lies nearest to a place, all inside the picture.
     *
     * @param x as a fraction of the seen picture's width, {@code y} of its height
     * @throws IllegalArgumentException if the picture is smaller than a spot
     */
    public static Spot at(Raster picture, Orientation seenAs, ColourModel model, double x, double y) {
        PixelSize seen = seenAs.seenSize(picture.stored());
        if (seen.width() < SIDE || seen.height() < SIDE) {
            throw new IllegalArgumentException("picture: expected at least " + SIDE + " px a side, got " + seen);
        }
        PixelRect place =
                new PixelRect(from(x * seen.width(), seen.width()), from(y * seen.height(), seen.height()), SIDE, SIDE);
        int channels = picture.channels();
        float[] samples = new float[SIDE * SIDE * channels];
        picture.readSeen(seenAs, place.x(), place.y(), SIDE, SIDE, samples, 0);
        float[] tones = new float[SIDE * SIDE];
        for (int i = 0; i < tones.length; i++) {
            tones[i] = tone(samples, i * channels, model);
        }
        return new Spot(SIDE, tones);
    }

    private static int from(double middle, int length) {
        return Math.clamp(Math.round(middle - SIDE / 2.0), 0, length - SIDE);
    }

    private static float tone(float[] samples, int at, ColourModel model) {
        if (model == ColourModel.GREY) {
            return samples[at];
        }
        float sum = 0;
        for (int c = 0; c < 3; c++) {
            // Inks are dark where there is much of them.
            sum += LUMINANCE[c] * (model == ColourModel.CMYK ? 1 - samples[at + c] : samples[at + c]);
        }
        return sum;
    }
}
