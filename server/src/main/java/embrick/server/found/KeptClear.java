package embrick.server.found;

import embrick.core.ticket.Edges;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;

/** How far from a line strong detail is to stay. Common practice, no source. */
final class KeptClear {
    /** Canvas never folds exactly on its line: a centimetre shows. */
    private static final double OF_A_FOLD = 10;
    /** A trimmer strays by up to so much. */
    private static final double LEAST_OF_A_TRIM = 3;

    private KeptClear() {}

    /** 0 where there is no line to keep clear of. */
    static double millimetres(Ticket ticket) {
        double product = ticket.product().map(rule -> millimetres(rule.safe())).orElse(0.0);
        return switch (ticket.edges()) {
            case Edges.Wrap _ -> OF_A_FOLD;
            case Edges.Bleed bleed -> Math.max(LEAST_OF_A_TRIM, Math.max(product, millimetres(bleed.safe())));
            case Edges.None _, Edges.Border _ -> product;
        };
    }

    private static double millimetres(Length length) {
        return length.toInches() * 25.4;
    }
}
