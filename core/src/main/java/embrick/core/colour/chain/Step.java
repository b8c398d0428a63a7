package embrick.core.colour.chain;

/** One step of a conversion. Keeps no state and is safe for several threads. */
public abstract class Step {
    private final int channelsIn;
    private final int channelsOut;

    Step(int channelsIn, int channelsOut) {
        this.channelsIn = channelsIn;
        this.channelsOut = channelsOut;
    }

    public final int channelsIn() {
        return channelsIn;
    }

    public final int channelsOut() {
        return channelsOut;
    }

    /** Units: what the neighbouring steps agree on. In and out are two blocks. */
    abstract void apply(Block in, Block out, int pixels);
}
