package embrick.core.learned;

import embrick.core.lanes.PlaneLanes.Filters;
import java.util.List;

/**
 * The layers of a network that looks at the pixels round each pixel of a luminance and gives four numbers: what its four parts
 * at twice the size differ by from what a Lanczos 3 kernel makes of them.
 *
 * <p>Filters read only inside what they are given (no padding), so a pixel's numbers depend on its neighbours alone and are
 * the same in any tile.
 */
public final class LearnedFilters {
    private final List<Filters> layers;
    private final String digest;
    private final boolean softens;

    LearnedFilters(List<Filters> layers, String digest, boolean softens) {
        this.layers = List.copyOf(layers);
        this.digest = digest;
        this.softens = softens;
    }

    /** Those that ship, trained on clean photographs; read when they are first asked for. */
    public static LearnedFilters clean() {
        return ShippedFilters.Clean.FILTERS;
    }

    /** Those that ship, trained on photographs out of JPEG files, as their marks are softened too. */
    public static LearnedFilters softening() {
        return ShippedFilters.Softening.FILTERS;
    }

    /** SHA-256 of the bytes that they ship as. */
    public String digest() {
        return digest;
    }

    /** Whether they take away what JPEG left, and so have work in even parts too. */
    public boolean softens() {
        return softens;
    }

    List<Filters> layers() {
        return layers;
    }

    /** How far round a pixel they look. */
    public int radius() {
        return layers.stream().mapToInt(layer -> layer.side() / 2).sum();
    }
}
