package embrick.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.units.Ratio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShapeTest {
    private static String key(long a, long b) {
        return new Shape.Fixed(new Ratio(a, b)).key();
    }

    /** Sides in millimetres: ISO 216, tables of the A and B series. */
    @ParameterizedTest
    @CsvSource({
        "841, 1189", "594, 841", "420, 594", "297, 420", "210, 297", "148, 210", "105, 148", "74, 105", "52, 74",
                "37, 52",
        "26, 37", "1000, 1414", "707, 1000", "500, 707", "353, 500", "250, 353", "176, 250", "125, 176", "88, 125",
                "62, 88"
    })
    void allPapersOfIso216AreOne(long a, long b) {
        assertThat(key(a, b)).isEqualTo(key(210, 297));
        assertThat(new Shape.AtScale(new Ratio(a, b)).key()).isEqualTo("70:99-at-scale");
    }

    /** 5 : 7 and 13 : 18 are the nearest shapes of common papers: 1.0 % and 2.1 % off. */
    @ParameterizedTest
    @CsvSource({"5, 7, 5:7", "13, 18, 13:18", "2, 3, 2:3", "24, 30, 4:5", "11, 15, 11:15"})
    void othersKeepTheirOwn(long a, long b, String expected) {
        assertThat(key(a, b)).isEqualTo(expected);
    }

    @Test
    void aWrittenKeyLeadsToTheSameShape() {
        assertThat(Shape.keyOf("297:420")).contains("70:99");
        assertThat(Shape.keyOf("1748:2480-at-scale")).contains("70:99-at-scale");
        assertThat(Shape.keyOf("10:8")).contains("4:5");
    }
}
