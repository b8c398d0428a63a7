package embrick.core.folds;

/** Sides of a sheet. */
public enum Side {
    LEFT,
    TOP,
    RIGHT,
    FOOT;

    boolean isUpright() {
        return this == LEFT || this == RIGHT;
    }
}
