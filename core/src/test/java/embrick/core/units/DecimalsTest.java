package embrick.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A few characters may say a number of millions of digits: it is refused before anything is reckoned with it. */
@Timeout(5)
class DecimalsTest {
    @ParameterizedTest
    @ValueSource(strings = {"1e300000000", "1e-300000000", "1e41", "1e-41", "-2E+2147483647"})
    void longNumbersAreRefused(String text) {
        BigDecimal value = new BigDecimal(text);
        assertThat(Decimals.isShort(value)).isFalse();
        assertThatThrownBy(() -> Length.of(value, LengthUnit.IN))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith("length: expected a number of at most 40 digits");
        assertThatThrownBy(() -> Resolution.perInch(value))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith("resolution: expected");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "300", "118.11", "1e3", "0.000001", "20000"})
    void whatPeopleSayIsTaken(String text) {
        assertThat(Decimals.isShort(new BigDecimal(text))).isTrue();
    }

    @Test
    void aTypedLengthIsShortToo() {
        assertThatThrownBy(() -> Length.parse("9".repeat(1_000_000), LengthUnit.MM))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
