package embrick.server.problems;

/** The version that a change was made on, as the header If-Match carries it. */
public final class IfMatch {
    private IfMatch() {}

    /**
     * @throws ProblemException {@code stale-version} if the header holds no version of ours
     */
    public static long version(String header, String what) {
        try {
            return Long.parseLong(header.replace("\"", "").strip());
        } catch (NumberFormatException foreign) {
            throw ProblemException.stale(what);
        }
    }
}
