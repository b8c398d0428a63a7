package embrick.core.ticket;

/** From how far a print is looked at, with the ppi it then needs. Common practice, no source. */
public enum ViewingDistance {
    HAND(300),
    /** About 60 cm. */
    TABLE(150),
    /** About 1 m. */
    WALL(100),
    /** About 3 m. */
    BANNER(30);

    private final int ppiNeeded;

    ViewingDistance(int ppiNeeded) {
        this.ppiNeeded = ppiNeeded;
    }

    public int ppiNeeded() {
        return ppiNeeded;
    }
}
