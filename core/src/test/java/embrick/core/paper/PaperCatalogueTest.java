package embrick.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PaperCatalogueTest {
    /** ISO 216, table of the A and B series, in millimetres. */
    @ParameterizedTest
    @CsvSource({
        "A0, 841, 1189",
        "A1, 594, 841",
        "A2, 420, 594",
        "A3, 297, 420",
        "A4, 210, 297",
        "A5, 148, 210",
        "A6, 105, 148",
        "A7, 74, 105",
        "A8, 52, 74",
        "A9, 37, 52",
        "A10, 26, 37",
        "B0, 1000, 1414",
        "B1, 707, 1000",
        "B2, 500, 707",
        "B3, 353, 500",
        "B4, 250, 353",
        "B5, 176, 250",
        "B6, 125, 176",
        "B7, 88, 125",
        "B8, 62, 88",
        "B9, 44, 62",
        "B10, 31, 44"
    })
    void isoPapers(String name, long shortSide, long longSide) {
        assertThat(PaperCatalogue.all())
                .filteredOn(paper -> paper.name().equals(name))
                .extracting(PaperCatalogue.NamedPaper::size)
                .containsExactly(new PaperSize(Length.millimetres(shortSide), Length.millimetres(longSide)));
    }

    /** Photo papers of the metric world. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({"9 × 13 cm, 90, 130", "10 × 15 cm, 100, 150", "30 × 45 cm, 300, 450", "50 × 70 cm, 500, 700"})
    void metricPhotoPapers(String name, long shortSide, long longSide) {
        assertThat(PaperCatalogue.all())
                .filteredOn(paper -> paper.name().equals(name))
                .extracting(PaperCatalogue.NamedPaper::size)
                .containsExactly(new PaperSize(Length.millimetres(shortSide), Length.millimetres(longSide)));
    }

    @Test
    void namesAreUnique() {
        assertThat(PaperCatalogue.all())
                .extracting(PaperCatalogue.NamedPaper::name)
                .doesNotHaveDuplicates();
    }

    @Test
    void fourByFiveAndEightByTenAreOneShape() {
        PaperSize small = new PaperSize(Length.inches("4"), Length.inches("5"));
        PaperSize large = new PaperSize(Length.inches("10"), Length.inches("8"));
        assertThat(small.ratio()).isEqualTo(large.ratio());
    }

    @Test
    void absurdPapersAreRefused() {
        assertThatThrownBy(() -> new PaperSize(Length.of(0, LengthUnit.IN), Length.inches("8")))
                .hasMessageContaining("paper: expected sides from 1 mm");
        assertThatThrownBy(() -> new PaperSize(Length.of(31_000, LengthUnit.MM), Length.inches("8")))
                .hasMessageContaining("got 31000 mm");
    }
}
