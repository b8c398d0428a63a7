package embrick.core.colour;

import java.util.Objects;

/** How colours are fitted from one profile into another. Absolute intent knows no compensation. */
public record Rendering(Intent intent, BlackPoint blackPoint) {
    /** Colours that can be kept are kept, and shadows fitted into the target's black. */
    public static final Rendering RELATIVE_COMPENSATED = new Rendering(Intent.RELATIVE, BlackPoint.COMPENSATED);
    /** The nearest that a target has to each colour, its own black and white being the ends. */
    public static final Rendering RELATIVE_PLAIN = new Rendering(Intent.RELATIVE, BlackPoint.PLAIN);
    /** Colours as an instrument reads them. */
    public static final Rendering ABSOLUTE = new Rendering(Intent.ABSOLUTE, BlackPoint.PLAIN);

    /** Black point compensation, ISO 18619: the source's black goes to the target's. */
    public enum BlackPoint {
        COMPENSATED,
        PLAIN
    }

    public Rendering {
        Objects.requireNonNull(intent);
        Objects.requireNonNull(blackPoint);
        if (intent == Intent.ABSOLUTE && blackPoint == BlackPoint.COMPENSATED) {
            throw new IllegalArgumentException("blackPoint: expected none with absolute intent, got compensation");
        }
    }
}
