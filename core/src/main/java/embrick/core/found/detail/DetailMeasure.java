package embrick.core.found.detail;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceDetail;
import java.util.List;
import java.util.OptionalDouble;

/** Measures what a picture's pixels are worth, on patches spread over it. */
public final class DetailMeasure {
    private DetailMeasure() {}

    /**
     * Reads some bands of rows, so a picture whose rows are decoded when they are read is not decoded whole.
     *
     * @param picture with all its pixels: of a reduced one nothing can be told
     * @return without a quality; empty of what the picture shows nothing of
     */
    public static SourceDetail of(Raster picture) {
        List<Patch> patches = Patch.spreadOver(picture);
        OptionalDouble held = HeldShare.of(patches);
        OptionalDouble marks = BlockMarks.of(patches);
        return SourceDetail.measured(held, marks);
    }
}
