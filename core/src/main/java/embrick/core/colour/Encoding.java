package embrick.core.colour;

import java.util.Objects;

/**
 * What the pixel stages need to know of a profile.
 *
 * @param tone the curve of its neutral axis; sRGB's where the profile's own cannot be told
 * @param redLight the share of red in luminance: the Y row of its primaries, {@code greenLight} likewise; blue has the rest
 */
public record Encoding(ToneCurve tone, float redLight, float greenLight) {
    public Encoding {
        Objects.requireNonNull(tone);
        if (!(redLight >= 0) || !(greenLight >= 0) || redLight + greenLight > 1.0001f) {
            throw new IllegalArgumentException(
                    "luminance: expected shares of 1, got " + redLight + " and " + greenLight);
        }
    }

    public float blueLight() {
        return 1 - redLight - greenLight;
    }

    /** sRGB: IEC 61966-2-1's curve; its primaries' Y adapted to D50, as profiles hold them (ICC.1, annex E). */
    public static Encoding srgb() {
        return Srgb.ENCODING;
    }

    private static final class Srgb {
        static final Encoding ENCODING = new Encoding(ToneCurve.srgb(), 0.2225f, 0.7169f);
    }
}
