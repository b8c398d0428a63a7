package embrick.core.source;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What an original's pixels are worth, measured once, when it comes in.
 *
 * @param jpegQuality that a JPEG was coded at, 1 to 100, told by its tables of steps; empty for other files
 * @param heldShare of its pixels per inch up to which it holds detail, above 0, at most 1; empty where that was not measured
 *     or the picture shows nothing that it could be read from
 * @param blockMarks how much further apart neighbours are across the borders of JPEG's blocks than within them, in counts
 *     of 255; empty where that was not measured
 */
public record SourceDetail(Optional<Integer> jpegQuality, Optional<Double> heldShare, Optional<Double> blockMarks) {
    /** Of a picture that was not measured: its pixels are taken for what they are. */
    public static final SourceDetail UNKNOWN = new SourceDetail(Optional.empty(), Optional.empty(), Optional.empty());

    public SourceDetail {
        Objects.requireNonNull(jpegQuality);
        Objects.requireNonNull(heldShare);
        Objects.requireNonNull(blockMarks);
        heldShare.ifPresent(share -> {
            if (!(share > 0 && share <= 1)) {
                throw new IllegalArgumentException("heldShare: expected above 0, at most 1, got " + share);
            }
        });
    }

    /** What was measured on the pixels, whatever the file says. */
    public static SourceDetail measured(OptionalDouble heldShare, OptionalDouble blockMarks) {
        return new SourceDetail(Optional.empty(), boxed(heldShare), boxed(blockMarks));
    }

    private static Optional<Double> boxed(OptionalDouble of) {
        return of.isPresent() ? Optional.of(of.getAsDouble()) : Optional.empty();
    }

    /** Whether its pixels were looked at, whatever was found. */
    public boolean isMeasured() {
        return heldShare.isPresent() || blockMarks.isPresent();
    }

    public SourceDetail withJpegQuality(Optional<Integer> quality) {
        return new SourceDetail(quality, heldShare, blockMarks);
    }
}
