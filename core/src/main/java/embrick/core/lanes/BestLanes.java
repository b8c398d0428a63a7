package embrick.core.lanes;

/** Picks the lanes once for the life of the process. */
final class BestLanes {
    static final Lanes BEST = choose();

    private BestLanes() {}

    private static Lanes choose() {
        boolean wanted = !"off".equals(System.getProperty("embrick.vectors"));
        boolean there = ModuleLayer.boot().findModule("jdk.incubator.vector").isPresent();
        return wanted && there ? new VectorLanes() : new PlainLanes();
    }
}
