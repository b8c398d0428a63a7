package embrick.core.plan;

import static embrick.core.Sample.picture;
import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.core.ticket.FileFormat.Jpeg;
import embrick.core.units.PixelSize;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Source: nine photographs of Debian's plasma-workspace-wallpapers that the figures were not taken from, 900 px at their longer
 * side, coded by Pillow (libjpeg-turbo), resampled by its Lanczos and coded again.
 */
class FileSizeEstimateTest {
    /** Width, height; bytes as JPEG 85 at 4:2:0, then made twice as wide as 95, half as wide as 90, both at 4:4:4. */
    private static final int[][] OUT_OF_85 = {
        {900, 506, 35614, 238730, 22167},
        {900, 506, 35368, 225222, 20721},
        {900, 563, 27314, 218074, 17834},
        {900, 563, 30548, 184077, 19540},
        {900, 506, 33128, 210068, 20279},
        {506, 900, 41649, 264188, 24955},
        {900, 506, 28677, 193107, 15623},
        {506, 900, 54593, 330734, 29908},
        {900, 506, 47739, 297136, 24624},
    };

    private static SourceFacts jpeg(int width, int height, long fileBytes, int quality) {
        SourceFacts facts = picture(width, height);
        return new SourceFacts(
                        facts.kind(), facts.stored(), facts.orientation(), Optional.empty(), facts.colour(), fileBytes)
                .withDetail(SourceDetail.UNKNOWN.withJpegQuality(Optional.of(quality)));
    }

    /** Without what profile and metadata take, which those files do not have. */
    private static long expected(SourceFacts facts, double enlargement, double pictureShare, FileFormat file) {
        PixelSize total = new PixelSize((int) Math.round(facts.seen().width() * enlargement), (int)
                Math.round(facts.seen().height() * enlargement));
        return FileSizeEstimate.expectedFileBytes(facts, enlargement, total, pictureShare, ColourModel.RGB, file, 8)
                - 10_000;
    }

    @Test
    void aPileOfPhotographsComesOutWithinThirtyPerCent() {
        double larger = 0;
        double smaller = 0;
        double madeLarger = 0;
        double madeSmaller = 0;
        for (int[] of : OUT_OF_85) {
            SourceFacts facts = jpeg(of[0], of[1], of[2], 85);
            larger += expected(facts, 2, 1, new Jpeg(95));
            smaller += expected(facts, 0.5, 1, new Jpeg(90));
            madeLarger += of[3];
            madeSmaller += of[4];
            assertThat(expected(facts, 2, 1, new Jpeg(95)) / (double) of[3]).isBetween(0.6, 1.7);
        }
        assertThat(larger / madeLarger).isBetween(0.77, 1.3);
        assertThat(smaller / madeSmaller).isBetween(0.77, 1.3);
    }

    @Test
    void qualityChromaAndPaperCount() {
        SourceFacts facts = jpeg(3000, 2000, 1_500_000, 90);
        long full = expected(facts, 1, 1, new Jpeg(95));
        assertThat(expected(facts, 1, 1, new Jpeg(100))).isGreaterThan(2 * full);
        assertThat(expected(facts, 1, 1, new Jpeg(80))).isLessThan(full / 2);
        assertThat(expected(facts, 1, 1, new Jpeg(95, Chroma.HALF))).isBetween(full * 7 / 10, full * 3 / 4);
        assertThat(expected(facts, 1, 0.5, new Jpeg(95))).isBetween(full / 2 - 2, full / 2 + 2);
        assertThat(expected(facts, 1, 1, new Jpeg(95, Chroma.FULL, Optional.of(200_000L))))
                .isEqualTo(190_000);
    }
}
