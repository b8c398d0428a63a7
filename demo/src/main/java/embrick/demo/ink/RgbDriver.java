package embrick.demo.ink;

/**
 * How the simulated device makes inks of red, green and blue numbers when it is sent RGB: each ink what its light lacks,
 * black in the place of much of their common part, and no more ink than the paper holds.
 */
public final class RgbDriver {
    /** From this common part on, black comes in. */
    private static final double BLACK_FROM = 0.25;
    /** Of the black that comes in, so much leaves the colours. */
    private static final double TAKEN_OUT = 0.55;

    private static final double SHARPNESS = 6;

    private final SimulatedPaper paper;

    public RgbDriver(SimulatedPaper paper) {
        this.paper = paper;
    }

    /** @return cyan, magenta, yellow, black, 0..1 */
    public double[] inks(double red, double green, double blue) {
        double c = 1 - red;
        double m = 1 - green;
        double y = 1 - blue;
        double common = Math.max(0, least(c, m, y) - BLACK_FROM) / (1 - BLACK_FROM);
        double k = common * common;
        double[] inks = {c - TAKEN_OUT * k, m - TAKEN_OUT * k, y - TAKEN_OUT * k, k};
        double sum = inks[0] + inks[1] + inks[2] + inks[3];
        if (sum > paper.mostInk()) {
            double colours = (paper.mostInk() - k) / (sum - k);
            for (int ink = 0; ink < 3; ink++) {
                inks[ink] *= colours;
            }
        }
        return inks;
    }

    /** Nearly the least of three, without a crease where two are alike: their power mean. */
    private static double least(double c, double m, double y) {
        double mean =
                (StrictMath.pow(c, -SHARPNESS) + StrictMath.pow(m, -SHARPNESS) + StrictMath.pow(y, -SHARPNESS)) / 3;
        return StrictMath.pow(mean, -1 / SHARPNESS);
    }
}
