package embrick.demo.ink;

/**
 * Three invented papers. Their numbers are made up so that each behaves as its kind does: a coated paper takes dense ink
 * and shines little over it, rag drinks the ink and scatters, canvas lies between and is warmer.
 */
public enum SimulatedPaper {
    LUSTRE("Lustre paper", new Surface(0.93, 0.045, 0.0035), new Laydown(1.0, 2.15, 0.14, 1.9, 3.0)),
    COTTON_RAG("Cotton rag", new Surface(0.90, 0.085, 0.021), new Laydown(0.70, 1.35, 0.22, 2.0, 2.6)),
    CANVAS("Canvas", new Surface(0.87, 0.070, 0.011), new Laydown(0.85, 1.70, 0.18, 2.0, 2.8));

    private final String title;
    private final Surface surface;
    private final Laydown laydown;

    SimulatedPaper(String title, Surface surface, Laydown laydown) {
        this.title = title;
        this.surface = surface;
        this.laydown = laydown;
    }

    /**
     * @param reflectance of the bare paper in yellow light
     * @param blueLoss how much less it reflects at 400 nm: its warmth
     * @param glare that any ink lets through: light scattered at the surface
     */
    record Surface(double reflectance, double blueLoss, double glare) {}

    /**
     * @param strength of the coloured inks' densities
     * @param blackDensity of full black ink
     * @param gain of a half-tone: how much larger a dot of half the area prints (common practice, no source: a parabola)
     * @param spread Yule and Nielsen's n: light that wanders in the paper before it comes out
     * @param mostInk the sum of inks it holds; 4 is all four
     */
    record Laydown(double strength, double blackDensity, double gain, double spread, double mostInk) {}

    public String title() {
        return title;
    }

    Surface surface() {
        return surface;
    }

    Laydown laydown() {
        return laydown;
    }

    /** The sum of inks it holds; 4 is all four. */
    public double mostInk() {
        return laydown.mostInk();
    }
}
