package embrick.server.proofs;

import embrick.core.ticket.Edges;

/** How far from a line strong detail is to stay. Common practice, no source. */
final class KeptClear {
    /** Canvas never folds exactly on its line: a centimetre shows. */
    private static final double OF_A_FOLD = 10;
    /** A trimmer strays by up to so much. */
    private static final double LEAST_OF_A_TRIM = 3;

    private KeptClear() {}

    /** 0 where there is no line to keep clear of. */
    static double millimetres(Edges edges) {
        return switch (edges) {
            case Edges.Wrap _ -> OF_A_FOLD;
            case Edges.Bleed bleed -> Math.max(LEAST_OF_A_TRIM, bleed.safe().toInches() * 25.4);
            case Edges.None _, Edges.Border _ -> 0;
        };
    }
}
