package embrick.formats.picture;

import embrick.core.check.Expectation.PageBoxes;
import embrick.core.source.SourceFacts;
import java.util.Optional;

/** What a finished file says of itself. */
public record Verified(SourceFacts facts, Optional<PageBoxes> page) {
    /** Of a picture, not a page. */
    public static Verified of(SourceFacts facts) {
        return new Verified(facts, Optional.empty());
    }
}
