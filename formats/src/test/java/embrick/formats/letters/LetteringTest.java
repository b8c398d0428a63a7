package embrick.formats.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.PaperColour;
import embrick.core.edge.CaptionLine;
import embrick.core.edge.CaptionRenderer.Coverage;
import org.junit.jupiter.api.Test;

class LetteringTest {
    private static final Lettering FONT = new Lettering();

    private static Coverage drawn(String text, double em) {
        return FONT.draw(new CaptionLine(text, em, 500, 300, PaperColour.BLACK));
    }

    private static double inked(Coverage coverage) {
        double sum = 0;
        for (byte share : coverage.shares()) {
            sum += (share & 0xff) / 255.0;
        }
        return sum;
    }

    /** Liberation Sans has the widths of the widely used grotesque it stands in for: digits 0.556 em, i 0.222 (from memory). */
    @Test
    void lettersHaveTheirWidths() {
        assertThat(FONT.measured("0123456789").widthEm()).isCloseTo(5.56, within(0.01));
        assertThat(FONT.measured("iiii").widthEm()).isCloseTo(0.888, within(0.005));
        assertThat(FONT.measured("").widthEm()).isZero();
    }

    @Test
    void theyStandOnTheirLineRoundTheirMiddle() {
        Coverage coverage = drawn("HHHH", 100);
        assertThat(coverage.place().x() + coverage.place().width() / 2.0).isCloseTo(500, within(2.0));
        // Capitals stand on the line and are about 0.7 em high.
        assertThat(coverage.place().bottom()).isBetween(300, 302);
        assertThat(coverage.place().height()).isBetween(66, 78);
    }

    /** Twice the size, four times the ink: to the rounding of coverage. */
    @Test
    void inkGrowsWithTheSquareOfTheSize() {
        assertThat(inked(drawn("Saltmere 7", 160)) / inked(drawn("Saltmere 7", 80)))
                .isCloseTo(4, within(0.03));
    }

    @Test
    void greekAndCyrillicAreThereAndWhatIsNotIsNamed() {
        assertThat(FONT.measured("Möwe Αλμυρό море é").missing()).isEmpty();
        assertThat(FONT.measured("tide 🐟 ⴰ").missing()).isEqualTo("🐟ⴰ");
        assertThat(inked(drawn("море", 40))).isGreaterThan(100);
    }

    /** Ideographs and full-width letters are an em wide, by Unicode's East Asian Width (UAX 11). */
    @Test
    void chineseJapaneseAndKoreanAreSetInATypefaceThatHasThem() {
        assertThat(FONT.measured("潮の凧 바다").missing()).isEmpty();
        assertThat(FONT.measured("潮凧の").widthEm()).isCloseTo(3, within(0.01));
        assertThat(inked(drawn("潮", 40))).isGreaterThan(100);
        assertThat(FONT.runs("1 凧ab"))
                .containsExactly(
                        new Lettering.Run(Typeface.MAIN, "1 "),
                        new Lettering.Run(Typeface.EAST_ASIAN, "凧"),
                        new Lettering.Run(Typeface.MAIN, "ab"));
    }

    @Test
    void whatNoTypefaceHasIsToldByItsCode() {
        assertThat(FONT.shown("tide 🐟 7")).isEqualTo("tide [U+1F41F] 7");
    }

    @Test
    void spacesAloneLeaveNoInk() {
        assertThat(inked(drawn("   ", 40))).isZero();
    }
}
