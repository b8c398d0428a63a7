package embrick.core.edge;

import embrick.core.colour.PaperColour;
import java.util.Objects;

/** What a band's pixels are. */
public sealed interface BandFill {
    /** Band pixel k is pixel k counted from the fold, the rim's own repeated; past the far rim it folds back again. */
    record Mirror() implements BandFill {}

    /** The rim's pixel. */
    record DrawnOut() implements BandFill {}

    record Plain(PaperColour colour) implements BandFill {
        public Plain {
            Objects.requireNonNull(colour);
        }
    }

    /** Grown from the picture's own texture ({@code embrick.core.grown}). */
    record Grown() implements BandFill {}

    /** The mean of the outermost pixels of all four sides, of the output's encoded numbers, one colour all round. */
    record RimMean() implements BandFill {}
}
