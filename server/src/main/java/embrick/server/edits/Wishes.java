package embrick.server.edits;

import java.util.List;
import java.util.Optional;

/** What one edit is to change. */
public record Wishes(
        List<FramingWish> framings,
        List<OverrideWish> overrides,
        List<ExclusionWish> exclusions,
        Optional<PileOrderWish> pileOrder) {
    public static Wishes framed(List<FramingWish> framings) {
        return new Wishes(framings, List.of(), List.of(), Optional.empty());
    }
}
