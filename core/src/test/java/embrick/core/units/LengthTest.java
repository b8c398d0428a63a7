package embrick.core.units;

import static embrick.core.units.LengthUnit.CM;
import static embrick.core.units.LengthUnit.IN;
import static embrick.core.units.LengthUnit.MM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LengthTest {
    @Test
    void anInchIsExactly25point4Millimetres() {
        // International yard and pound agreement, 1959.
        assertThat(Length.parse("25.4 mm", IN)).isEqualTo(Length.of(1, IN));
        assertThat(Length.of(1, IN).in(MM)).isEqualByComparingTo("25.4");
        assertThat(Length.of(1, IN).in(CM)).isEqualByComparingTo("2.54");
    }

    @Test
    void equalityIgnoresTheUnitItWasSpokenInButTextKeepsIt() {
        Length metric = Length.of(254, MM);
        assertThat(metric).isEqualTo(Length.of(10, IN)).hasSameHashCodeAs(Length.of(10, IN));
        assertThat(metric).hasToString("254 mm");
        assertThat(Length.of(10, IN)).hasToString("10 in");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "8 | 8 in",
                "6in | 6 in",
                "210 mm | 210 mm",
                "21,5 cm | 21.5 cm",
                "1/8 | 0.125 in",
                "1 1/2 in | 1.5 in",
                "3/4\" | 0.75 in",
                ".5 | 0.5 in",
                "0.05 in | 0.05 in"
            })
    void readsWhatPeopleType(String typed, String understood) {
        assertThat(Length.parse(typed, IN)).hasToString(understood);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "eight", "8 yards", "-3", "1/0", "8 10", "1 5", "∞"})
    void refusesWhatIsNoLength(String typed) {
        assertThatThrownBy(() -> Length.parse(typed, IN))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("length");
    }

    @Test
    void overflowThrowsInsteadOfWrapping() {
        assertThatThrownBy(() -> Length.of(Long.MAX_VALUE / 1000, IN)).isInstanceOf(ArithmeticException.class);
    }
}
