package embrick.core.plan;

import embrick.core.resample.Resampler;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import java.util.Optional;

/**
 * What makes a plan's pixels: where it has changed since, the same settings give other pixels.
 *
 * @param engine revision of all that computes pixels; it rises with every change that shows in them
 * @param filters SHA-256 of the learned filters; empty where none are used, or where an old plan does not say which
 */
public record MadeBy(int engine, Optional<String> filters) {
    private static final int ENGINE = 1;

    /** As plans of before this was noted: by the first engine. */
    static final MadeBy NOT_NOTED = new MadeBy(1, Optional.empty());

    static MadeBy of(Resampling resampling, Window window) {
        return new MadeBy(ENGINE, Resampler.filtersDigest(resampling.method(), window.scale()));
    }
}
