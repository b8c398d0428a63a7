package embrick.demo.ink;

import embrick.core.colour.Lab;

/**
 * Fits all colours into what a device has, for the intents that may move every colour.
 *
 * <p>Lightness keeps its top and bends towards the device's black; chroma stays up to a knee below the rim and is then
 * pressed together ever more, so that neighbours stay apart; hue stays. Embrick's rules, after the general advice of
 * CIE 156:2004.
 */
public final class GamutFit {
    private static final double PERCEPTUAL_KNEE = 0.7;
    private static final double SATURATION_KNEE = 0.92;
    /** Strong colours are drawn towards the lightness at which the paper has most of them. */
    private static final double SATURATION_GAIN = 1.12;

    private final GamutRim rim;

    public GamutFit(GamutRim rim) {
        this.rim = rim;
    }

    /** Keeps differences: for photographs with many colours beyond the paper. */
    public Lab perceptual(Lab colour) {
        return pressed(lightened(colour.l()), colour.chroma(), colour.hue(), PERCEPTUAL_KNEE);
    }

    /** Keeps strength: for charts and signs. */
    public Lab saturated(Lab colour) {
        return pressed(lightened(colour.l()), colour.chroma() * SATURATION_GAIN, colour.hue(), SATURATION_KNEE);
    }

    /** From 0..100 to black..100, steeper at the bottom, the same at the top. */
    private double lightened(double l) {
        double share = Math.clamp(l, 0, 100) / 100;
        double bottom = rim.black();
        return Math.sqrt(share * share * 100 * 100 + bottom * bottom * (1 - share * share));
    }

    private Lab pressed(double l, double chroma, double hue, double knee) {
        double most = rim.chromaAt(l, hue);
        double kept = chroma;
        if (chroma > knee * most) {
            double room = (1 - knee) * most;
            double over = chroma - knee * most;
            kept = knee * most + (room == 0 ? 0 : room * over / (room + over));
        }
        return new Lab(l, kept * StrictMath.cos(hue), kept * StrictMath.sin(hue));
    }
}
