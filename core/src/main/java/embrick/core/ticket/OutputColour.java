package embrick.core.ticket;

/** In which colours a piece leaves; it always carries its profile. */
public enum OutputColour {
    SRGB,
    /** The original's profile, its numbers untouched; sRGB where it has none. */
    ORIGINAL
}
