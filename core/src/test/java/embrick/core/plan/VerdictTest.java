package embrick.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.ticket.ViewingDistance;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VerdictTest {
    private static Verdict inTheHand(double realPpi, double held) {
        return Verdict.of(Verdict.worthPpi(realPpi, Optional.of(realPpi * held)), ViewingDistance.HAND);
    }

    /** 0.75 and 0.4 of 300 ppi. */
    @ParameterizedTest
    @CsvSource({"225, FINE", "224, SOFT", "120, SOFT", "119, POOR"})
    void byRealPpiWhereNothingElseIsKnown(double realPpi, Verdict verdict) {
        assertThat(Verdict.of(Verdict.worthPpi(realPpi, Optional.empty()), ViewingDistance.HAND))
                .isEqualTo(verdict);
    }

    @Test
    void aUsualPhotographIsJudgedByItsPixels() {
        assertThat(Verdict.worthPpi(250, Optional.of(200.0))).isCloseTo(250, within(1e-9));
    }

    @Test
    void aCrispSmallOneIsNotPoor() {
        assertThat(inTheHand(100, 1)).isEqualTo(Verdict.SOFT);
        assertThat(inTheHand(185, 1)).isEqualTo(Verdict.FINE);
    }

    @Test
    void aBlurredLargeOneIsNotFine() {
        assertThat(inTheHand(300, 0.5)).isEqualTo(Verdict.SOFT);
        assertThat(inTheHand(300, 0.3)).isEqualTo(Verdict.POOR);
    }
}
