package embrick.core.folds;

/** Sides of a sheet. */
public enum Side {
    LEFT,
    TOP,
    RIGHT,
    BOTTOM;

    boolean isUpright() {
        return this == LEFT || this == RIGHT;
    }
}
