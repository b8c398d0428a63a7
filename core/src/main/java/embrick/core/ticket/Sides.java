package embrick.core.ticket;

import embrick.core.units.Length;
import java.util.List;
import java.util.Objects;

/** A length on each side of a sheet as it is looked at. */
public record Sides(Length top, Length right, Length bottom, Length left) {
    public Sides {
        Objects.requireNonNull(top);
        Objects.requireNonNull(right);
        Objects.requireNonNull(bottom);
        Objects.requireNonNull(left);
    }

    public static Sides even(Length length) {
        return new Sides(length, length, length, length);
    }

    public List<Length> all() {
        return List.of(top, right, bottom, left);
    }

    public Length least() {
        return all().stream().min(Length::compareTo).orElseThrow();
    }

    public Length most() {
        return all().stream().max(Length::compareTo).orElseThrow();
    }
}
