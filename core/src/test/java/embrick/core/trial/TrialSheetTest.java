package embrick.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.trial.TrialSheet.Cell;
import java.util.List;
import org.junit.jupiter.api.Test;

class TrialSheetTest {
    /** ISO 216. */
    private static final TrialSheet A4 = new TrialSheet(210, 297);

    /** Three of 50 mm and two gaps are 160 of the 194 mm between the margins; a fourth has no room. */
    @Test
    void settingsOfAPlaceStayBesideOneAnother() {
        List<Cell> cells = A4.cells(50, 60, 3, 2);
        assertThat(cells)
                .containsExactly(
                        new Cell(0, 8, 8),
                        new Cell(0, 63, 8),
                        new Cell(0, 118, 8),
                        new Cell(0, 8, 78),
                        new Cell(0, 63, 78),
                        new Cell(0, 118, 78));
    }

    @Test
    void whatHasNoRoomGoesOnInTheNextRowAndOnTheNextSheet() {
        List<Cell> cells = A4.cells(50, 60, 5, 3);
        // Rows of three and two for each place; four rows of 70 mm to a sheet.
        assertThat(cells.get(3)).isEqualTo(new Cell(0, 8, 78));
        assertThat(cells.get(5)).isEqualTo(new Cell(0, 8, 148));
        assertThat(cells.get(10)).isEqualTo(new Cell(1, 8, 8));
    }

    @Test
    void noneLieOverOthersNorOffTheSheet() {
        for (int side = 20; side <= 90; side += 7) {
            List<Cell> cells = A4.cells(side, side, 4, 3);
            for (Cell one : cells) {
                assertThat(one.x() + side).isLessThanOrEqualTo(202 + 1e-6);
                assertThat(one.y() + side + TrialSheet.WORDS).isLessThanOrEqualTo(289 + 1e-6);
                for (Cell other : cells) {
                    boolean isApart = one == other
                            || one.sheet() != other.sheet()
                            || Math.abs(one.x() - other.x()) >= side
                            || Math.abs(one.y() - other.y()) >= side + TrialSheet.WORDS;
                    assertThat(isApart).as("%s and %s", one, other).isTrue();
                }
            }
        }
    }

    @Test
    void aCropThatIsLargerThanTheSheetIsRefused() {
        assertThat(A4.fits(195, 50)).isFalse();
        assertThatThrownBy(() -> A4.cells(50, 300, 1, 1)).hasMessageContaining("50.0 × 300.0");
    }
}
