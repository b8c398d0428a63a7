package embrick.core.colour;

/** ICC.1's rendering intents (ICC.1:2022, 6.2), in the order of their numbers. */
public enum Intent {
    /** The whole range of the source is fitted into the target's; all colours may move. */
    PERCEPTUAL,
    /** Colours that the target has stay as they are, seen against its white; others go to its rim. */
    RELATIVE,
    /** Strong colours stay strong, hue and lightness may move. */
    SATURATION,
    /** As {@link #RELATIVE}, and white keeps its tint: for showing one paper on another. */
    ABSOLUTE;

    /** ICC.1's number of it. */
    public int number() {
        return ordinal();
    }
}
