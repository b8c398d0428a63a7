package embrick.core.found.detail;

import embrick.core.lanes.Lanes;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import java.util.ArrayList;
import java.util.List;

/**
 * A square of a picture's luminance, as it is stored.
 *
 * @param luminance of {@link #SIDE} × {@link #SIDE} pixels, row-major, 0 to 1: the mean of the colours, or grey; beyond them
 *     {@link Lanes#SLACK} more
 */
record Patch(float[] luminance) {
    /** Such that blocks of {@link BlurScales} with what is beside them fit in. */
    static final int SIDE = 160;

    /** Most across and down; a picture that is smaller is covered without gaps. */
    private static final int MOST_ACROSS = 12;

    private static final int MOST_DOWN = 5;
    /** Patches begin at blocks of JPEG. */
    private static final int GRID = 8;

    private static final int COLOURS = 3;

    static List<Patch> spreadOver(Raster picture) {
        List<Patch> patches = new ArrayList<>();
        int[] lefts = begins(picture.stored().width(), MOST_ACROSS);
        float[] pixels = new float[SIDE * SIDE * picture.channels()];
        for (int top : begins(picture.stored().height(), MOST_DOWN)) {
            for (int left : lefts) {
                picture.readSeen(Orientation.UPRIGHT, left, top, SIDE, SIDE, pixels, 0);
                patches.add(new Patch(luminance(pixels, picture.channels())));
            }
        }
        return patches;
    }

    /** Evenly, without overlap; none where there is no room for one. */
    private static int[] begins(int length, int most) {
        int count = Math.min(most, length / SIDE);
        int[] begins = new int[count];
        for (int i = 0; i < count; i++) {
            int middle = (int) ((i + 0.5) * length / count);
            begins[i] = Math.clamp(middle - SIDE / 2, 0, length - SIDE) / GRID * GRID;
        }
        return begins;
    }

    /** Inks count as well as lights: what is looked at are differences. */
    private static float[] luminance(float[] pixels, int channels) {
        int colours = channels < COLOURS ? 1 : COLOURS;
        float[] luminance = new float[SIDE * SIDE + Lanes.SLACK];
        for (int i = 0; i < SIDE * SIDE; i++) {
            float sum = 0;
            for (int c = 0; c < colours; c++) {
                sum += pixels[i * channels + c];
            }
            luminance[i] = sum / colours;
        }
        return luminance;
    }
}
