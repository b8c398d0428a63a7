package embrick.core.resample;

import java.util.Objects;

/**
 * The settings of one interpolation.
 *
 * @param light in which numbers pixels are mixed
 * @param ringing whether overshoot at edges is let stand
 */
public record Resampling(Method method, Light light, Ringing ringing) {
    public Resampling {
        Objects.requireNonNull(method);
        Objects.requireNonNull(light);
        Objects.requireNonNull(ringing);
    }

    public static Resampling by(Method method) {
        return new Resampling(method, Light.ENCODED, Ringing.FREE);
    }

    /** In which numbers pixels are mixed. */
    public enum Light {
        /** As the file holds them. */
        ENCODED,
        /** As light: through the profile's tone curve and back. Fine bright detail keeps its brightness when shrunk. */
        LINEAR
    }

    /** Overshoot beside hard edges. */
    public enum Ringing {
        FREE,
        /** Held between the least and the greatest source pixel under the kernel's middle lobe; for line art. */
        LIMITED
    }
}
