package embrick.core.grown;

/**
 * By how much a copied patch may be raised or lowered as a whole: a sky's course goes on, a house does not become a tree.
 *
 * <p>Source: the gain and bias of S. Darabi and others, "Image melding", 2012, of which only the bias is taken.
 */
final class Shift {
    /** Of 4095. */
    private static final float MOST = 200;
    /** What a shift costs, of what the same difference costs unshifted. */
    private static final float COST = 0.12f;

    private Shift() {}

    /** @param apart by how much the target is lighter in the mean */
    static float of(float apart) {
        return Math.clamp(apart, -MOST, MOST);
    }

    /** What a shift adds to the mean square of the differences that are left. */
    static float price(float apart) {
        return COST * of(apart) * of(apart);
    }

    /** By how much a shift lowers the mean square of the differences. */
    static float gain(float apart) {
        float shift = of(apart);
        return shift * (2 * apart - shift - COST * shift);
    }
}
