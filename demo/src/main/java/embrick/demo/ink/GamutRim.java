package embrick.demo.ink;

import embrick.core.colour.Lab;

/** The strongest chroma that a device has at each lightness and hue. */
public final class GamutRim {
    private static final int LIGHTNESSES = 41;
    private static final int HUES = 72;
    private static final double MOST_CHROMA = 140;
    /** A colour this near is had. */
    private static final double NEAR = 0.3;
    /** Halvings of {@link #MOST_CHROMA}: to a tenth. */
    private static final int HALVINGS = 11;

    private final double[][] chromas = new double[LIGHTNESSES][HUES];
    private final double black;

    /** Looks for it with an inversion. */
    public GamutRim(Inversion inversion) {
        this.black = blackOf(inversion);
        for (int i = 0; i < LIGHTNESSES; i++) {
            double l = lightness(i);
            for (int hue = 0; hue < HUES; hue++) {
                chromas[i][hue] = l < black ? 0 : strongest(inversion, l, hue * 2 * Math.PI / HUES);
            }
        }
    }

    private static double lightness(int i) {
        return i * 100.0 / (LIGHTNESSES - 1);
    }

    private static double blackOf(Inversion inversion) {
        double low = 0;
        double high = 60;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (inversion.find(new Lab(middle, 0, 0)).error() < NEAR) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return high;
    }

    private static double strongest(Inversion inversion, double l, double hue) {
        double low = 0;
        double high = MOST_CHROMA;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            Lab tried = new Lab(l, middle * StrictMath.cos(hue), middle * StrictMath.sin(hue));
            if (inversion.find(tried).error() < NEAR) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The darkest neutral. */
    public double black() {
        return black;
    }

    /** @param hue in radians */
    public double chromaAt(double l, double hue) {
        double atL = Math.clamp(l, 0, 100) / 100 * (LIGHTNESSES - 1);
        int belowL = Math.min((int) atL, LIGHTNESSES - 2);
        double turns = hue / (2 * Math.PI);
        double atHue = (turns - Math.floor(turns)) * HUES;
        int belowHue = (int) atHue % HUES;
        int aboveHue = (belowHue + 1) % HUES;
        double part = atHue - Math.floor(atHue);
        double low = chromas[belowL][belowHue] * (1 - part) + chromas[belowL][aboveHue] * part;
        double high = chromas[belowL + 1][belowHue] * (1 - part) + chromas[belowL + 1][aboveHue] * part;
        return low + (atL - belowL) * (high - low);
    }
}
