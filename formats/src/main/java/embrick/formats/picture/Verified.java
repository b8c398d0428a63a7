package embrick.formats.picture;

import embrick.core.check.Expectation.PageBoxes;
import embrick.core.source.SourceFacts;
import java.util.Optional;

/**
 * What a finished file says of itself.
 *
 * @param quality of a JPEG, where its tables tell it
 */
public record Verified(SourceFacts facts, Optional<PageBoxes> page, Optional<Integer> quality) {
    /** Of a picture, not a page. */
    public static Verified of(SourceFacts facts) {
        return new Verified(facts, Optional.empty(), Optional.empty());
    }

    public static Verified ofJpeg(SourceFacts facts, Optional<Integer> quality) {
        return new Verified(facts, Optional.empty(), quality);
    }
}
