package embrick.core.edge;

import java.util.List;

/**
 * A mark over finished pixels, each of its stamps light or dark by what lies under it.
 *
 * @param degrees by which each stamp is turned about its middle, anticlockwise
 * @param strength share of the picture that it covers, 0 to 1
 */
public record Marking(List<Stamp> stamps, double degrees, double strength) {
    public Marking {
        stamps = List.copyOf(stamps);
        if (!(strength > 0 && strength <= 1)) {
            throw new IllegalArgumentException("strength: expected above 0 and at most 1, got " + strength);
        }
    }

    /** The same on a total that is so many times smaller. */
    public Marking reduced(double times) {
        return new Marking(stamps.stream().map(stamp -> stamp.reduced(times)).toList(), degrees, strength);
    }
}
