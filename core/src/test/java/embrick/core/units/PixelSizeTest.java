package embrick.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class PixelSizeTest {
    private static final double MEBIBYTE = 1 << 20;

    @Test
    void weightUnpackedIsPixelsTimesChannelsTimesBytes() {
        // 900 × 900 RGB at 8 bit: 2.32 MiB. 17.6 × 21.6 in at 300: 97.9 MiB. Common practice, no source.
        assertThat(new PixelSize(900, 900).bytes(3, 1) / MEBIBYTE).isCloseTo(2.32, within(0.005));
        assertThat(new PixelSize(5280, 6480).bytes(3, 1) / MEBIBYTE).isCloseTo(97.9, within(0.05));
    }

    @Test
    void largeSizesLeaveThe32Bits() {
        assertThat(new PixelSize(60_000, 60_000).bytes(3, 2)).isEqualTo(21_600_000_000L);
    }

    @Test
    void nothingIsSmallerThanOnePixel() {
        assertThatThrownBy(() -> new PixelSize(0, 5)).hasMessage("pixel size: expected 1 × 1 or more, got 0 × 5");
    }

    @Test
    void aRatioIsTheSameEitherWayUpAndInLowestTerms() {
        assertThat(new Ratio(8, 10)).isEqualTo(new Ratio(5, 4)).hasToString("4:5");
        assertThat(new Ratio(7, 7).isSquare()).isTrue();
    }
}
