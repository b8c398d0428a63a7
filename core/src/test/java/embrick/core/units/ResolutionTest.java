package embrick.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ResolutionTest {
    /** Sizes and pixels: inches × ppi is arithmetic; the rows marked practice in the checks are common practice. */
    @ParameterizedTest
    @CsvSource({
        "7 in, 300, 2100",
        "5 in, 300, 1500",
        "7 in, 72, 504",
        "5 in, 72, 360",
        "7 in, 30, 210",
        "5 in, 30, 150",
        "7 in, 4, 28",
        "5 in, 4, 20",
        "17.78 cm, 300, 2100",
        "12.7 cm, 300, 1500",
        "210 mm, 300, 2480",
        "297 mm, 300, 3508",
        "420 mm, 300, 4961",
        "594 mm, 300, 7016",
        "4 in, 300, 1200",
        "6 in, 300, 1800",
        "11 in, 300, 3300",
        "14 in, 300, 4200",
        "20 in, 300, 6000",
        "17 in, 360, 6120"
    })
    void aFaceTakesTheNearestPixel(String length, long ppi, int pixels) {
        assertThat(Resolution.perInch(ppi).pixelsFor(Length.parse(length, LengthUnit.IN)))
                .isEqualTo(pixels);
    }

    @Test
    void halfAPixelRoundsUp() {
        // 0.005 in × 300 = 1.5 px.
        assertThat(Resolution.perInch(300).pixelsFor(Length.inches("0.005"))).isEqualTo(2);
    }

    @Test
    void aBandIsNeverNarrowerThanAsked() {
        // 3 mm × 300 ÷ 25.4 = 35.43 px; a face would take 35.
        assertThat(Resolution.perInch(300).pixelsToCover(Length.millimetres(3))).isEqualTo(36);
        assertThat(Resolution.perInch(300).pixelsToCover(Length.inches("0.125")))
                .isEqualTo(38);
        assertThat(Resolution.perInch(300).pixelsToCover(Length.inches("1"))).isEqualTo(300);
    }

    @ParameterizedTest
    @CsvSource({"2100, 100, 21", "1500, 100, 15", "2100, 150, 14", "1500, 150, 10"})
    void pixelsAtAnotherPpiCoverAnotherLength(long pixels, long ppi, String inches) {
        assertThat(Resolution.perInch(ppi).lengthOf(pixels, LengthUnit.IN)).isEqualTo(Length.inches(inches));
    }

    @Test
    void keepingTheSizeMakesNewPixels() {
        // 1024 px marked 72 are 14.22 in; at 300 ppi that is 4266.7, so 4267 px. Arithmetic.
        Length size = Resolution.perInch(72).lengthOf(1024, LengthUnit.IN);
        assertThat(Resolution.perInch(300).pixelsFor(size)).isEqualTo(4267);
        // 2100 × 1500 px at 100 ppi are 53.34 × 38.1 cm. Common practice, no source.
        assertThat(Resolution.perInch(100).lengthOf(2100, LengthUnit.CM)).hasToString("53.34 cm");
        assertThat(Resolution.perInch(100).lengthOf(1500, LengthUnit.CM)).hasToString("38.1 cm");
    }

    @Test
    void remarkingKeepsPixelsAndChangesTheSize() {
        // 240 px marked 104 are 2.31 in; marked 300, 0.8 in or 2.03 cm. Common practice, no source.
        assertThat(Resolution.perInch(104).lengthOf(240, LengthUnit.IN).toInches())
                .isCloseTo(2.31, within(0.005));
        Length remarked = Resolution.perInch(300).lengthOf(240, LengthUnit.CM);
        assertThat(remarked).isEqualTo(Length.inches("0.8"));
        assertThat(remarked.in(LengthUnit.CM).doubleValue()).isCloseTo(2.03, within(0.005));
    }

    @Test
    void pngCountsWholePixelsPerMetre() {
        // ISO/IEC 15948, pHYs: 300 ÷ 0.0254 = 11811.02.
        assertThat(Resolution.perInch(300).roundedPerMetre()).isEqualTo(11811);
        assertThat(Resolution.perInch(72).roundedPerMetre()).isEqualTo(2835);
        assertThat(Resolution.perMetre(11811).toPpi()).isCloseTo(299.9994, within(1e-4));
    }

    @Test
    void tiffFractionIsExactOrNearest() {
        assertThat(Resolution.perInch(300).perInchFraction()).isEqualTo(new Resolution.Rational32(300, 1));
        assertThat(Resolution.perInch(new BigDecimal("299.7")).perInchFraction())
                .isEqualTo(new Resolution.Rational32(2997, 10));
        Resolution.Rational32 metric = Resolution.perMetre(11811).perInchFraction();
        assertThat((double) metric.numerator() / metric.denominator()).isCloseTo(299.9994, within(1e-6));
    }

    @Test
    void equalAmountsAreEqualHoweverSpoken() {
        assertThat(Resolution.perInch(600, 2)).isEqualTo(Resolution.perInch(300));
        assertThat(Resolution.perCentimetre(100, 1)).isEqualTo(Resolution.perInch(254));
        assertThat(Resolution.perInch(300)).isLessThan(Resolution.perInch(301)).hasToString("300 ppi");
    }

    @ParameterizedTest
    @ValueSource(longs = {0, -1, 20_001, 1_000_000_000})
    void refusesResolutionsThatNoDeviceHas(long ppi) {
        assertThatThrownBy(() -> Resolution.perInch(ppi)).isInstanceOf(IllegalArgumentException.class);
    }
}
