package embrick.formats.picture;

import java.util.List;

/**
 * Checksums of the samples written, one for each part in the order of the file. The check compares the finished file with
 * them.
 *
 * @param parts CRC-32C of each part's samples; none where the format carries checksums of its own, or loses something
 */
public record SampleSums(List<Integer> parts) {
    public static final SampleSums NONE = new SampleSums(List.of());

    public SampleSums {
        parts = List.copyOf(parts);
    }
}
