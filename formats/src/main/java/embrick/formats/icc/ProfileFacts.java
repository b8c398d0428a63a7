package embrick.formats.icc;

import embrick.core.colour.Intent;
import embrick.core.colour.Lab;
import embrick.core.pixels.ColourModel;
import java.util.Optional;
import java.util.Set;

/**
 * What was read off a profile.
 *
 * @param name it gives itself
 * @param version of ICC.1, as people write it
 * @param tables the intents for which it has a table of its own; none where curves and colourants serve all
 * @param white of the medium, as measured under D50
 * @param black the darkest it has, relative to that white
 * @param alike the digest of a shipped profile with the same numbers, whatever either is called
 */
public record ProfileFacts(
        String digest,
        String name,
        String version,
        Purpose purpose,
        ColourModel model,
        Use use,
        Set<Intent> tables,
        Lab white,
        Lab black,
        Optional<String> alike,
        int bytes) {
    public ProfileFacts {
        tables = Set.copyOf(tables);
    }

    /** ICC.1's classes. */
    public enum Purpose {
        INPUT,
        DISPLAY,
        OUTPUT,
        SPACE
    }

    /** Whether colours can only come from it or also go to it. */
    public enum Use {
        SOURCE_ONLY,
        SOURCE_AND_TARGET
    }
}
