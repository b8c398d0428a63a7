package embrick.formats.picture;

import java.util.List;

/**
 * Checksums of the samples that were written, part by part as the format lays them out: what the finished file unpacks to is
 * held against them.
 *
 * @param parts CRC-32C of each part's samples; none where the format carries checksums of its own, or loses something
 */
public record SampleSums(List<Integer> parts) {
    public static final SampleSums NONE = new SampleSums(List.of());

    public SampleSums {
        parts = List.copyOf(parts);
    }
}
