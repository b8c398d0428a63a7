package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import java.util.List;

/** What came of growing a background. */
public sealed interface Grown {
    /** It is there. @param likeness how well it goes with the picture */
    record Done(LikenessMap likeness) implements Grown {}

    /** It was not made. @param places of the area, as far as the reason has any */
    record Declined(Reason reason, List<PixelRect> places) implements Grown {
        public Declined {
            places = List.copyOf(places);
        }
    }

    /** Why a background is not grown. */
    enum Reason {
        /** The picture's edge cuts through detail that would be copied or smeared. */
        DETAIL_CUT,
        /** What was grown is not like the picture. */
        UNLIKE,
        /** The picture is too small beside what is bare, or all of it is detail. */
        NOTHING_TO_COPY
    }
}
