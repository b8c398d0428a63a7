package embrick.core.ticket;

import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import java.util.Objects;
import java.util.Optional;

/**
 * How pixels are made from pixels.
 *
 * @param method the one asked for; empty: the planner picks by need and says which
 */
public record ResamplingChoice(Optional<Method> method, Light light, Ringing ringing) {
    public static final ResamplingChoice BY_ITSELF =
            new ResamplingChoice(Optional.empty(), Light.ENCODED, Ringing.FREE);

    public ResamplingChoice {
        Objects.requireNonNull(method);
        Objects.requireNonNull(light);
        Objects.requireNonNull(ringing);
    }
}
