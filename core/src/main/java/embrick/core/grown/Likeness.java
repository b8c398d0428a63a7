package embrick.core.grown;

/**
 * How well what was grown goes with the picture: a patch's difference from the one it was found for it, against the difference
 * that patch has from the picture's own others. 1 where it is no larger; it falls as the first outgrows the second.
 */
final class Likeness {
    private static final int PASSES = 5;
    /** Added to both differences, as the mean square of tones of 4095: what is below it nobody sees. */
    private static final float UNSEEN = 24 * 24;

    private final Matches own;
    private final Level level;

    /** @param sources of the level */
    Likeness(Level level, int[] sources, Chance chance) {
        this.level = level;
        this.own = Matches.ofOwn(level);
        own.beginAnywhere(chance, sources);
        own.count();
        for (int pass = 1; pass <= PASSES; pass++) {
            own.improve(chance, pass, Math.max(level.width, level.height));
        }
    }

    /** Shapes: row-major, as the matches. Units: 0 to 1. */
    float[] of(Matches grown) {
        float[] likeness = new float[grown.costs.length];
        float unseen = UNSEEN * Level.PATCH_PIXELS * level.channels;
        for (int at = 0; at < likeness.length; at++) {
            if (grown.isTarget(at)) {
                float usual = own.residue(grown.found(at)) + unseen;
                likeness[at] = Math.min(1, usual / (grown.residue(at) + unseen));
            }
        }
        return likeness;
    }
}
