package embrick.core.nest;

/** How an item is to lie, where it may be turned. */
enum Way {
    /** Whichever suits the place. */
    EITHER,
    UPRIGHT,
    TURNED;

    boolean allows(boolean turned) {
        return this == EITHER || (this == TURNED) == turned;
    }
}
