package embrick.core.ticket;

import embrick.core.colour.PaperColour;
import java.util.Objects;

/** What a band round a sheet is made of. */
public sealed interface EdgeFill {
    /** The picture itself: of a wrap the frame covers the total, of a bleed what lies beyond the frame. */
    record Picture() implements EdgeFill {}

    /** The sheet folded back at its rim, the rim's own pixel repeated. */
    record Mirror() implements EdgeFill {}

    /** The rim's pixel, drawn out. */
    record DrawnOut() implements EdgeFill {}

    record Plain(PaperColour colour) implements EdgeFill {
        public Plain {
            Objects.requireNonNull(colour);
        }
    }

    /** Grown from the picture's own texture. */
    record Grown() implements EdgeFill {}

    /** The mean of the sheet's outermost pixels, one colour all round. */
    record RimMean() implements EdgeFill {}
}
