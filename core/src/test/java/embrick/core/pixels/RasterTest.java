package embrick.core.pixels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.units.PixelSize;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Small pictures lie in the arena's own memory, large ones in pages from the system: both behave alike. */
class RasterTest {
    @ParameterizedTest
    @CsvSource({"31, 17, 3, 1", "1500, 1201, 3, 1", "2000, 1111, 4, 2"})
    void memoryIsZeroedEvenIfItWasUsedBefore(int width, int height, int channels, int bytesPerSample) {
        for (int round = 0; round < 3; round++) {
            try (Raster raster = Raster.allocate(new PixelSize(width, height), channels, bytesPerSample)) {
                MemorySegment samples = raster.samples();
                assertThat(samples.byteSize()).isEqualTo((long) width * height * channels * bytesPerSample);
                MemorySegment zeros = MemorySegment.ofArray(new byte[Math.toIntExact(samples.byteSize())]);
                assertThat(samples.mismatch(zeros)).isEqualTo(-1);
                samples.fill((byte) 0xff);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"31, 17, 1", "1500, 1201, 1", "1500, 1201, 2"})
    void theLastSampleIsReadAndNothingBehindIt(int width, int height, int bytesPerSample) {
        try (Raster raster = Raster.allocate(new PixelSize(width, height), 3, bytesPerSample)) {
            raster.samples().fill((byte) 0xff);
            float[] row = new float[width * 3 + 1];
            row[width * 3] = -7f;
            raster.readSeen(Orientation.UPRIGHT, 0, height - 1, width, 1, row, 0);
            assertThat(row[width * 3 - 1]).isEqualTo(1f);
            assertThat(row[width * 3]).isEqualTo(-7f);
            assertThatThrownBy(() -> raster.readSeen(Orientation.UPRIGHT, 1, height - 1, width, 1, row, 0))
                    .isInstanceOf(IndexOutOfBoundsException.class);
        }
    }

    @Test
    void aClosedRasterCannotBeRead() {
        Raster raster = Raster.allocate(new PixelSize(2000, 1000), 3, 1);
        MemorySegment samples = raster.samples();
        raster.close();
        assertThatThrownBy(() -> samples.get(ValueLayout.JAVA_BYTE, 0)).isInstanceOf(IllegalStateException.class);
    }
}
