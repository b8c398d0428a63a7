package embrick.core.grown;

/**
 * Numbers by chance that depend on the seed and the place alone.
 * Source: the finalizer of MurmurHash3 (A. Appleby, public domain).
 */
record Chance(long seed, int scale) {
    /** Evenly from 0 up to a bound that is not reached. */
    int below(int bound, int x, int y, int draw) {
        long hash = seed ^ scale * 0x9E3779B97F4A7C15L ^ draw * 0xD6E8FEB86659FD93L;
        hash = mixed(hash ^ x * 0xFF51AFD7ED558CCDL);
        hash = mixed(hash ^ y * 0xC4CEB9FE1A85EC53L);
        return (int) ((hash >>> 33) * bound >>> 31);
    }

    private static long mixed(long of) {
        long hash = of;
        hash ^= hash >>> 33;
        hash *= 0xFF51AFD7ED558CCDL;
        hash ^= hash >>> 33;
        hash *= 0xC4CEB9FE1A85EC53L;
        return hash ^ hash >>> 33;
    }
}
