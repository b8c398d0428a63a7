package embrick.core.edge;

/** What the sheet's own rim is, once its bands are round it. */
public sealed interface Rim {
    /** It is cut there: a trim line. @param safe pixels inside it that are to be kept clear */
    record Trimmed(int safe) implements Rim {}

    /** It turns there: a fold line. @param bar pixels to the next turn, where the bar's back begins */
    record Folded(Bands bar) implements Rim {}

    /** Paper of another colour goes on; the total is cut. */
    record Joined() implements Rim {}
}
