package embrick.demo.ink;

import embrick.core.colour.Xyz;

/**
 * What cyan, magenta, yellow and black ink look like on a paper.
 *
 * <p>The sixteen overprints of the inks are laid side by side in the shares that dots of random position have (E. Demichel
 * 1924; H. E. J. Neugebauer 1937), and light that wanders under them is met by mixing their reflectances to the power 1 ÷ n
 * (J. A. C. Yule, W. J. Nielsen 1951; as spectra: J. A. S. Viggiano 1985). Dots first grow by the paper's gain.
 */
public final class InkOnPaper {
    private static final int INKS = 4;
    private static final int OVERPRINTS = 1 << INKS;
    /** Where the invented inks absorb: main bell and a weak second one, each middle, width, density. */
    private static final double[][] ABSORPTIONS = {
        {635, 58, 1.75, 430, 40, 0.16}, {545, 36, 1.80, 440, 45, 0.34}, {438, 40, 1.65, 500, 20, 0.10}
    };

    private final SimulatedPaper paper;
    /** Reflectances to the power 1 ÷ n, an overprint a row. */
    private final double[][] primaries = new double[OVERPRINTS][Spectra.BANDS];

    public InkOnPaper(SimulatedPaper paper) {
        this.paper = paper;
        SimulatedPaper.Surface surface = paper.surface();
        SimulatedPaper.Laydown laydown = paper.laydown();
        for (int overprint = 0; overprint < OVERPRINTS; overprint++) {
            for (int band = 0; band < Spectra.BANDS; band++) {
                double at = Spectra.wavelength(band);
                double bare =
                        surface.reflectance() - surface.blueLoss() * (1 - 1 / (1 + StrictMath.exp((440 - at) / 25)));
                double density = 0;
                for (int ink = 0; ink < INKS; ink++) {
                    density += (overprint >> ink & 1) == 0 ? 0 : density(ink, at, laydown);
                }
                double reflected = surface.glare() + (bare - surface.glare()) * StrictMath.pow(10, -density);
                primaries[overprint][band] = StrictMath.pow(reflected, 1 / laydown.spread());
            }
        }
    }

    private static double density(int ink, double at, SimulatedPaper.Laydown laydown) {
        if (ink == INKS - 1) {
            return laydown.blackDensity();
        }
        double[] bells = ABSORPTIONS[ink];
        return laydown.strength()
                * (bells[2] * Spectra.bell(at, bells[0], bells[1], bells[1])
                        + bells[5] * Spectra.bell(at, bells[3], bells[4], bells[4]));
    }

    /** @param inks cyan, magenta, yellow, black: shares of the area, 0..1 */
    public Xyz read(double... inks) {
        double[] shares = new double[INKS];
        for (int ink = 0; ink < INKS; ink++) {
            double area = Math.clamp(inks[ink], 0, 1);
            shares[ink] = area + 4 * paper.laydown().gain() * area * (1 - area);
        }
        double[] mixed = new double[Spectra.BANDS];
        for (int overprint = 0; overprint < OVERPRINTS; overprint++) {
            double share = 1;
            for (int ink = 0; ink < INKS; ink++) {
                share *= (overprint >> ink & 1) == 0 ? 1 - shares[ink] : shares[ink];
            }
            for (int band = 0; band < Spectra.BANDS; band++) {
                mixed[band] += share * primaries[overprint][band];
            }
        }
        for (int band = 0; band < Spectra.BANDS; band++) {
            mixed[band] = StrictMath.pow(mixed[band], paper.laydown().spread());
        }
        return Spectra.xyz(mixed);
    }

    /** The bare paper. */
    public Xyz white() {
        return read(0, 0, 0, 0);
    }
}
