package embrick.core.gamut;

/**
 * How much of a picture's colours a print loses.
 *
 * @param pixels looked at
 * @param beyond of them, those whose colour the print cannot have
 * @param meanDifference ΔE00 between picture and print, each against its own white, over all pixels
 */
public record GamutLoss(long pixels, long beyond, double meanDifference) {
    public static final GamutLoss NONE = new GamutLoss(0, 0, 0);

    /** Share of the picture that cannot be printed as it is, 0 to 1. */
    public double share() {
        return pixels == 0 ? 0 : (double) beyond / pixels;
    }
}
