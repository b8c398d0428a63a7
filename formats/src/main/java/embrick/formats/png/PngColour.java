package embrick.formats.png;

import embrick.core.source.SourceFacts.ColourRemark;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.icc.ShippedProfile;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Optional;

/**
 * What a PNG says of its colours beside a profile, the strongest word first (PNG, third edition, 4.3 and 11.3.2): code
 * points, then a profile, then the name of sRGB, then a gamma with chromaticities.
 *
 * @param points of cICP, which stand above a profile; empty where there are none, or none that are read
 * @param isSrgb the sRGB chunk
 * @param gamma of gAMA: file sample = light to this power; empty where it says nothing
 * @param chromaticities of cHRM: white, red, green, blue, x and y each; empty where it says nothing
 */
record PngColour(
        Optional<ShippedProfile> points,
        boolean isSrgb,
        Optional<Double> gamma,
        Optional<double[]> chromaticities,
        List<ColourRemark> remarks) {

    /** 1 / 2.2, as the sRGB chunk's writers give it beside their name (11.3.2.5), within a hundredth. */
    private static final double SRGB_GAMMA = 0.45455;

    /** Of cHRM's numbers, which are counted in hundred thousandths (11.3.2.1). */
    private static final double UNIT = 100_000;

    /** The chromaticities of ITU-R BT.709 and D65, white first. */
    private static final double[] SRGB_CHROMATICITIES = {0.3127, 0.3290, 0.64, 0.33, 0.30, 0.60, 0.15, 0.06};

    /** What the name or the points say; empty where only numbers, or nothing, are given. */
    Optional<ShippedProfile> named() {
        if (points.isPresent()) {
            return points;
        }
        boolean asSrgb = gamma.isPresent()
                && Math.abs(gamma.get() - SRGB_GAMMA) < 0.005
                && (chromaticities.isEmpty() || isNear(chromaticities.get(), SRGB_CHROMATICITIES));
        return isSrgb || asSrgb ? Optional.of(ShippedProfile.SRGB) : Optional.empty();
    }

    private static boolean isNear(double[] one, double[] other) {
        for (int i = 0; i < one.length; i++) {
            if (Math.abs(one[i] - other[i]) > 0.002) {
                return false;
            }
        }
        return true;
    }

    /** A profile of gamma and chromaticities, where these are what is known. */
    Optional<byte[]> described() {
        if (gamma.isEmpty() || named().isPresent()) {
            return Optional.empty();
        }
        double[] all = chromaticities.orElse(SRGB_CHROMATICITIES);
        double[][] primaries = {{all[2], all[3]}, {all[4], all[5]}, {all[6], all[7]}};
        return Optional.of(MatrixProfile.rgb(words(), primaries, new double[] {all[0], all[1]}, 1 / gamma.get()));
    }

    /** The same for a grey picture. */
    Optional<byte[]> describedGrey() {
        return gamma.isEmpty() || isSrgb ? Optional.empty() : Optional.of(MatrixProfile.grey(words(), 1 / gamma.get()));
    }

    String words() {
        return String.format(
                java.util.Locale.ROOT,
                "gamma %.2f%s, as the file says",
                1 / gamma.orElse(1.0),
                chromaticities.isPresent() ? " and its own primaries" : "");
    }

    /** Gathers the chunks. */
    static final class Builder {
        private Optional<ShippedProfile> points = Optional.empty();
        private boolean isSrgb;
        private Optional<Double> gamma = Optional.empty();
        private Optional<double[]> chromaticities = Optional.empty();
        private final List<ColourRemark> remarks = new java.util.ArrayList<>();

        void namesSrgb() {
            isSrgb = true;
        }

        /** Primaries, transfer function, matrix, full range (ITU-T H.273): those of sRGB and of P3-D65 are read. */
        void points(byte[] data) {
            if (data.length < 4) {
                return;
            }
            boolean full = data[3] == 1 && data[2] == 0;
            boolean srgbTone = data[1] == 13;
            if (full && srgbTone && data[0] == 1) {
                points = Optional.of(ShippedProfile.SRGB);
            } else if (full && srgbTone && data[0] == 12) {
                points = Optional.of(ShippedProfile.P3_D65);
            } else {
                remarks.add(new ColourRemark(
                        "png-code-points",
                        String.format(
                                java.util.Locale.ROOT,
                                "its file names its colours by code points (%d, %d, %d, %s range) that are not read:"
                                        + " they can be wrong here",
                                data[0] & 0xff,
                                data[1] & 0xff,
                                data[2] & 0xff,
                                data[3] == 1 ? "full" : "narrow")));
            }
        }

        void gamma(ByteBuffer data) {
            if (data.remaining() >= 4) {
                double value = data.getInt(0) / UNIT;
                // A gamma beyond these is nonsense, and 0 says nothing.
                gamma = value >= 0.1 && value <= 5 ? Optional.of(value) : Optional.empty();
            }
        }

        void chromaticities(ByteBuffer data) {
            if (data.remaining() < 32) {
                return;
            }
            double[] all = new double[8];
            boolean isSound = true;
            for (int i = 0; i < all.length; i++) {
                all[i] = data.getInt(4 * i) / UNIT;
                isSound &= all[i] >= 0 && all[i] <= 1;
            }
            boolean spans =
                    Math.abs((all[4] - all[2]) * (all[7] - all[3]) - (all[6] - all[2]) * (all[5] - all[3])) > 1e-3;
            isSound &= spans && all[1] > 0.01 && all[3] > 0.01 && all[5] > 0.01 && all[7] > 1e-4;
            chromaticities = isSound ? Optional.of(all) : Optional.empty();
        }

        PngColour build() {
            return new PngColour(points, isSrgb, gamma, chromaticities, List.copyOf(remarks));
        }
    }
}
