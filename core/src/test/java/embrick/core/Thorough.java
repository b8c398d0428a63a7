package embrick.core;

/**
 * How many of its cases a test with many goes through: few of them each time, all with {@code ./embrick test thorough}
 * ({@code -Dembrick.thorough=true}). Which few does not change from run to run.
 */
public final class Thorough {
    private static final boolean IS_ASKED = Boolean.getBoolean("embrick.thorough");

    private Thorough() {}

    /** How many of numbered cases. */
    public static int cases(int few, int all) {
        return IS_ASKED ? all : few;
    }

    public static boolean isAsked() {
        return IS_ASKED;
    }
}
