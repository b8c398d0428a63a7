package embrick.core.found;

/** How far something that was found can be relied on. Only what is sure may be taken for many pictures at once. */
public enum Confidence {
    NOT_SURE,
    LIKELY,
    SURE;

    public Confidence lesser(Confidence other) {
        return compareTo(other) < 0 ? this : other;
    }
}
